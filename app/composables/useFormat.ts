import { computed } from 'vue'
import type { Estimate } from '~~/core/figure'
import { formatNumber } from '~~/core/units/formatNumber'
import { shareText } from '~~/core/units/shareText'
import { usePlanStore } from '~/stores/planStore'

/** Figures are shown to three digits: more would promise what an estimate cannot hold. */
const shownDigits = 3

/** Units that count things, and so have a singular. */
const counted = /^(viewers|conversions|bays|drives|dead drives|titles|cores|streams|years|months)$/

/** Numbers with their unit, as the screens show them. */
export function useFormat() {
  const store = usePlanStore()
  const currency = computed(() => store.plan?.brief.currency ?? 'EUR')

  function money(value: number): string {
    const whole = Math.abs(value) >= 10 || Number.isInteger(value)
    return new Intl.NumberFormat(undefined, { style: 'currency', currency: currency.value, maximumFractionDigits: whole ? 0 : 2 }).format(value)
  }

  function unitText(unit: string): string {
    return unit.replace('money', currency.value).replace('share', '%')
  }

  /** 'one bay', 'two bays'. */
  function unitFor(value: number, unit: string): string {
    return value === 1 && counted.test(unit) ? unit.slice(0, -1) : unitText(unit)
  }

  function bare(value: number, unit: string): string {
    if (unit === 'money') return money(value)
    if (unit === 'share') return shareText(value)
    return formatNumber(value, Number.isInteger(value) ? 7 : shownDigits)
  }

  function quantity(value: number, unit: string): string {
    if (unit === 'month') return value === 0 ? 'already' : `month ${value}`
    return unit === 'money' || unit === 'share' || unit === '' ? bare(value, unit) : `${bare(value, unit)}\u00A0${unitFor(value, unit)}`
  }

  /** 'low–high', or one number where they look the same. */
  function range({ low, high }: Estimate, unit: string): string {
    const [a, b] = [bare(low, unit), bare(high, unit)]
    return a === b ? a : unit === 'share' ? `${a} to ${b}` : `${a}–${b}`
  }

  return { currency, money, unitText, bare, quantity, range }
}
