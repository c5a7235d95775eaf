import { computed } from 'vue'
import type { Estimate } from '~~/core/figure'
import { formatOf, type Format } from '~~/core/units/format'
import { pageLocale } from '~/services/pageLocale'
import { usePlanStore } from '~/stores/planStore'

const formats = new Map<string, Format>()
function formatFor(currency: string): Format {
  const format = formats.get(currency) ?? formatOf({ locale: pageLocale(), currency })
  formats.set(currency, format)
  return format
}

/**
 * How numbers are written on this page, in the open plan's currency: the same as in the core's
 * sentences.
 */
export function useFormat() {
  const store = usePlanStore()
  const format = computed(() => formatFor(store.plan?.brief.currency ?? 'EUR'))
  return {
    format,
    number: (value: number, significant?: number) => format.value.number(value, significant),
    money: (value: number) => format.value.money(value),
    share: (value: number) => format.value.share(value),
    bare: (value: number, unit: string) => format.value.bare(value, unit),
    quantity: (value: number, unit: string) => format.value.quantity(value, unit),
    range: (estimate: Pick<Estimate, 'low' | 'high'>, unit: string) =>
      format.value.range(estimate, unit),
    hours: (value: number) => format.value.hours(value),
    unitText: (unit: string) => format.value.unit(unit),
  }
}
