import { describe, expect, it } from 'vitest'
import { workTable } from '../catalogue/workTable'
import { planSchema } from '../plan/planSchema'
import type { Trial } from '../plan/trials'
import { measuredNetwork, homeLinkMark } from '../network/measuredNetwork'
import { softwareCorrection } from '../streams/measuredConversions'
import { figureRules, wifiRange } from './figureRules'

const trialsOf = (...trials: Partial<Trial>[]) =>
  planSchema.parse({
    name: 'x',
    calibration: { trials: trials.map((trial, at) => ({ id: `m${at}`, ...trial })) },
  }).calibration

describe('the rules of the figures', () => {
  it('are those of the table: what one depends on, its noise, the least width, the usual range', () => {
    const told = Object.entries(figureRules).map(([id, { depends, spread, least, usual }]) => [
      id,
      depends,
      spread,
      least,
      usual && [Number(usual.low.toFixed(4)), Number(usual.high.toFixed(4))],
    ])
    expect(told).toEqual([
      ['software', 'machine', 0.1, 0.05, null],
      ['engine', 'machine', 0.1, 0.05, null],
      ['idleW', 'machine', 0.03, 0.03, null],
      ['convertingW', 'machine', 0.05, 0.03, null],
      ['startW', 'machine', 0.05, 0.05, [0.8696, 1.15]],
      ['driveMBps', 'model', 0.1, 0.05, [0.9, 1.05]],
      ['homeLink', 'household', 0.05, 0.05, null],
      ['copyRate', 'household', 0.1, 0.05, [0.8, 1.05]],
      ['smallFiles', 'household', 0.25, 0.05, null],
      ['upload', 'household', 0.1, 0.05, [0.8, 1.05]],
      ['download', 'household', 0.1, 0.05, [0.8, 1.05]],
      ['driveRise', 'machine', 0.1, 0.05, [0.7143, 1.4]],
      ['rebuildHours', 'drives', 0.1, 0.05, [0.7692, 1.6]],
    ])
  })
  it('of one conversion alone: worth 3.9 it makes 3.42, 3.79, 4.19', () => {
    const { trials } = trialsOf({ figure: 'software', alone: true, value: 3.9 })
    const { corrected } = softwareCorrection(
      { low: 2.48, likely: 3.1, high: 3.1 * (4 / 3) },
      trials,
      { table: workTable, toneMapping: 'atSourceSize', cores: 6 },
    )!
    expect(
      [corrected.low, corrected.likely, corrected.high].map(value => value.toFixed(2)),
    ).toEqual(['3.42', '3.79', '4.19'])
  })
  it('of one alone on more than six cores: the whole is worth more', () => {
    const { trials } = trialsOf({ figure: 'software', alone: true, value: 2 })
    const at = (cores: number) =>
      softwareCorrection({ low: 2.48, likely: 3.1, high: 4.13 }, trials, {
        table: workTable,
        toneMapping: 'atSourceSize',
        cores,
      })!.trials[0]!.from
    expect(at(12) - at(6)).toBeCloseTo(Math.log(2), 9)
    expect(at(4)).toBeCloseTo(at(6), 9)
  })
  it('of Wi-Fi: it carries from a third less to two fifths more than planned', () => {
    expect(wifiRange.low).toBeCloseTo(1 / 1.5, 9)
    expect(wifiRange.high).toBeCloseTo(1.4, 9)
    const { network } = planSchema.parse({ name: 'x', network: { serverLink: 'wifi' } })
    const calibration = trialsOf({ figure: 'homeLink', mark: homeLinkMark(network), value: 120 })
    const { planned } = measuredNetwork(network, calibration).measured!.home!
    expect(planned.low / planned.likely).toBeCloseTo(1 / 1.5, 9)
    expect(planned.high / planned.likely).toBeCloseTo(1.4, 9)
  })
})
