import type { Format } from '../units/format'
import type { Entry } from './entry'
import { entryKinds } from './kinds'

/** What a choice is called, by the field that it belongs to. */
function choiceWords(kind: Entry['kind'], field: string, value: string): string {
  const shape = entryKinds[kind].values.shape as Record<string, { meta: () => unknown }>
  const options = (
    shape[field]?.meta() as { readonly options?: Readonly<Record<string, string>> } | undefined
  )?.options
  return options?.[value] ?? value
}

/** An entry in a line: what it says first. */
export function entryLine(entry: Entry, format: Format): string {
  const { number: n, quantity, money, hours } = format
  const word = (field: string, value: string) => choiceWords(entry.kind, field, value)
  const known = (...parts: readonly (string | null | false | undefined)[]) =>
    parts.filter(Boolean).join(', ')
  const of = (value: number | null, unit: string) => (value === null ? null : quantity(value, unit))
  switch (entry.kind) {
    case 'watts':
      return known(word('state', entry.values.state), of(entry.values.watts, 'W'))
    case 'energy':
      return known(of(entry.values.kWh, 'kWh'))
    case 'temperature': {
      const { what, serial, celsius, roomC } = entry.values
      return known(
        serial || word('what', what),
        celsius !== null && `${n(celsius, 3)} °C`,
        roomC !== null && `room ${n(roomC, 3)} °C`,
      )
    }
    case 'space':
      return known(
        of(entry.values.usedTB, 'TB') && `${quantity(entry.values.usedTB!, 'TB')} used`,
        entry.values.onceGB > 0 && `${quantity(entry.values.onceGB, 'GB')} moved in one go`,
      )
    case 'conversion': {
      const { on, ran, stuttered, speed } = entry.values
      return known(
        on === 'software' ? 'in software' : on,
        ran !== null && `${n(ran)} ran`,
        stuttered !== null && `with ${n(stuttered)} one stuttered`,
        speed !== null && `${n(speed, 3)} × real time`,
      )
    }
    case 'network':
      return known(
        entry.values.between,
        entry.values.upMbps !== null && `${n(entry.values.upMbps, 3)} Mb/s sent`,
        entry.values.downMbps !== null && `${n(entry.values.downMbps, 3)} Mb/s received`,
      )
    case 'disk':
      return known(
        word('pattern', entry.values.pattern),
        entry.values.of,
        of(entry.values.MBps, 'MB/s'),
      )
    case 'copy':
      return known(word('files', entry.values.files), of(entry.values.MBps, 'MB/s'))
    case 'build':
      return known(
        word('what', entry.values.what),
        entry.values.hours !== null && hours(entry.values.hours),
      )
    case 'selfTest':
      return known(
        entry.values.serial,
        word('length', entry.values.length).toLowerCase(),
        word('end', entry.values.end).toLowerCase(),
      )
    case 'restore':
    case 'copyRun':
      return known(
        'job' in entry.values ? entry.values.job : entry.values.what,
        of(entry.values.gb, 'GB'),
        word('result', entry.values.result).toLowerCase(),
      )
    case 'watched':
      return known(
        entry.values.mostAtOnce !== null && `${n(entry.values.mostAtOnce)} at once`,
        entry.values.minutesShort !== null && `${n(entry.values.minutesShort, 3)} min short`,
        entry.values.stalls !== null && `${n(entry.values.stalls)} stalls`,
      )
    case 'ups':
      return known(
        entry.values.loadPercent !== null && `${n(entry.values.loadPercent)} % load`,
        entry.values.minutesLeft !== null && `${n(entry.values.minutesLeft)} min left`,
      )
    case 'incident':
      return known(word('what', entry.values.what), entry.values.cause)
    case 'change':
      return known(
        word('what', entry.values.what),
        entry.values.serial,
        entry.values.to,
        entry.values.paid !== null && money(entry.values.paid),
      )
    case 'money':
      return known(
        word('what', entry.values.what),
        entry.values.paid !== null && money(entry.values.paid),
      )
    case 'driveReport': {
      const { serial, model, temperatureC, hours: used } = entry.values
      return known(
        model || serial,
        model !== '' && serial,
        used !== null && `${n(used)} h`,
        temperatureC !== null && `${n(temperatureC)} °C`,
      )
    }
    case 'note':
      return entry.note
  }
}
