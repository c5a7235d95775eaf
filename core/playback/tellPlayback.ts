import type { Telling } from '../domain'
import { joinClauses } from '../verdictClauses'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  constant,
  least,
  quoted,
  quotient,
  sumTold,
  workedOut,
  type Input,
} from '../expressions/expression'
import type { Figure } from '../figure'
import { whatConverts, whichEngines } from '../expressions/inputs/conversionInputs'
import { finding, type Finding } from '../finding'
import { habitConvertingId } from '../streams/conversionsNeeded'
import { workFigure } from '../streams/workFigure'
import type { Format } from '../units/format'
import { needsConversion } from './playability'
import { conversionText } from './conversionBook'
import type { PlaybackFacts, PlaybackSlice, Stuck } from './playbackFacts'
import { workFigureId } from './playbackDemand'
import { linkFigureId } from './screens'

/** The matrix in words. */
export function tellPlayback(facts: PlaybackFacts, slice: PlaybackSlice, format: Format): Telling {
  return {
    figures: () => [
      ...classFigures(facts, slice, format),
      ...habitFigures(facts, slice, format),
      ...shareFigures(facts, slice, format),
    ],
    verdicts: [],
    findings: [
      ...stuckFindings(facts),
      ...belowFindings(facts, slice, format),
      ...otherFindings(facts, slice),
    ],
  }
}

function classFigures(
  { matrix, classes }: PlaybackFacts,
  { workTable }: PlaybackSlice,
  format: Format,
): Figure[] {
  return classes.map(({ conversion, row }) => {
    const titles = matrix.rows[row]!.holdings.slice(0, holdingsNamed).flatMap(at =>
      (['quality', 'bitrateMbps'] as const).map(
        field => `library.holdings.${at}.${field}` as const,
      ),
    )
    return workFigure(
      { table: workTable, ...conversion },
      {
        id: workFigureId(conversion.key),
        label: conversionText(conversion),
        inputs: [...titles, ...whatConverts],
      },
      format,
    )
  })
}

const holdingsNamed = 6

/** Kinds of conversion that a formula tells one by one. */
const kindsTold = 5

function habitFigures(
  { matrix, demand }: PlaybackFacts,
  { week }: PlaybackSlice,
  format: Format,
): Figure[] {
  return matrix.sessions.map((sessions, at) => {
    const { index, habit } = week.habits[at]!
    const path = `household.habits.${index}` as const
    const column = matrix.columns.find(candidate => candidate.habits.includes(at))
    const converting = sessions
      .filter(({ play }) => needsConversion(play))
      .sort((a, b) => b.chance - a.chance)
    const decides: readonly Input[] = [
      ...(column ? [{ figure: linkFigureId(column.key) }] : []),
      `${path}.device`,
      `${path}.viewer`,
      `${path}.capMbps`,
      ...(['film', 'series', 'homeVideo', 'music'] as const).map(
        kind => `${path}.watches.${kind}` as const,
      ),
      ...whatConverts,
    ]
    const terms = converting.map(({ play, chance }) =>
      workedOut(chance, 'share', {
        inputs: play.conversion ? [{ figure: workFigureId(play.conversion.key) }] : [],
        ...(play.conversion ? { after: `of ${quoted(conversionText(play.conversion))}` } : {}),
      }),
    )
    const all = sumTold(terms, 'share', kindsTold)
    const none = workedOut(0, 'share', {
      inputs: decides,
      says: 'No title of this habit has its picture converted.',
    })
    const share = demand.convertingShares[at]!
    return declareFigure(
      () =>
        terms.length === 0
          ? none
          : chosen(decides, share >= 1 ? least(constant(1, 'share'), all) : all),
      {
        id: habitConvertingId(index),
        label: `${habit.name || 'Habit'}: needs converting`,
        unit: 'share',
        note:
          "Share of the habit's streams, whether or not this machine can convert them; within " +
          'a kind every title is as likely as any other.',
      },
      format,
    )
  })
}

const shareTexts = [
  ['playback.untouchedShare', 'Plays as it is', 'playAsIs'],
  ['playback.repackShare', 'Repacked', 'repack'],
  ['playback.soundShare', 'Sound converted', 'sound'],
  ['playback.convertedShare', 'Picture converted', 'picture'],
  ['playback.cannotShare', 'Cannot be played', 'cannot'],
] as const
/** More habits are not named one by one as inputs. */
const habitsNamed = 40

function shareFigures(
  { shares, sharedHours: hours }: PlaybackFacts,
  { week }: PlaybackSlice,
  format: Format,
): Figure[] {
  const habits = week.habits.filter(({ habit }) => !habit.onBusyDays)
  const inputs: readonly Input[] = [
    ...habits.slice(0, habitsNamed).map(({ index }) => ({ figure: habitConvertingId(index) })),
    // What the machine is too slow for cannot be played.
    { figure: 'streams.softwareReference' },
    'machine.cores',
    ...whichEngines,
    ...whatConverts,
  ]
  return shareTexts.map(([id, label, outcome]) => {
    const parts = { id, label, unit: 'share' } as const
    if (!shares)
      return absentFigure('Enter habits and titles to see it.', {
        ...parts,
        inputs,
        formula: 'hours with this outcome ÷ hours watched',
      })
    const ofAll = quotient(
      workedOut(shares[outcome] * hours, 'h', { inputs }),
      workedOut(hours, 'h', { inputs: ['household.habits'], after: 'watched in an ordinary week' }),
    )
    return declareFigure(
      () => (shares[outcome] > 1 ? least(constant(1, 'share'), ofAll) : ofAll),
      parts,
      format,
    )
  })
}

/** More are not told one by one. */
const stuckTold = 4

function stuckFindings({ matrix, stuck }: PlaybackFacts): Finding[] {
  const why: Readonly<
    Record<
      Stuck['stoppedBy'],
      { readonly text: string; readonly from: readonly string[]; readonly fix: string }
    >
  > = {
    machine: {
      text: 'one conversion alone is too slow on this machine',
      from: ['machine.score', 'machine.cores'],
      fix:
        'Use a device that plays it as it is, keep a second copy, do not offer it to these ' +
        'devices, or use a stronger machine; Playback ranks what helps.',
    },
    line: {
      text: 'the internet line or the quality cap does not carry even the lowest sent quality',
      from: ['network.uploadMbps', 'household.places'],
      fix: 'Get a faster internet line there or here, or raise the cap.',
    },
    device: {
      text: 'the device plays nothing that it could be converted to',
      from: ['household.devices'],
      fix: 'Use another device.',
    },
  }
  // Titles that the same cause keeps from the same devices are one finding.
  const alike = new Map<string, Stuck & { rows: number[] }>()
  for (const entry of stuck) {
    const key = `${entry.stoppedBy} ${entry.columns.join(' ')}`
    const known = alike.get(key)
    if (known) known.rows.push(entry.row)
    else alike.set(key, { ...entry, rows: [entry.row] })
  }
  return [...alike.values()].slice(0, stuckTold).map(({ rows, stoppedBy, columns }) => {
    const named = rows.slice(0, 3).map(row => matrix.rows[row]!.label)
    const titles =
      rows.length > 3 ? `${named.join(', ')} and ${rows.length - 3} more` : joinClauses(named)
    // A device at two places, or under two caps, is one.
    const names = [...new Set(columns.map(at => matrix.columns[at]!.deviceName))]
    const devices = names.slice(0, 3).join(', ')
    const { text, from, fix } = why[stoppedBy]
    return finding('warning', 'CANNOT_PLAY', {
      sentence:
        `${titles} cannot be played on ` +
        `${devices}${names.length > 3 ? ` and ${names.length - 3} more` : ''}: ${text}.`,
      from: [
        ...new Set(['playback.cannotShare', 'household.devices', 'library.holdings', ...from]),
      ],
      fixes: [fix],
    })
  })
}

function belowFindings(
  { belowAccepted, matrix }: PlaybackFacts,
  { week }: PlaybackSlice,
  { number: n }: Format,
): Finding[] {
  return belowAccepted.slice(0, stuckTold).map(({ habit: at, mbps, acceptedMbps }) => {
    const { index, habit, watcher } = week.habits[at]!
    const column = matrix.columns.find(candidate => candidate.habits.includes(at))
    return finding('warning', 'BELOW_ACCEPTED', {
      sentence:
        `${habit.name || 'A habit'}: the internet line or the quality cap carries at most ` +
        `${n(mbps, 3)} Mb/s, and ${week.watchers[watcher]!.name} accepts no less than ` +
        `${n(acceptedMbps, 3)} Mb/s. No machine can change that.`,
      from: [
        `household.habits.${index}.capMbps`,
        ...(column?.isAway
          ? ['network.awayRungMbps', 'network.uploadMbps']
          : ['household.devices']),
      ],
      fixes: [
        'Raise the sent quality or the cap, get a faster internet line, or accept a lower quality.',
      ],
    })
  })
}

function otherFindings(
  { nothingOffered, unknownClasses }: PlaybackFacts,
  { week, household }: PlaybackSlice,
): Finding[] {
  return [
    ...nothingOffered.map(at => {
      const { index, habit } = week.habits[at]!
      return finding('warning', 'NOTHING_OFFERED', {
        sentence:
          `${habit.name || 'A habit'}: nothing that it watches is offered to its device, so ` +
          'it counts as playing nothing.',
        from: [`household.habits.${index}.device`, 'library.holdings'],
        fixes: ['Offer some of the titles to the device, or choose another device.'],
      })
    }),
    ...unknownClasses.map(index =>
      finding('warning', 'UNKNOWN_DEVICE_CLASS', {
        sentence:
          `${household.devices[index]!.name || `Device ${index + 1}`}: its class ` +
          `"${household.devices[index]!.class}" is not in the catalogue, so a television of ` +
          'about 2020 is assumed.',
        from: [`household.devices.${index}.class`],
        fixes: ['Choose another class.'],
      }),
    ),
  ]
}
