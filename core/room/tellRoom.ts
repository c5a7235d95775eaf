import { agreeing, counted as countedOf, theYears } from '../units/counted'
import type { Telling } from '../domain'
import { purchaseText } from '../drives/growth/purchaseText'
import { layoutLabel, refusalText } from '../drives/refusalText'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import { workedOut, type Input } from '../expressions/expression'
import { arrangedBy, traitInputs } from '../expressions/inputs/driveInputs'
import { exactly, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import { headrooms } from '../headrooms'
import type { JudgedFacts } from '../machine/fit/fitFacts'
import { fitRules } from '../machine/fit/fitRules'
import type { Format } from '../units/format'
import { monthsPerYear } from '../units/time'
import { headroomShare, type Verdict } from '../verdict'
import type { NotCounted, PlannedStep } from './plannedCourse'
import type { RoomFacts, RoomSlice } from './roomFacts'
import { spaceState } from './spaceState'

/** How long the room lasts, in words. */
export function tellRoom(
  { room }: { readonly room: RoomFacts | null },
  slice: RoomSlice,
  format: Format,
): Telling {
  if (!room) {
    const { refusal, layoutId } = slice
    const why = refusal ? refusalText(refusal, layoutId, format) : 'No drives are chosen yet.'
    return {
      figures: () => [
        absentFigure(why, {
          ...full,
          inputs: arrangedBy(slice),
          formula: 'needs a layout that these drives can make',
        }),
      ],
      verdicts: [
        {
          ...common(slice),
          possible: null,
          share: null,
          state: refusal ? 'impossible' : 'unknown',
          sentence: refusal ? why : 'Add drives to see this.',
          figures: [
            'library.contentAtHorizonTB',
            'drives.usableNeededTB',
            'drives.roomTB',
            'drives.monthFull',
          ],
        },
      ],
      findings: [],
    }
  }
  return {
    figures: () => [monthFullFigure(room, slice, format)],
    verdicts: [spaceVerdict(room, slice, format)],
    findings: room.planned.flatMap(step => notCountedFinding(step, slice, format)),
  }
}

const common = ({ contentAtHorizonTB }: RoomSlice) => ({
  id: 'space',
  label: headrooms.space.label,
  domain: 'drives',
  unit: 'TB',
  asked: contentAtHorizonTB,
})

function yearsText(months: number, { number: n }: Format): string {
  return months < 24 ? countedOf(months, 'month') : `${n(months / monthsPerYear, 2)} years`
}

function spaceVerdict(
  { roomTB, roomByMonthTB, monthFull, largest, left, planned }: RoomFacts,
  slice: RoomSlice,
  format: Format,
): Verdict {
  const { number: n } = format
  const { horizonYears, contentTB } = slice
  const asked = largest.contentTB
  const possible = exactly(largest.roomTB)
  const out = planned.reduce((sum, { purchase, counted }) => sum + purchase.count - counted, 0)
  const counted =
    planned.length === 0
      ? ''
      : out === 0
        ? ' This counts the purchases planned under Growing.'
        : ` This counts the purchases planned under Growing, without ${out === 1 ? '1 drive that has' : `${n(out)} drives that have`} no place in the machine or in its layout.`
  return {
    ...common(slice),
    asked,
    possible,
    share: headroomShare(asked, possible),
    figures: ['library.contentAtHorizonTB', 'drives.roomTB', 'drives.monthFull'],
    ...said(),
  }

  function said(): Pick<Verdict, 'state' | 'sentence'> {
    const state = spaceState({ monthFull, left }, slice)
    const { likely, soonest } = monthFull
    const inMonth = (month: number) => `in month ${month} (${yearsText(month, format)})`
    switch (state) {
      case 'unknown':
        return {
          state,
          sentence: 'Nothing is kept yet: enter the library to see how long the space lasts.',
        }
      case 'impossible':
        return {
          state,
          sentence:
            `Today's library of ${n(contentTB.likely, 3)} TB does not fit into ` +
            `${n(roomByMonthTB?.[0] ?? roomTB, 3)} TB of room.`,
        }
      case 'short':
        return {
          state,
          sentence:
            `Full ${inMonth(likely!)}, before ${theYears(horizonYears)} ${agreeing(horizonYears, 'is', 'are')} over.` +
            counted,
        }
      default:
        return {
          state,
          sentence:
            (soonest !== null && soonest <= horizonYears * monthsPerYear
              ? `Lasts ${theYears(horizonYears)} at the likely growth; with fast growth it is ` +
                `full ${inMonth(soonest)}.`
              : likely === null
                ? `Room for more than ${countedOf(horizonYears, 'year')}, and not full within fifteen.`
                : `Room for ${countedOf(horizonYears, 'year')} and more: full ${inMonth(likely)}.`) +
            counted,
        }
    }
  }
}

const ruleOf = ({ id }: JudgedFacts) => fitRules.find(rule => rule.id === id)!

/** What keeps planned drives out, in a sentence. */
function whyText(why: NotCounted, { layoutId }: RoomSlice, format: Format): string {
  switch (why.by) {
    case 'machine':
      return ruleOf(why.rule).say(why.rule.values, format, why.rule.state)
    case 'layout':
      return refusalText(why.refusal, layoutId, format)
    case 'growth':
      return (
        `${layoutLabel(layoutId)} takes no single drives as it is set: it grows by a whole new ` +
        'group, or by larger drives in place of all smaller ones.'
      )
    case 'size':
      return (
        'They are smaller than the others, and the layout would use no more than their size of ' +
        'each drive.'
      )
  }
}

/** What mends it. */
function mends(why: NotCounted): string {
  switch (why.by) {
    case 'machine':
      return ruleOf(why.rule).otherwise
    case 'growth':
      return 'Plan it as a new group, or say under Growing that its groups can be expanded.'
    case 'layout':
      return 'Plan another number or another size of drives, or choose another layout.'
    case 'size':
      return 'Plan drives at least as large as the smallest that is there.'
  }
}

function notCountedFinding(
  { purchase, counted, why }: PlannedStep,
  slice: RoomSlice,
  format: Format,
): Finding[] {
  if (!why) return []
  const { count } = purchase
  const counts =
    counted > 0
      ? `${counted === 1 ? 'one counts' : `${counted} count`}`
      : count === 1
        ? 'it does not count'
        : 'none of them counts'
  return [
    finding('warning', 'PLANNED_DRIVE_OUT', {
      sentence:
        `Planned, ${purchaseText(purchase, format)}: ${counts}. ` + whyText(why, slice, format),
      from: ['drives.purchases', 'drives.monthFull'],
      fixes: [mends(why)],
    }),
  ]
}

const full = {
  id: 'drives.monthFull',
  label: 'Full in',
  unit: 'month',
  source: 'First month whose library exceeds the room; 0 is today.',
} as const

/** What decides whether planned drives have a place. */
const plannedInputs: readonly Input[] = [
  'drives.expandsParity',
  ...traitInputs,
  { figure: 'machine.freeBays' },
  { figure: 'machine.freePorts' },
  { figure: 'machine.startSurgeW' },
  { figure: 'machine.runningW' },
]

function monthFullFigure(
  { roomTB, roomByMonthTB, monthFull: { likely, soonest, latest } }: RoomFacts,
  { forecast, isAutomatic, planned }: RoomSlice,
  format: Format,
): Figure {
  const { number: n } = format
  const { months } = forecast
  const last = months.length - 1
  const years = last / monthsPerYear
  const roomIn = (month: number) => roomByMonthTB?.[month] ?? roomTB
  const inputs: readonly Input[] = [
    { figure: 'drives.roomTB' },
    'drives.purchases',
    ...(planned ? plannedInputs : []),
    ...arrangedBy({ isAutomatic }),
    { figure: 'library.contentTB' },
    { figure: 'library.growthTBPerMonth' },
    'library.additionsChangePerYear',
    'library.events',
    'library.startsOn',
  ]
  if (likely === null)
    return absentFigure(
      soonest === null
        ? `Not within ${years} years, even with fast growth.`
        : `Not within ${years} years at the likely growth; with fast growth in month ${soonest}.`,
      { ...full, inputs, formula: `the library stays below ${n(roomIn(last))} TB` },
    )
  const says =
    likely === 0
      ? `${n(months[0]!.likely)} TB today > ${n(roomIn(0))} TB`
      : `month ${likely}: ${n(months[likely]!.likely)} TB > ${n(roomIn(likely))} TB; ` +
        `month ${likely - 1}: ${n(months[likely - 1]!.likely)} TB`
  return declareFigure(
    () =>
      workedOut({ low: soonest ?? likely, likely, high: latest ?? last }, 'month', {
        inputs,
        says,
      }),
    {
      ...full,
      ...(latest === null ? { note: `With slow growth not within ${years} years.` } : {}),
    },
    format,
  )
}
