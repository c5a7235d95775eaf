import type { Format } from '../units/format'
import type { Alert, AlertId } from './drift'

interface Words {
  readonly sentence: string
  /** what to do, in a sentence */
  readonly next: string
  /** view and section to go to; or a fault tree */
  readonly to: { readonly view: string; readonly section?: string }
}

type Say = (values: Readonly<Record<string, number>>, of: string, format: Format) => Words
const value = (values: Readonly<Record<string, number>>, key: string) => values[key] ?? 0

const says: Readonly<Record<AlertId, Say>> = {
  spaceFull: (values, _, { quantity }) => ({
    sentence: `${quantity(value(values, 'usedTB'), 'TB')} are used; the fill limit is ${quantity(value(values, 'roomTB'), 'TB')}.`,
    next: 'Add a drive, or remove what nobody misses.',
    to: { view: 'drives', section: 'growing' },
  }),
  fullSoon: (values, _, { quantity }) => ({
    sentence:
      value(values, 'months') < 1
        ? 'It is full in less than a month.'
        : `It is full in about ${quantity(Math.round(value(values, 'months')), 'months')}.`,
    next: 'Order a drive now: choosing, testing and building it in takes its time.',
    to: { view: 'drives', section: 'growing' },
  }),
  spaceOutside: (values, _, { quantity }) => ({
    sentence: `${quantity(value(values, 'usedTB'), 'TB')} are used, outside the ${quantity(value(values, 'low'), 'TB')} to ${quantity(value(values, 'high'), 'TB')} that were forecast.`,
    next: 'Look at what came in; enter the additions of the library anew.',
    to: { view: 'library', section: 'holdings' },
  }),
  falls: (values, _, { number: n }) => ({
    sentence: `Less is used than before, ${n(value(values, 'falls'))} readings in a row.`,
    next: 'Enter the additions of the library anew.',
    to: { view: 'library', section: 'holdings' },
  }),
  idleW: (values, _, { quantity }) => ({
    sentence: `Idle it takes ${quantity(value(values, 'watts'), 'W')}, above the ${quantity(value(values, 'high'), 'W')} at the high end.`,
    next: 'Look for drives that do not sleep; otherwise let the measurement stand.',
    to: { view: 'logbook', section: 'calibration' },
  }),
  energy: (values, _, { quantity, number: n }) => ({
    sentence: `It takes ${quantity(value(values, 'kWh'), 'kWh')} a month, ${n(100 * (value(values, 'kWh') / Math.max(1e-9, value(values, 'planned')) - 1), 2)} % more than planned.`,
    next: 'Measure it idle for ten minutes, and look what runs.',
    to: { view: 'machine', section: 'power' },
  }),
  conversions: (values, _, { number: n }) => ({
    sentence: `${n(value(values, 'most'))} conversions ran at once; the plan expects no more than ${n(value(values, 'level95'))} in 95 weeks of 100.`,
    next: 'Ask who watched on what; enter the habit.',
    to: { view: 'household' },
  }),
  minutesShort: (values, _, { number: n }) => ({
    sentence: `It fell behind for ${n(value(values, 'minutes'), 3)} minutes in a month; ${n(value(values, 'accepted'), 3)} are accepted.`,
    next: 'Look at what helps, under Streams.',
    to: { view: 'streams' },
  }),
  driveWarm: (values, of, { number: n }) => ({
    sentence: `Drive ${of} is ${n(value(values, 'celsius'))} °C warm.`,
    next: 'Find out why it is warm: dust, a fan that stands, a closed door.',
    to: { view: 'commissioning', section: 'faults' },
  }),
  processorWarm: (values, _, { number: n }) => ({
    sentence: `The processor is ${n(value(values, 'celsius'))} °C warm.`,
    next: 'Find out why it is warm.',
    to: { view: 'commissioning', section: 'faults' },
  }),
  slow: (values, of, { number: n }) => ({
    sentence: `${of}: the last reading is ${n(100 * value(values, 'share'), 2)} % of what is believed.`,
    next: 'Find out where it is held up.',
    to: { view: 'commissioning', section: 'faults' },
  }),
  copyFailed: (values, of, { number: n }) => ({
    sentence: `${of || 'A copy job'} failed${value(values, 'times') > 1 ? `, ${n(value(values, 'times'))} times in a row` : ''}.`,
    next: 'Read its last message, and run it by hand.',
    to: { view: 'commissioning', section: 'fill' },
  }),
  copyLate: (values, _, { number: n }) => ({
    sentence: `A copy was last read back ${n(value(values, 'days'))} days ago; the plan has it every ${n(value(values, 'everyDays'))}.`,
    next: 'Read something back, and write down that it worked.',
    to: { view: 'commissioning', section: 'fill' },
  }),
  neverReadBack: () => ({
    sentence: 'No copy was ever read back.',
    next: 'Read something back: a copy that was never read is a hope.',
    to: { view: 'commissioning', section: 'fill' },
  }),
  upsBattery: () => ({
    sentence: 'The battery of the UPS failed its test.',
    next: 'Order a battery; until then an outage stops everything at once.',
    to: { view: 'machine', section: 'power' },
  }),
  upsMinutes: (values, _, { number: n }) => ({
    sentence: `The UPS has ${n(value(values, 'minutes'))} minutes left.`,
    next: 'Let the machine stop earlier, or exchange the battery.',
    to: { view: 'machine', section: 'power' },
  }),
  drive: (_, of) => ({
    sentence: `The reports of drive ${of} speak against it.`,
    next: 'See why in the register, and rehearse the exchange.',
    to: { view: 'logbook', section: 'drives' },
  }),
}

/** An alert in whole sentences. */
export function alertWords({ id, of, values }: Alert, format: Format): Words {
  return says[id](values, of, format)
}
