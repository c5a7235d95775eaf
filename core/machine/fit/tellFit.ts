import type { Telling } from '../../domain'
import { exactly, figure, noFigure, type Figure } from '../../figure'
import { finding, type Finding } from '../../finding'
import type { Format } from '../../units/format'
import { headroomShare, type Verdict } from '../../verdict'
import { mostOfRating, spinUpAmps, spinUpW } from '../power/startSurge'
import { memoryUses, wantedFactor } from '../memory/memoryNeed'
import type { FitFacts, FitSlice } from './fitFacts'
import { fitRules } from './fitRules'

/** The fit's facts in words. */
export function tellFit(facts: FitFacts, slice: FitSlice, format: Format): Telling {
  return {
    figures: fitFigures(facts, slice, format),
    verdicts: [fitVerdict(facts, slice, format)],
    findings: fitFindings(facts, format),
  }
}

/** What a rule says, as a sentence. */
export function fitSentence(
  { id, state, values }: FitFacts['judged'][number],
  format: Format,
): string {
  return fitRules.find(rule => rule.id === id)!.say(values, format, state)
}

const partInputs = ['machine.base', 'machine.parts', 'drives.lots']

function fitFigures(facts: FitFacts, slice: FitSlice, format: Format): Figure[] {
  const { context } = facts
  const { number: n } = format
  const { start, surge, supply, memory, noise, heat } = context
  const starting = Math.min(start.spinning, start.together)
  const ports = context.boardPorts + context.controllerPorts
  const usedPorts =
    context.otherPorts +
    Math.max(0, context.drives.count - context.drives.nvme - context.enclosedDrives)
  const leastRatingW = Math.max(context.runningW / mostOfRating, surge.watts)
  return [
    context.board
      ? figure(ports - usedPorts, {
          id: 'machine.freePorts',
          label: 'Free data ports',
          unit: 'ports',
          inputs: partInputs,
          formula:
            `${n(context.boardPorts)} on the board + ${n(context.controllerPorts)} on cards ` +
            `− ${n(usedPorts)} in use = ${n(ports - usedPorts)}`,
          note: 'Ports that are switched off by something else on the board are not counted.',
        })
      : noFigure('The board is not known, so its ports are not either.', {
          id: 'machine.freePorts',
          label: 'Free data ports',
          unit: 'ports',
          inputs: partInputs,
          formula: 'ports − drives and SSDs',
        }),
    figure(surge.watts, {
      id: 'machine.startSurgeW',
      label: 'Most at the start',
      unit: 'W',
      inputs: [...partInputs, 'machine.startTogether', 'drives.driveClass'],
      formula:
        `${n(starting)} drives × ${n(spinUpW)} W + ${n(start.spinning - starting)} × ` +
        `${n(start.idleEachW, 3)} W + ${n(start.restW, 3)} W = ${n(surge.watts, 4)} W`,
      source:
        'Watts that the supply has to give (DC): a 3.5" drive takes 22 to 25 W and ' +
        `${n(spinUpAmps)} A at 12 V for some seconds while it spins up; the rest is board, ` +
        'memory, fans and cards with nothing to do, and the processor at its most.',
    }),
    figure(surge.amps12, {
      id: 'machine.startAmps12',
      label: 'At 12 V at the start',
      unit: 'A',
      inputs: [...partInputs, 'machine.startTogether'],
      formula:
        `${n(starting)} drives × ${n(spinUpAmps)} A + ${n(start.rest12W, 3)} W ÷ 12 V = ` +
        `${n(surge.amps12, 3)} A`,
    }),
    figure(context.runningW, {
      id: 'machine.runningW',
      label: 'Everything at work',
      unit: 'W',
      inputs: [...partInputs, 'drives.driveClass'],
      formula:
        `${n(context.power.loadDcW, 3)} W of the machine + ` +
        `${n(context.runningW - context.power.loadDcW, 3)} W of drives = ` +
        `${n(context.runningW, 3)} W`,
      source:
        'DC, behind the power supply: processor at its most, cards converting, all drives at work.',
    }),
    figure(leastRatingW, {
      id: 'machine.supplyMinimumW',
      label: 'Least rating of a supply',
      unit: 'W',
      inputs: ['machine.runningW', 'machine.startSurgeW'],
      formula:
        `the larger of ${n(context.runningW, 3)} W ÷ ${n(mostOfRating)} and ` +
        `${n(surge.watts, 3)} W = ${n(leastRatingW, 3)} W`,
      note: supply ? `There is one of ${n(supply.ratingW)} W.` : 'No supply is known.',
    }),
    figure(memory.sumGB, {
      id: 'machine.memoryFloorGB',
      label: 'Memory needed',
      unit: 'GB',
      inputs: ['streams.asked', 'drives.fileSystem', 'system.services', 'system.kind'],
      formula: `${memory.uses
        .filter(({ gb }) => gb > 0)
        .map(({ id, gb }) => `${n(gb, 3)} ${memoryNames[id]}`)
        .join(' + ')} = ${n(memory.sumGB, 3)} GB; the next size sold is ${n(memory.floorGB)} GB`,
      source:
        `Floors: plain system ${n(memoryUses.plainSystem)} GB, an appliance's own ` +
        `${n(memoryUses.makersSystem)}, copy-on-write pool ${n(memoryUses.copyOnWritePool)}, ` +
        `media software ${n(memoryUses.mediaSoftware)}, ${n(memoryUses.conversion)} a ` +
        'conversion.',
      note:
        `Wanted: ${n(wantedFactor)} times as much, so ${n(memory.wantedGB)} GB. The old rule ` +
        `of 1 GB for each raw terabyte would take ${n(memory.byRawTB, 3)} GB.`,
    }),
    figure(noise.atEarDb, {
      id: 'machine.noiseDb',
      label: 'Noise at the ear',
      unit: 'dB(A)',
      inputs: ['brief.earDistanceM', 'brief.place', ...partInputs],
      formula:
        noise.sumDb === null
          ? 'nothing sounds = 0 dB(A)'
          : `${n(noise.sumDb, 3)} dB(A) together − 8 − 20·log(${n(slice.brief.earDistanceM)} ` +
            `m)${slice.brief.place === 'cupboard' ? ' − 5 of the cupboard' : ''} = ` +
            `${n(noise.atEarDb, 3)} dB(A)`,
      source:
        'Sounds add up as 10·log Σ 10^(L/10); drives while they seek. The room allows ' +
        `${n(noise.ceilingDb)} dB(A).`,
    }),
    figure(heat.warmestC, {
      id: 'machine.warmestDriveC',
      label: 'Drives on the warmest day',
      unit: '°C',
      inputs: [
        'brief.roomHighC',
        'brief.place',
        'brief.cupboardM2',
        'brief.cupboardVented',
        ...partInputs,
      ],
      formula:
        `${n(slice.brief.roomHighC)} °C of the ` +
        `room${heat.riseK > 0 ? ` + ${n(heat.riseK, 3)} of the closed cupboard (${n(heat.averageW, 3)} W)` : ''} ` +
        `+ ${n(heat.driveRiseK)} at the drives = ${n(heat.warmestC, 3)} °C`,
      source:
        'Drives are 6 degrees warmer than the air with a fan across them, 12 in slow air, ' +
        '20 in none.',
    }),
  ]
}

const memoryNames = {
  system: 'for the system',
  mediaSoftware: 'for media software',
  conversions: 'for conversions',
  services: 'for services',
  guests: 'for guests',
  engine: 'for the video engine',
} as const

function fitVerdict(
  facts: FitFacts,
  { build: { bays }, freeBays: free, drives: { count } }: FitSlice,
  format: Format,
): Verdict {
  const asked = exactly(count)
  const possible = exactly(bays)
  return {
    id: 'fit',
    label: 'Fit and power',
    domain: 'machine',
    unit: 'drives',
    asked,
    possible,
    share: headroomShare(asked, possible),
    state: facts.state,
    sentence: fitVerdictSentence(facts, { count, bays, free, format }),
    figures: ['machine.freeBays', 'machine.freePorts', 'machine.startSurgeW'],
  }
}

function fitVerdictSentence(
  facts: FitFacts,
  {
    count,
    bays,
    free,
    format,
  }: {
    readonly count: number
    readonly bays: number
    readonly free: number
    readonly format: Format
  },
): string {
  const failing = facts.judged.filter(({ state }) => state === 'fail')
  const inBays =
    count === 0
      ? 'Add drives to see whether they fit.'
      : free === 0
        ? `All ${count} drives fit, and no bay is left.`
        : `${count} drives fit; ${free} ${free === 1 ? 'bay is' : 'bays are'} left.`
  if (failing.length === 0)
    return free < 0 ? `${count} drives do not fit into ${bays} bays.` : inBays
  const first = fitSentence(failing[0]!, format)
  return failing.length === 1
    ? first
    : `${first} ${failing.length - 1} more ${failing.length === 2 ? 'rule fails' : 'rules fail'}.`
}

/** What fails or warns, as findings; the bays have one of their own. */
function fitFindings(facts: FitFacts, format: Format): Finding[] {
  return facts.judged
    .filter(({ state, id }) => (state === 'fail' || state === 'warning') && id !== 'growthLeft')
    .map(judged =>
      finding(
        judged.state === 'fail' ? 'fail' : 'caution',
        `FIT_${judged.id.replace(/[A-Z]/g, '_$&').toUpperCase()}`,
        {
          sentence: fitSentence(judged, format),
          from: findingInputs(judged),
        },
      ),
    )
}

function findingInputs({ clash, id }: FitFacts['judged'][number]): string[] {
  const parts = [...new Set(clash?.parts ?? [])].map(index => `machine.parts.${index}.ref`)
  if (parts.length > 0) return parts
  return id === 'noise' || id === 'warmDrives' || id === 'dampAndDust' || id === 'rackPlace'
    ? ['brief.place']
    : ['machine.base']
}
