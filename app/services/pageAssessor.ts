import { planAssessor } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import type { Plan } from '~~/core/plan/planSchema'
import { formatOf, type Format } from '~~/core/units/format'

/** Assesses plans in the words of a locale, with the memory of one who works at one plan. */
export function createPageAssessor() {
  const assessor = planAssessor()
  const formats = new Map<string, Format>()
  /** The same value each time: what was told in one format is told again only in another. */
  function formatFor({ brief: { currency } }: Plan, locale: string): Format {
    const key = `${locale} ${currency}`
    const format = formats.get(key) ?? formatOf({ locale, currency })
    formats.set(key, format)
    return format
  }
  return {
    formatFor,
    assess: (plan: Plan, locale: string) =>
      assessor.assess(plan, catalogue, formatFor(plan, locale)),
  }
}
