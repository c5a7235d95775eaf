import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import { plainFormat } from '../units/format'
import { leadHours, poolOf, type Pool } from './poolOf'
import { tellFailures } from './tellFailures'
import { poolChoices } from '../../tests/stubs/poolChoices'

const { drives, choices } = planSchema.parse(tideMillHouse)
function told(failed: readonly number[], layoutId = 'dedicated-1') {
  const pool = poolOf({
    drives: { ...drives, lots: layoutId === 'nightly-copy' ? [drives.lots[0]!] : drives.lots },
    choices: poolChoices(choices),
    catalogue,
    contentTB: 0,
    layoutId,
  }) as Pool
  const { sentence, figures } = tellFailures(
    {
      pool,
      failed: new Set(failed),
      leadHours: leadHours.order,
      heldTB: 12,
      changedGBPerDay: 20,
    },
    plainFormat,
  )
  return {
    sentence,
    figures: Object.fromEntries(
      figures.map(figure => [figure.id.replace('failures.', ''), figure]),
    ),
  }
}

describe('what failed drives come to, in words', () => {
  it.each([
    [[], 'dedicated-1', 'All drives work.'],
    [
      [0],
      'dedicated-1',
      'nothing is lost and everything plays on. The next failure can lose data.',
    ],
    [
      [0, 1],
      'dedicated-1',
      'the files on them that no parity covers are lost; the other drives stay readable.',
    ],
    [[0, 1], 'rotating-1', 'With these 2 drives failed, everything on the pool is lost.'],
    [[0], 'mirror', '1 drive more may fail before anything is lost.'],
    [[1], 'snapshot-1', 'what lay on it plays again only after the rebuild'],
    [
      [1],
      'snapshot-1',
      'nothing is lost but what changed on it since the last run (at most about 20\u00A0GB)',
    ],
    // The parity drive holds no files.
    [[0], 'snapshot-1', 'nothing is lost and everything plays on.'],
    [[0, 1], 'duplication', 'the files that lay on both are lost; the rest plays on.'],
  ] as const)('%j of %s', (failed, layoutId, text) =>
    expect(told(failed, layoutId).sentence).toContain(text),
  )

  it('with figures that add up, each with its formula', () => {
    const { playingTB, waitingTB, lostTB, wholeHours } = told([0, 1]).figures
    expect(playingTB!.value! + waitingTB!.value! + lostTB!.value!).toBeCloseTo(12, 9)
    expect(lostTB!.formula).toBe('12 TB × 0.6667 = 8 TB')
    expect(wholeHours!.value).toBe(null)
    expect(wholeHours!.note).toContain('cannot be rebuilt')
  })
  it('with the hours until it is whole again, and the chance to lose more', () => {
    const { wholeHours, worseChance } = told([0]).figures
    const rebuild =
      8e6 / (0.75 * 210 * (1 - (0.3 * poolChoices(choices).watchedHoursPerDay) / 24)) / 3600
    expect(wholeHours!.value).toBeCloseTo(48 + rebuild, 6)
    expect(wholeHours!.formula).toMatch(
      /^48 h until new drives are in \+ 1 × 1\d\.\d+ h of rebuild = 6\d/,
    )
    const chance = (factor: number) =>
      1 - Math.exp(((2 * Math.log(1 - 0.015 * factor)) / 8766) * (48 + rebuild))
    expect(worseChance!.value).toBeCloseTo(chance(1), 9)
    expect(worseChance!.low).toBeCloseTo(chance(0.5), 9)
    expect(worseChance!.high).toBeCloseTo(chance(2), 9)
  })
})
