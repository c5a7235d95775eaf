import type { Figure } from '../figure'
import type { Plan } from '../plan/planSchema'
import { driveValuesSchema, type DriveValues } from './driveValues'
import { monthAfter } from '../units/time'
import { draft, type Entry, type EntryDraft } from './entry'
import { entryKinds } from './kinds'
import { marksOf } from './marksOf'

/** Drives of the demo as their reports tell them, month by month from June 2026 on. */
interface DemoDrive {
  readonly values: Partial<DriveValues> & Pick<DriveValues, 'serial'>
  readonly hours: number
  readonly reallocated: readonly number[]
  readonly pending: readonly number[]
  readonly celsius: readonly number[]
}
const drives: readonly DemoDrive[] = [
  {
    values: { serial: 'TMH-8A-2207', model: 'NAS drive, 8 TB', sizeTB: 8.0016, turns: true },
    hours: 20_410,
    reallocated: [0, 0, 0, 0, 0, 0],
    pending: [0, 0, 0, 0, 0, 0],
    celsius: [38, 41, 42, 39, 37, 35],
  },
  {
    values: { serial: 'TMH-8A-2291', model: 'NAS drive, 8 TB', sizeTB: 8.0016, turns: true },
    hours: 20_385,
    reallocated: [0, 0, 0, 0, 0, 0],
    pending: [0, 0, 0, 0, 0, 0],
    celsius: [39, 43, 44, 41, 38, 36],
  },
  {
    values: { serial: 'TMH-4B-0018', model: 'Desktop drive, 4 TB', sizeTB: 4.0008, turns: true },
    hours: 39_870,
    reallocated: [0, 0, 1, 1, 3, 9],
    pending: [0, 0, 0, 1, 0, 2],
    celsius: [40, 44, 46, 42, 39, 37],
  },
]
const reportDays = [
  '2026-06-07',
  '2026-07-05',
  '2026-08-02',
  '2026-09-06',
  '2026-10-04',
  '2026-11-08',
] as const

const driveReports = (): EntryDraft[] =>
  drives.flatMap(({ values, hours, reallocated, pending, celsius }) =>
    reportDays.map((day, month) =>
      draft('driveReport', {
        at: `${day}T03:10:00+01:00`,
        values: driveValuesSchema.parse({
          ...values,
          passed: true,
          hours: hours + month * 730,
          powerCycles: 212 + 3 * month,
          reallocated: reallocated[month],
          pending: pending[month],
          offline: 0,
          uncorrectable: 0,
          crc: 4,
          temperatureC: celsius[month],
          limitC: 60,
          selfTests: [{ length: 'long', end: 'passed', atHours: hours + month * 730 - 300 }],
        }),
      }),
    ),
  )

/** What a month brought: used space and what came once, energy, and what was paid for it. */
const months = [
  ['2026-06', 9.22, 0, 41.2, 13.1],
  ['2026-07', 9.4, 0, 40.1, 12.8],
  ['2026-08', 9.56, 0, 41.9, 13.4],
  ['2026-09', 10.2, 480, 43.7, 14],
  ['2026-10', 10.42, 0, 45.2, 14.5],
  ['2026-11', 10.61, 0, 46.8, 15],
] as const
const monthly = (): EntryDraft[] =>
  months.flatMap(([month, usedTB, onceGB, kWh, paid]) => [
    draft('space', { at: `${month}-28`, values: { usedTB, onceGB } }),
    draft('energy', {
      at: `${month}-28`,
      values: { from: `${monthAfter(month, -1)}-28`, to: `${month}-28`, kWh },
    }),
    draft('money', {
      at: `${month}-28`,
      values: { what: 'electricity', paid, for: 'The machine, by the meter' },
    }),
  ])

const single = (idleW: number): EntryDraft[] => [
  draft('watts', {
    at: '2026-09-13T10:30+02:00',
    values: { state: 'idle', watts: Math.round(1.08 * idleW), minutes: 30 },
  }),
  draft('watts', {
    at: '2026-11-14T10:05+01:00',
    values: { state: 'idle', watts: Math.round(1.06 * idleW), minutes: 30 },
    note: 'After the dust was blown out.',
  }),
  draft('conversion', {
    at: '2026-10-17T21:00+02:00',
    values: { on: 'software', codec: 'h264', lines: '1080', ran: 2, stuttered: 3 },
  }),
  draft('network', {
    at: '2026-10-17T19:30+02:00',
    values: { between: 'home', ranOn: 'other', upMbps: 908, seconds: 10 },
  }),
  draft('network', {
    at: '2026-10-18T20:40+02:00',
    values: {
      between: 'Lock cottage',
      ranOn: 'other',
      downMbps: 19.4,
      seconds: 10,
      busyHour: true,
    },
  }),
  draft('incident', {
    at: '2026-08-09T20:20+02:00',
    values: {
      what: 'stutter',
      until: '2026-08-09T21:05+02:00',
      minutesDown: 0,
      cause: 'Two films were converted at once while the nightly copy ran late.',
      lesson: 'The copy begins after midnight.',
    },
  }),
  draft('incident', {
    at: '2026-10-29T18:02+01:00',
    values: { what: 'power', until: '2026-10-29T18:31+01:00', minutesDown: 29, cause: 'Storm.' },
  }),
  draft('change', {
    at: '2026-09-12',
    values: { what: 'settings', from: 'Copy at 21:00', to: 'Copy at 01:00' },
  }),
  draft('copyRun', {
    at: '2026-11-22',
    values: { job: 'Pictures to the cottage', gb: 14, hours: 2.1, result: 'good' },
  }),
  draft('restore', {
    at: '2026-10-11',
    values: { from: 'The cottage', what: 'Pictures of 2019', gb: 3, minutes: 22, result: 'good' },
  }),
  draft('build', { at: '2026-11-15', values: { what: 'scrub', tb: 10.6, hours: 19, mended: 0 } }),
]

/** The log of the demo household: half a year of its old machine. */
export function demoLog(
  plan: Plan,
  {
    figures,
    domains,
  }: {
    readonly figures: Readonly<Record<string, Figure>>
    readonly domains: Parameters<typeof marksOf>[1]
  },
): Entry[] {
  const marks = marksOf(plan, domains)
  const drafts = [...driveReports(), ...monthly(), ...single(figures['machine.idleW']?.value ?? 40)]
  return drafts.map((own, at) => {
    const isReport = own.kind === 'driveReport'
    return {
      id: `demo-${at}`,
      kind: own.kind,
      at: own.at!,
      who: 'Maren',
      note: own.note ?? '',
      attachment: null,
      origin: {
        how: isReport ? 'imported' : 'entered',
        tool: isReport ? 'smartctl' : '',
        version: isReport ? '7.3' : '',
        sha256: '',
        place: '',
      },
      marks,
      corrects: '',
      leftOut: '',
      values: entryKinds[own.kind].values.parse(own.values),
    } as Entry
  })
}
