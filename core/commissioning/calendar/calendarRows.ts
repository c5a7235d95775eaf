import type { Recurrence } from '../../formats/iCalendar'
import type { RegisterEntry } from '../../plan/driveRegister'
import type { Plan } from '../../plan/planSchema'
import type { ConditionId } from '../setup'
import type { WeekMoment } from './quietHours'

/** What the calendar of a plan is made from. */
export interface CalendarContext {
  readonly plan: Plan
  readonly is: ReadonlySet<ConditionId>
  /** data drives, and how long the long self-test of one takes, hours */
  readonly drives: number
  readonly testHours: number
  /** the pool mends what it finds: redundancy, or blocks with checksums */
  readonly scrubs: boolean
  /** parity that a nightly run brings up to date */
  readonly isNightly: boolean
  readonly quiet: WeekMoment
  /** a yearly licence is paid */
  readonly paysYearly: boolean
}

/** One thing that a row asks for: of all, or of one of several. */
export interface CalendarTarget {
  readonly target: string
  readonly title: string
  /** the day itself, days since 1970-01-01, where it is no interval from sign-off */
  readonly on?: number
  /** its own interval, where it is not that of its row */
  readonly every?: Pick<Recurrence, 'every' | 'unit'>
}

/** One kind of entry. */
export interface CalendarRow {
  readonly code: string
  readonly label: string
  readonly why: string
  readonly usual: Pick<Recurrence, 'every' | 'unit'>
  /** minutes of it, or of its start where it runs by itself */
  readonly minutes: number
  /** keeps the drives busy for hours: no two of them share a night */
  readonly isHeavy?: true
  /** lies before the day that it is about, and rings on its own day */
  readonly isDeadline?: true
  readonly targets: (context: CalendarContext) => readonly CalendarTarget[]
}

const all = (title: string, is = true): readonly CalendarTarget[] =>
  is ? [{ target: 'all', title }] : []

/** Days before the last day of return, and before the end of a warranty or a licence. */
export const returnLeadDays = 3
export const endLeadDays = 30
/** Days that a purchase is ordered ahead of its month. */
export const orderLeadDays = 30

const named = ({ serial, bay }: RegisterEntry) =>
  [`drive ${serial || 'without a serial'}`, ...(bay ? [`in bay ${bay}`] : [])].join(' ')

function deadlines(
  { plan }: CalendarContext,
  dayOf: (entry: RegisterEntry) => number | null,
  { lead, title }: { readonly lead: number; readonly title: (name: string) => string },
): CalendarTarget[] {
  return plan.drives.register.flatMap((entry, at) => {
    const day = dayOf(entry)
    return day === null
      ? []
      : [{ target: `drive-${at + 1}`, title: title(named(entry)), on: day - lead }]
  })
}

/** All rows of the calendar, in the order in which they are told. */
export function calendarRows(dayOf: (text: string) => number | null): readonly CalendarRow[] {
  return [
    {
      code: 'scrub',
      label: 'Scrub',
      why: 'It finds weak sectors while they can still be mended.',
      usual: { every: 1, unit: 'month' },
      minutes: 30,
      isHeavy: true,
      targets: ({ scrubs, isNightly }) => [
        ...(scrubs
          ? [
              {
                target: 'all',
                title: 'Scrub of the pool',
                // The nightly run reads what has changed; the rest is read four times a year.
                ...(isNightly ? { every: { every: 3, unit: 'month' as const } } : {}),
              },
            ]
          : []),
      ],
    },
    {
      code: 'testShort',
      label: 'Short self-tests',
      why: 'A drive that fails a test has often weeks left.',
      usual: { every: 1, unit: 'week' },
      minutes: 10,
      targets: ({ drives }) => all('Short self-test of all drives', drives > 0),
    },
    {
      code: 'testLong',
      label: 'Long self-tests',
      why: 'A drive that fails a test has often weeks left. One drive a night.',
      usual: { every: 1, unit: 'month' },
      minutes: 30,
      isHeavy: true,
      targets: ({ plan, drives }) =>
        Array.from({ length: drives }, (_, at) => {
          const entry = plan.drives.register[at]
          const name = entry?.serial ? named(entry) : `drive ${at + 1}`
          return { target: `drive-${at + 1}`, title: `Long self-test of ${name}` }
        }),
    },
    {
      code: 'snapshots',
      label: 'Look at the snapshots',
      why: 'They run by themselves; look when the last one was.',
      usual: { every: 1, unit: 'month' },
      minutes: 5,
      targets: ({ plan }) => all('Is the last snapshot there?', plan.drives.snapshotMonths > 0),
    },
    {
      code: 'copies',
      label: 'Look at the copies',
      why: 'They run by themselves; look when the last one was.',
      usual: { every: 1, unit: 'month' },
      minutes: 5,
      targets: ({ is }) => all('Is the last copy there, whole?', is.has('copies')),
    },
    {
      code: 'restore',
      label: 'Restore tests',
      why: 'Only what was restored is a backup; this is the age of the newest proof.',
      usual: { every: 6, unit: 'month' },
      minutes: 45,
      targets: ({ plan: { drives }, is }) => {
        if (!is.has('copies')) return []
        const holds = [drives.secondBox, drives.offlineCopy, drives.awayCopy]
        return [
          ...(is.has('irreplaceable')
            ? [{ target: 'irreplaceable', title: 'Restore test of what is irreplaceable' }]
            : []),
          ...(holds.includes('everything')
            ? [
                {
                  target: 'rest',
                  title: 'Restore test of the rest',
                  every: { every: 1, unit: 'year' as const },
                },
              ]
            : []),
        ]
      },
    },
    {
      code: 'swapSets',
      label: 'Carry the copy away',
      why: 'The set away from home is as old as its last trip.',
      usual: { every: 30, unit: 'day' },
      minutes: 60,
      targets: ({ plan: { drives } }) =>
        drives.awayCopy !== 'nothing' && drives.awayBy === 'carried'
          ? [
              {
                target: 'all',
                title: 'Carry the copy away, and bring the other set home',
                every: { every: Math.max(1, Math.ceil(drives.awayEveryDays)), unit: 'day' },
              },
            ]
          : [],
    },
    {
      code: 'updates',
      label: 'Updates',
      why: 'By hand, in quiet hours, after a look at the copies.',
      usual: { every: 1, unit: 'month' },
      minutes: 60,
      targets: () => all('Updates, after a look at the copies'),
    },
    {
      code: 'settings',
      label: 'Settings off the machine',
      why: 'The system is back in an hour, its settings are not. After each change as well.',
      usual: { every: 3, unit: 'month' },
      minutes: 15,
      targets: () => all('Export the settings to a place off the machine'),
    },
    {
      code: 'upsTest',
      label: 'Test of the UPS',
      why: 'Its capacity fades unseen.',
      usual: { every: 6, unit: 'month' },
      minutes: 20,
      targets: ({ is }) => all('Test of the UPS, at its wall socket', is.has('ups')),
    },
    {
      code: 'battery',
      label: 'Battery of the UPS',
      why: 'Lead lasts about four years, lithium eight.',
      usual: { every: 4, unit: 'year' },
      minutes: 30,
      targets: ({ is }) => all('New battery for the UPS', is.has('ups')),
    },
    {
      code: 'dust',
      label: 'Dust',
      why: 'Filters and fans; write down the temperatures before and after.',
      usual: { every: 6, unit: 'month' },
      minutes: 30,
      targets: ({ plan: { brief } }) => [
        {
          target: 'all',
          title: 'Clean filters and fans',
          ...(brief.dusty ? { every: { every: 2, unit: 'month' as const } } : {}),
        },
      ],
    },
    {
      code: 'accounts',
      label: 'Accounts',
      why: 'Who left, old devices, keys of the tunnel.',
      usual: { every: 1, unit: 'year' },
      minutes: 30,
      targets: () => all('Who still has an account, a device, a key?'),
    },
    {
      code: 'return',
      label: 'Last days of return',
      why: 'Every drive is tested while the shop still takes it back.',
      usual: { every: 1, unit: 'day' },
      minutes: 15,
      isDeadline: true,
      targets: context =>
        deadlines(context, ({ lastReturn }) => dayOf(lastReturn), {
          lead: returnLeadDays,
          title: name =>
            `${name[0]!.toUpperCase()}${name.slice(1)} can be given back for ${returnLeadDays} more days`,
        }),
    },
    {
      code: 'warranty',
      label: 'Ends of warranty',
      why: 'Before it ends, a long self-test.',
      usual: { every: 1, unit: 'day' },
      minutes: 15,
      isDeadline: true,
      targets: context =>
        deadlines(context, ({ warrantyUntil }) => dayOf(warrantyUntil), {
          lead: endLeadDays,
          title: name => `The warranty of ${name} ends in ${endLeadDays} days: long self-test`,
        }),
    },
    {
      code: 'licence',
      label: 'Licence',
      why: 'Some start no pool without it.',
      usual: { every: 1, unit: 'year' },
      minutes: 15,
      targets: ({ paysYearly }) => all('The licence of the system ends soon', paysYearly),
    },
    {
      code: 'purchase',
      label: 'Planned purchases',
      why: 'Order before the room is short.',
      usual: { every: 1, unit: 'day' },
      minutes: 15,
      isDeadline: true,
      // The days follow from sign-off: see calendarEntries.
      targets: ({ plan: { drives } }) =>
        drives.purchases.map(({ count, sizeTB }, at) => ({
          target: `purchase-${at + 1}`,
          title: `Order ${count} ${count === 1 ? 'drive' : 'drives'} of ${sizeTB} TB`,
        })),
    },
    {
      code: 'spare',
      label: 'Spare',
      why: 'Does it still start?',
      usual: { every: 1, unit: 'year' },
      minutes: 20,
      targets: ({ is }) => [
        ...all('Start the spare drive once', is.has('survives')),
        ...(is.has('stick') ? [{ target: 'stick', title: 'Start from the spare stick once' }] : []),
      ],
    },
    {
      code: 'drill',
      label: 'Drill',
      why: 'With the family: a failed drive, found by its serial.',
      usual: { every: 1, unit: 'year' },
      minutes: 30,
      targets: ({ is }) => all('Drill: a drive has failed', is.has('survives')),
    },
    {
      code: 'log',
      label: 'Log',
      why: 'Used space, watts of the month, lessons.',
      usual: { every: 1, unit: 'month' },
      minutes: 5,
      targets: () => all('Five minutes for the log'),
    },
  ]
}
