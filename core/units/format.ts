import type { Estimate } from '../figure'

/**
 * How numbers are written: for one locale and one currency, the same in sentences, formulas, fields
 * and tables.
 */
export interface Format {
  readonly locale: string
  /** ISO 4217 code, such as EUR */
  readonly currency: string
  /** up to so many significant digits (default 4); whole digits are never cut */
  readonly number: (value: number, significant?: number) => string
  /** with the currency's sign where the locale puts it; small amounts with their cents */
  readonly money: (value: number) => string
  /** a share or chance, 0..1, as people read it: per cent down to a tenth of one, then '1 in N' */
  readonly share: (share: number) => string
  /** a number without its unit: money and shares are written their own way */
  readonly bare: (value: number, unit: string) => string
  /** a number with its unit, in the singular for one */
  readonly quantity: (value: number, unit: string) => string
  /** the unit alone, as it stands behind a number or a field */
  readonly unit: (unit: string, value?: number) => string
  /** 'low–high', or one number where both look the same */
  readonly range: (estimate: Pick<Estimate, 'low' | 'high'>, unit: string) => string
  /** the same in a sentence: 'low to high' */
  readonly span: (estimate: Pick<Estimate, 'low' | 'high'>, unit: string) => string
  /** hours as people say them: '9.5 h', '30 h', '4.2 days' */
  readonly hours: (hours: number) => string
}

/** Units that count things, and so have a singular. */
const countedUnits =
  /^(viewers|conversions|bays|drives|failed drives|titles|cores|streams|reference streams|years|months|days|bits|ports|threads|channels|sets|copies|controllers)$/
/** Figures are shown to three digits: more would promise what an estimate cannot hold. */
const shownDigits = 3
/** Chances below it are not written out: no model of drives reaches so far. */
const smallestShare = 1e-6
/** Shares below this are written as one in so many. */
const smallestPercent = 0.001
/** Up to this the high end of a range is, where its low end is. */
const rareShare = 0.1
/** From here on hours are told in days. */
const hoursUntilDays = 72
const maxDigits = 12

/** Numbers whose text a format keeps, for each count of digits. */
const maxWritten = 5000
/**
 * Formats that are kept: making one anew takes as long as assessing a plan, for Intl reads its
 * tables.
 */
const maxFormats = 20
const formats = new Map<string, Format>()

/**
 * The format of a locale and a currency. Numbers are written by the locale's own rules (Intl).
 * @param locale a BCP 47 tag; '' or an unknown one falls to English
 * @param currency an ISO 4217 code
 * @example formatOf({ locale: 'en', currency: 'EUR' }).money(2785) // '€2,785'
 * @example formatOf({ locale: 'en', currency: 'EUR' }).share(0.0000362) // '1 in 28,000'
 */
export function formatOf({ locale, currency }: Pick<Format, 'locale' | 'currency'>): Format {
  const key = `${locale} ${currency}`
  const known = formats.get(key)
  if (known) return known
  if (formats.size >= maxFormats) formats.clear()
  const made = makeFormat(locale, currency)
  formats.set(key, made)
  return made
}

/** Numbers and money as a locale writes them. */
function numberTexts(locale: string, currency: string): Pick<Format, 'number' | 'money'> {
  const plain = new Map<number, Intl.NumberFormat>()
  const amounts = new Map<number, Intl.NumberFormat>()
  const digitsOf = (digits: number): Intl.NumberFormat =>
    remembered(
      plain,
      digits,
      () => new Intl.NumberFormat(locale, { maximumFractionDigits: digits }),
    )
  const moneyOf = (digits: number): Intl.NumberFormat =>
    remembered(
      amounts,
      digits,
      () =>
        new Intl.NumberFormat(locale, {
          style: 'currency',
          currency,
          minimumFractionDigits: digits,
          maximumFractionDigits: digits,
        }),
    )

  // An edit writes mostly the numbers that were there before, and Intl takes its time.
  const written = new Map<number, Map<number, string>>()
  function number(value: number, significant = 4): string {
    const bySize = remembered(written, significant, () => new Map<number, string>())
    if (bySize.size > maxWritten) bySize.clear()
    return remembered(bySize, value, () => write(value, significant))
  }
  function write(value: number, significant: number): string {
    if (!Number.isFinite(value)) return '–'
    if (value === 0) return '0'
    const size = Math.abs(value)
    if (size < 1e-3 || size >= 1e9) return powerOfTen(value, significant)
    const digits = Math.min(maxDigits, Math.max(0, significant - 1 - Math.floor(Math.log10(size))))
    const text = digitsOf(digits).format(size)
    return value < 0 ? `−${text}` : text
  }
  function powerOfTen(value: number, significant: number): string {
    const [mantissa = '', exponent = ''] = value
      .toExponential(Math.max(0, significant - 2))
      .split('e')
    return `${digitsOf(maxDigits).format(Number(mantissa)).replace('-', '−')}e${Number(exponent)}`
  }
  const money = (value: number): string =>
    moneyOf(Math.abs(value) >= 10 || Number.isInteger(value) ? 0 : 2).format(value)
  return { number, money }
}

function makeFormat(locale: string, currency: string): Format {
  const known = supported(locale)
  const { number, money } = numberTexts(known, currency)
  const percent = (value: number) => `${number(value * 100, value >= 0.995 ? 3 : 2)} %`
  const oneIn = (value: number) =>
    value < smallestShare
      ? `under 1 in ${number(1 / smallestShare)}`
      : `1 in ${number(rounded(1 / value), 9)}`
  function share(value: number): string {
    if (value <= 0) return '0 %'
    return value >= smallestPercent ? percent(value) : oneIn(value)
  }
  /** Both ends in one manner: one in so many while the high end is rare, else per cent. */
  function sharesBetween(low: number, high: number): string {
    const isMixed = low > 0 && low < smallestPercent && high >= smallestPercent
    const write = !isMixed ? share : high < rareShare ? oneIn : percent
    const [a, b] = [write(low), write(high)]
    return a === b ? a : `${a} to ${b}`
  }
  function bare(value: number, unit: string): string {
    if (unit === 'money') return money(value)
    return unit === 'share'
      ? share(value)
      : number(value, Number.isInteger(value) ? 7 : shownDigits)
  }
  function unitText(unit: string, value = 2): string {
    if (Math.abs(value) === 1 && countedUnits.test(unit)) return unit.slice(0, -1)
    return unit.replace('money', currency).replace('share', '%')
  }
  function quantity(value: number, unit: string): string {
    if (unit === 'month') return value === 0 ? 'today' : `month ${number(value)}`
    return unit === 'money' || unit === 'share' || unit === ''
      ? bare(value, unit)
      : `${bare(value, unit)}\u00A0${unitText(unit, value)}`
  }
  const both =
    (join: string) =>
    ({ low, high }: Pick<Estimate, 'low' | 'high'>, unit: string): string => {
      if (unit === 'share') return sharesBetween(low, high)
      const [a, b] = [bare(low, unit), bare(high, unit)]
      return a === b ? a : `${a}${join}${b}`
    }
  function hours(value: number): string {
    if (value < 10) return `${number(value, 2)}\u00A0h`
    return value < hoursUntilDays
      ? `${number(Math.round(value))}\u00A0h`
      : `${number(value / 24, 2)}\u00A0days`
  }
  return {
    locale: known,
    currency,
    number,
    money,
    share,
    bare,
    quantity,
    unit: unitText,
    range: both('–'),
    span: both(' to '),
    hours,
  }
}

/** English with euros: what is written where nobody asked for anything else. */
export const plainFormat = formatOf({ locale: 'en', currency: 'EUR' })

function supported(locale: string): string {
  try {
    return Intl.NumberFormat.supportedLocalesOf(locale)[0] ?? 'en'
  } catch {
    return 'en'
  }
}

function remembered<Value>(known: Map<number, Value>, key: number, make: () => Value): Value {
  const found = known.get(key)
  if (found !== undefined) return found
  const made = make()
  known.set(key, made)
  return made
}

/** Two leading digits. */
function rounded(count: number): number {
  const step = 10 ** Math.max(0, Math.floor(Math.log10(count)) - 1)
  return Math.round(count / step) * step
}
