import type { Format } from '../../units/format'
import { limits, type Signal, type SignalId } from './signals'
import type { DriveHealth, DriveVerdict } from './verdict'

/** What people read of a verdict. */
export const verdictWords: Readonly<Record<DriveVerdict, string>> = {
  keep: 'Keep',
  watch: 'Watch',
  replace: 'Replace',
}

type Say = (signal: Signal, format: Format) => string
const counted = (
  count: number,
  [one, many]: readonly [one: string, many: string],
  { number: n }: Format,
) => `${n(count)} ${count === 1 ? one : many}`
const grewBy = ({ grown }: Signal, { number: n }: Format) =>
  grown !== null && grown > 0 ? `, ${n(grown)} more than before` : ''

const says: Readonly<Record<SignalId, Say>> = {
  ownVerdict: () => 'The drive says of itself that it is failing.',
  threshold: ({ value }, { number: n }) =>
    `Attribute ${n(value)} is at the threshold that its maker set.`,
  wasAtThreshold: ({ value }, { number: n }) =>
    `Attribute ${n(value)} was once at the threshold that its maker set.`,
  selfTest: () => 'Its last self-test failed.',
  noSelfTest: ({ value }, { hours }) => `Its last long self-test was ${hours(value)} of use ago.`,
  pending: (signal, format) =>
    `${counted(signal.value, ['sector waits', 'sectors wait'], format)} to be written anew` +
    `${grewBy(signal, format)}.`,
  offline: (signal, format) =>
    `${counted(signal.value, ['sector', 'sectors'], format)} could not be read by its own test` +
    `${grewBy(signal, format)}.`,
  reallocated: (signal, format) =>
    `${counted(signal.value, ['sector was', 'sectors were'], format)} moved to spare places` +
    `${grewBy(signal, format)}.`,
  uncorrectable: (signal, format) =>
    `It reported ${counted(signal.value, ['error', 'errors'], format)} that it could not correct` +
    `${grewBy(signal, format)}.`,
  endToEnd: (signal, format) =>
    `${counted(signal.value, ['error', 'errors'], format)} between its cache and its link.`,
  spinRetries: (signal, format) =>
    `It needed ${counted(signal.value, ['more try', 'more tries'], format)} to start turning` +
    `${grewBy(signal, format)}.`,
  crc: (signal, format) =>
    `${counted(signal.grown ?? 0, ['more error', 'more errors'], format)} on the way to it: ` +
    'change its lead, not the drive.',
  timeouts: (signal, format) =>
    `${counted(signal.grown ?? 0, ['more command', 'more commands'], format)} timed out: look at ` +
    'its lead and its power.',
  slowLink: () => 'Its link runs slower than both ends could: look at its lead and its port.',
  mediaErrors: (signal, format) =>
    `${counted(signal.value, ['error', 'errors'], format)} in its memory${grewBy(signal, format)}.`,
  spare: ({ value }, { number: n }) => `${n(value)} % of its spare blocks are left.`,
  degraded: () => 'It says that it can be relied on less.',
  readOnly: () => 'It only reads any more.',
  hotWarning: () => 'It says that it is too warm.',
  cacheBackup: () => 'What keeps its cache through an outage has failed.',
  wear: ({ value }, { number: n }) => `${n(value)} % of what it is made to write is written.`,
  warm: ({ value }, { number: n }) =>
    `It is ${n(value)} °C warm; from ${n(limits.warmC)} °C on drives fail more often.`,
  hours: ({ value }, { number: n }) =>
    `It has run for ${n(value)} hours: it is in its ` +
    `${value >= limits.seventhYearHours ? 'seventh year or later' : 'fifth or sixth year'}.`,
  loadCycles: ({ value }, { number: n }) =>
    `Its heads were parked ${n(value)} times, half of what is usual in a life.`,
}

/** A reason in a whole sentence. */
export const signalSentence = (signal: Signal, format: Format): string =>
  says[signal.id](signal, format)

/** The next step on a drive, in a sentence. */
export function nextStep(
  { verdict, changeLead, tooHot }: Pick<DriveHealth, 'verdict' | 'changeLead' | 'tooHot'>,
  { hasWarranty, hasCopy }: { readonly hasWarranty: boolean; readonly hasCopy: boolean },
): string {
  if (tooHot) return 'Cool it today: it is at its limit.'
  if (verdict === 'replace')
    return (
      `${hasCopy ? '' : 'Copy what cannot be replaced first. '}` +
      `${hasWarranty ? 'Claim it by its serial' : 'Order a drive at least as large'}, and rehearse the exchange.`
    )
  if (changeLead) return 'Change its lead, and look again in a month.'
  return verdict === 'watch'
    ? 'Look again in a month, and have a drive ready that could take its place.'
    : 'Nothing to do. Half of all drives that fail show nothing before: keep is no promise.'
}
