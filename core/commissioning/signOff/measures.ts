import type { Planned, PlannedBand } from './planned'

/** What is measured at sign-off. */
export const measureIds = [
  'idleW',
  'asleepW',
  'convertingW',
  'peakW',
  'driveC',
  'processorC',
  'conversions',
  'networkMbps',
  'diskMBps',
  'copyMBps',
  'uploadMbps',
  'noiseDb',
  'backMin',
  'usableTB',
] as const
export type MeasureId = (typeof measureIds)[number]

/** How a measurement stands to the plan. */
export type Judged = 'inOrder' | 'note' | 'otherwise'

/** What is in order, and what still is but for a note; open ends are null. */
export interface Tolerance {
  readonly from: number | null
  readonly to: number | null
  readonly noteFrom: number | null
  readonly noteTo: number | null
  /** what the plan says itself; null where a limit alone counts */
  readonly planned: number | null
}

export interface Measure {
  readonly id: MeasureId
  readonly label: string
  readonly unit: string
  readonly how: string
  /** step of the run-book in which it is measured */
  readonly step: string
  /** what to do where it is otherwise: a fault tree, a step, or a sentence */
  readonly otherwise: { readonly tree?: string; readonly step?: string; readonly says: string }
  /** null where the plan says nothing of it, so that it is not measured */
  readonly tolerance: (planned: Planned) => Tolerance | null
}

/** The hottest that drives and processor may get, and over the plan, °C. */
export const hottestDriveC = 45
export const overPlannedC = 5
export const hottestProcessorC = 85
/** Of link, pool and copy at least this share; of the upload that. */
export const leastOfRate = 0.8
export const leastOfUpload = 0.9
/** Minutes in which services are back after an outage. */
export const backWithinMin = 15
/** Usable space may differ by this share. */
export const usableWithin = 0.01
/** What is out of the plan's range by no more than the range itself is a note. */
export const noteTimes = 2

const atMost = (to: number, planned: number | null = null): Tolerance => ({
  from: null,
  to,
  noteFrom: null,
  noteTo: to,
  planned,
})
const atLeast = (from: number, planned: number | null = null): Tolerance => ({
  from,
  to: null,
  noteFrom: from,
  noteTo: null,
  planned,
})
/** Within the range of the plan; out to twice its distance a note. A meter shows whole watts. */
const withinBand = (band: PlannedBand | null): Tolerance | null => {
  if (!band) return null
  const below = Math.max(1, band.likely - band.low)
  const above = Math.max(1, band.high - band.likely)
  return {
    from: band.likely - below,
    to: band.likely + above,
    noteFrom: band.likely - noteTimes * below,
    noteTo: band.likely + noteTimes * above,
    planned: band.likely,
  }
}
const least = (planned: number | null, share: number): Tolerance | null =>
  planned === null ? null : atLeast(share * planned, planned)

const calibrate = {
  step: 'sign.watts',
  says: 'Look for drives that do not sleep; otherwise the measurement replaces the estimate.',
}
const slow = { tree: 'T8', says: 'Find out where it is held up.' }

export const measures: readonly Measure[] = [
  {
    id: 'idleW',
    label: 'Idle',
    unit: 'W',
    how: 'At the wall: half an hour quiet, then the average of ten minutes.',
    step: 'sign.watts',
    otherwise: calibrate,
    tolerance: ({ idleW }) => withinBand(idleW),
  },
  {
    id: 'asleepW',
    label: 'Asleep',
    unit: 'W',
    how: 'At the wall, after the drives have stopped.',
    step: 'sign.watts',
    otherwise: calibrate,
    tolerance: ({ asleepW }) => withinBand(asleepW),
  },
  {
    id: 'convertingW',
    label: 'Converting',
    unit: 'W',
    how: 'At the wall, at the planned peak.',
    step: 'sign.watts',
    otherwise: calibrate,
    tolerance: ({ convertingW }) => withinBand(convertingW),
  },
  {
    id: 'peakW',
    label: 'Peak at the start',
    unit: 'W',
    how: 'The highest reading. A meter that reads once a second shows less than the real peak.',
    step: 'assembly.start',
    otherwise: { step: 'assembly.leads', says: 'Let the drives start in groups.' },
    tolerance: ({ peakW }) => (peakW === null ? null : atMost(peakW, peakW)),
  },
  {
    id: 'driveC',
    label: 'Warmest drive',
    unit: '°C',
    how: 'After an hour of converting; write down the room beside it.',
    step: 'sign.watts',
    otherwise: { tree: 'T14', says: 'Find out why it is warm.' },
    tolerance: ({ driveC }) =>
      driveC === null ? null : atMost(Math.min(hottestDriveC, driveC + overPlannedC), driveC),
  },
  {
    id: 'processorC',
    label: 'Processor',
    unit: '°C',
    how: 'After an hour of converting.',
    step: 'sign.load',
    otherwise: { tree: 'T14', says: 'Find out why it is warm.' },
    tolerance: ({ conversions }) => (conversions ? atMost(hottestProcessorC) : null),
  },
  {
    id: 'conversions',
    label: 'Conversions at once',
    unit: '',
    how: 'As many as ran three minutes each; with one more, one stuttered.',
    step: 'sign.load',
    otherwise: { tree: 'T9', says: 'Look what is busy; otherwise the measurement replaces it.' },
    tolerance: ({ conversions }) =>
      conversions === null
        ? null
        : {
            from: Math.max(conversions.needed, conversions.possible.low),
            to: conversions.possible.high,
            noteFrom: conversions.needed,
            noteTo: null,
            planned: conversions.possible.likely,
          },
  },
  {
    id: 'networkMbps',
    label: 'Network alone',
    unit: 'Mb/s',
    how: 'As in the step that measures the speeds: three readings in a busy hour, the middle one.',
    step: 'fill.speed',
    otherwise: slow,
    tolerance: ({ linkMbps }) => least(linkMbps, leastOfRate),
  },
  {
    id: 'diskMBps',
    label: 'Pool alone',
    unit: 'MB/s',
    how: 'A large file on the machine itself.',
    step: 'fill.speed',
    otherwise: slow,
    tolerance: ({ diskMBps }) => least(diskMBps, leastOfRate),
  },
  {
    id: 'copyMBps',
    label: 'Copy of large files',
    unit: 'MB/s',
    how: 'Twenty GB in large files over the home network.',
    step: 'fill.speed',
    otherwise: slow,
    tolerance: ({ copyMBps }) => least(copyMBps, leastOfRate),
  },
  {
    id: 'uploadMbps',
    label: 'Upload',
    unit: 'Mb/s',
    how: 'By cable, three readings in a busy hour, the middle one.',
    step: 'before.line',
    otherwise: { says: 'Correct the upload in the plan, under Network.' },
    tolerance: ({ uploadMbps }) => least(uploadMbps, leastOfUpload),
  },
  {
    id: 'noiseDb',
    label: 'Noise at the ear',
    unit: 'dB(A)',
    how: 'Listen at night. The meter of a phone may be off by 5 dB.',
    step: 'sign.load',
    otherwise: { tree: 'T14', says: 'Find out what is loud.' },
    tolerance: ({ noiseDb }) => (noiseDb === null ? null : atMost(noiseDb)),
  },
  {
    id: 'backMin',
    label: 'Back after an outage',
    unit: 'min',
    how: 'Mains off for a minute, then on: until services answer.',
    step: 'sign.outage',
    otherwise: { step: 'system.firmware', says: 'Look at what it does after an outage.' },
    tolerance: () => atMost(backWithinMin),
  },
  {
    id: 'usableTB',
    label: 'Usable space',
    unit: 'TB',
    how: 'As the system shows it; 1 TiB is 1.0995 TB.',
    step: 'pool.make',
    otherwise: { step: 'pool.make', says: 'Count members and sizes again.' },
    tolerance: ({ usableTB }) =>
      usableTB === null || usableTB <= 0
        ? null
        : {
            from: (1 - usableWithin) * usableTB,
            to: (1 + usableWithin) * usableTB,
            noteFrom: (1 - usableWithin) * usableTB,
            noteTo: (1 + usableWithin) * usableTB,
            planned: usableTB,
          },
  },
]

/** Sums of rounded numbers do not fall out of a range that they lie on the edge of. */
const slack = 1e-9

/** How a measurement stands to what is in order. */
export function judge(value: number, { from, to, noteFrom, noteTo }: Tolerance): Judged {
  const above = (edge: number | null) => edge === null || value >= edge - slack
  const below = (edge: number | null) => edge === null || value <= edge + slack
  if (above(from) && below(to)) return 'inOrder'
  return above(noteFrom) && below(noteTo) ? 'note' : 'otherwise'
}

export interface SignOffRow {
  readonly measure: Measure
  readonly tolerance: Tolerance
  /** null while it was not measured */
  readonly value: number | null
  readonly judged: Judged | null
}

/** What is to be measured by a plan, held against what was. */
export function signOffRows(
  planned: Planned,
  measured: readonly { readonly id: string; readonly value: number | null }[],
): SignOffRow[] {
  const values = new Map(measured.map(({ id, value }) => [id, value]))
  return measures.flatMap(measure => {
    const tolerance = measure.tolerance(planned)
    if (!tolerance) return []
    const value = values.get(measure.id) ?? null
    return [{ measure, tolerance, value, judged: value === null ? null : judge(value, tolerance) }]
  })
}
