import type { DriveSelfTest, DriveValues, SelfTestEnd } from '../driveValues'
import { draft } from '../entry'
import { countAt, listAt, momentOf, numberAt, part, textAt, type Understood } from './understood'

/** Attributes of ATA drives by their ids. */
const attributeIds = {
  reallocated: 5,
  uncorrectable: 187,
  pending: 197,
  offline: 198,
  endToEnd: 184,
  spinRetries: 10,
  crc: 199,
  timeouts: 188,
  loadCycles: 193,
} as const
/** Normalised values of SSDs that count down from 100 as they wear, in this order. */
const wearIds = [177, 231, 233] as const

const tool = 'smartctl'
/** Bits of its exit status: nothing was read, and something was not. */
const nothingRead = 0b11
const partRead = 0b100

/** Whether a document was written by it. */
export const isSmartctl = (document: unknown): boolean =>
  part(document, 'smartctl') !== undefined && typeof part(document, 'smartctl') === 'object'

interface Attribute {
  readonly id: number
  readonly raw: number | null
  readonly value: number | null
  readonly whenFailed: string
}

function attributesOf(document: unknown): Attribute[] {
  return listAt(document, 'ata_smart_attributes', 'table').flatMap(entry => {
    const id = countAt(entry, 'id')
    return id === null || id > 255
      ? []
      : [
          {
            id,
            raw: countAt(entry, 'raw', 'value'),
            value: countAt(entry, 'value'),
            whenFailed: textAt(entry, 'when_failed'),
          },
        ]
  })
}

/** The upper four bits of a self-test's status say how it ended. */
function endOf(status: number | null, passed: unknown): SelfTestEnd | null {
  const how = status === null ? null : status >> 4
  if (how === 15) return 'running'
  if (how === 1 || how === 2) return 'interrupted'
  if (how !== null && how >= 3 && how <= 8) return 'failed'
  if (how === 0 || passed === true) return 'passed'
  return passed === false ? 'failed' : null
}

/** Hours in a log have 16 bits: they begin anew at 65 536. */
function wholeHours(logged: number | null, hours: number | null): number | null {
  if (logged === null) return null
  let at = logged
  while (hours !== null && at + 65_536 <= hours) at += 65_536
  return at
}

function ataSelfTests(document: unknown, hours: number | null): DriveSelfTest[] {
  const log = part(document, 'ata_smart_self_test_log')
  const table = listAt(log, 'extended', 'table')
  const tests = table.length > 0 ? table : listAt(log, 'standard', 'table')
  return tests.flatMap(entry => {
    const end = endOf(countAt(entry, 'status', 'value'), part(entry, 'status', 'passed'))
    const length = lengthOf(textAt(entry, 'type', 'string'))
    return end && length
      ? [{ length, end, atHours: wholeHours(countAt(entry, 'lifetime_hours'), hours) }]
      : []
  })
}

/** *Extended* is the long test. */
function lengthOf(words: string): DriveSelfTest['length'] | null {
  if (/extended|long/i.test(words)) return 'long'
  return /short/i.test(words) ? 'short' : null
}

function nvmeSelfTests(document: unknown): DriveSelfTest[] {
  return listAt(document, 'nvme_self_test_log', 'table').flatMap(entry => {
    const result = countAt(entry, 'self_test_result', 'value')
    const length = lengthOf(textAt(entry, 'self_test_code', 'string'))
    if (result === null || !length) return []
    const end: SelfTestEnd | null =
      result === 0
        ? 'passed'
        : result === 15
          ? 'running'
          : result >= 5 && result <= 7
            ? 'failed'
            : result <= 4 || result === 8 || result === 9
              ? 'interrupted'
              : null
    return end ? [{ length, end, atHours: countAt(entry, 'power_on_hours') }] : []
  })
}

/** Wear of an SSD in %: by the device statistics, else by what it has left of 100. */
function wearOf(document: unknown, attributes: readonly Attribute[]): number | null {
  const nvme = numberAt(document, 'nvme_smart_health_information_log', 'percentage_used')
  if (nvme !== null) return nvme
  for (const page of listAt(document, 'ata_device_statistics', 'pages')) {
    if (countAt(page, 'number') !== 7) continue
    for (const entry of listAt(page, 'table')) {
      const value = numberAt(entry, 'value')
      const isValid = part(entry, 'flags', 'valid') !== false
      if (/percentage used/i.test(textAt(entry, 'name')) && value !== null && isValid) return value
    }
  }
  const left = wearIds
    .map(id => attributes.find(attribute => attribute.id === id)?.value ?? null)
    .find(value => value !== null && value >= 1 && value <= 100)
  return left === undefined || left === null ? null : 100 - left
}

function linkSlow(document: unknown): boolean | null {
  const speed = (which: 'current' | 'max') =>
    numberAt(document, 'interface_speed', which, 'units_per_second')
  const [current, max] = [speed('current'), speed('max')]
  return current === null || max === null ? null : current < max
}

/** Bytes of a unit in which NVMe drives count what was written. */
const nvmeUnitBytes = 512_000

function valuesOf(document: unknown, serial: string): DriveValues {
  const attributes = attributesOf(document)
  const raw = (id: number) => attributes.find(attribute => attribute.id === id)?.raw ?? null
  const failed = (when: string) =>
    attributes.filter(({ whenFailed }) => whenFailed === when).map(({ id }) => id)
  const nvme = part(document, 'nvme_smart_health_information_log')
  const hours = countAt(document, 'power_on_time', 'hours')
  const bytes = numberAt(document, 'user_capacity', 'bytes')
  const passed = part(document, 'smart_status', 'passed')
  const rotation = numberAt(document, 'rotation_rate')
  const isFlash = rotation === 0 || nvme !== undefined
  const units = numberAt(nvme, 'data_units_written')
  const timeouts = raw(attributeIds.timeouts)
  const warning = countAt(nvme, 'critical_warning')
  return {
    serial,
    wwn: wwnOf(document),
    model: textAt(document, 'model_name'),
    sizeTB: bytes === null || bytes <= 0 ? null : bytes / 1e12,
    turns: rotation !== null && rotation > 0 ? true : isFlash ? false : null,
    passed: typeof passed === 'boolean' ? passed : null,
    atThreshold: failed('now'),
    wasAtThreshold: failed('past'),
    reallocated: raw(attributeIds.reallocated),
    uncorrectable: raw(attributeIds.uncorrectable),
    pending: raw(attributeIds.pending),
    offline: raw(attributeIds.offline),
    endToEnd: raw(attributeIds.endToEnd),
    spinRetries: raw(attributeIds.spinRetries),
    crc: raw(attributeIds.crc),
    // Three counters of 16 bits stand in it; the lowest counts what timed out.
    timeouts: timeouts === null ? null : timeouts % 65_536,
    loadCycles: raw(attributeIds.loadCycles),
    mediaErrors: countAt(nvme, 'media_errors'),
    sparePercent: numberAt(nvme, 'available_spare'),
    spareThreshold: numberAt(nvme, 'available_spare_threshold'),
    criticalWarning: warning === null || warning > 255 ? null : warning,
    wearPercent: isFlash || rotation === null ? wearOf(document, attributes) : null,
    temperatureC: numberAt(document, 'temperature', 'current'),
    limitC: numberAt(document, 'temperature', 'op_limit_max'),
    hours,
    powerCycles: countAt(document, 'power_cycle_count'),
    errorsLogged: countAt(document, 'ata_smart_error_log', 'summary', 'count'),
    writtenTB: units === null ? null : (units * nvmeUnitBytes) / 1e12,
    linkSlow: linkSlow(document),
    selfTests: [...ataSelfTests(document, hours), ...nvmeSelfTests(document)].slice(0, 40),
  }
}

/** The world-wide name in hexadecimal digits; '' where there is none. */
function wwnOf(document: unknown): string {
  const [naa, oui, id] = ['naa', 'oui', 'id'].map(key => numberAt(document, 'wwn', key))
  return naa === null || oui === null || id === null || naa === undefined
    ? ''
    : `${naa.toString(16)}${oui!.toString(16).padStart(6, '0')}${id!.toString(16).padStart(9, '0')}`
}

/** What a drive says of itself, `smartctl -j`. */
export function readSmartctl(document: unknown): Understood {
  const version = listAt(document, 'smartctl', 'version').join('.')
  const found = (notes: readonly string[], entries: Understood['entries'] = []): Understood => ({
    tool,
    version,
    entries,
    notes,
  })
  const status = countAt(document, 'smartctl', 'exit_status') ?? 0
  const messages = listAt(document, 'smartctl', 'messages')
    .map(message => textAt(message, 'string'))
    .filter(Boolean)
  const argv = listAt(document, 'smartctl', 'argv').map(String)
  if (part(document, 'devices') !== undefined || argv.includes('--scan'))
    return found(['It is a list of drives, and no report of one. Run it for each drive.'])
  if ((status & nothingRead) !== 0)
    return found([
      `It could not read the drive${messages.length ? `: ${messages.join('; ')}` : ''}. There ` +
        'is nothing in it.',
    ])
  const serial = textAt(document, 'serial_number') || wwnOf(document)
  if (!serial)
    return found(['It names no serial number, so it is not known which drive it speaks of.'])
  const isPart = (status & partRead) !== 0
  const simulated =
    part(document, 'simulated') === true ||
    textAt(document, 'smartctl', 'platform_info') === 'simulated'
  return found(isPart ? ['The drive answered in part: what it did not say is not known.'] : [], [
    draft('driveReport', {
      at: momentOf(numberAt(document, 'local_time', 'time_t')),
      values: valuesOf(document, serial),
      simulated,
    }),
  ])
}
