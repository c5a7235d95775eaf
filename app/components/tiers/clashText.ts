import { headrooms, needIds } from '~~/core/headrooms'
import { conditions } from '~~/core/tiers/conditions/conditions'
import type { Clash, Limit } from '~~/core/tiers/search/clash'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import { joinClauses } from '~~/core/verdictClauses'
import { withinSentence } from '~~/core/withinSentence'
import type { useFormat } from '~/composables/useFormat'

type Format = Pick<ReturnType<typeof useFormat>, 'money' | 'number' | 'quantity'>

const conditionOf = (limit: Limit) => conditions.find(({ id }) => id === limit)

/** What a limit is called within a sentence; a condition as its chip says it. */
function nameOf(limit: Limit): string {
  const condition = conditionOf(limit)
  if (condition) return `“${withinSentence(condition.label)}”`
  if (limit === 'budget') return headrooms.money.need
  return headrooms[needIds.find(id => id === limit)!].need
}

/** What can be had of a limit that is given up, behind the price of the build. */
function measureOf(limit: Limit, build: WayBuild, { number, quantity }: Format): string {
  if (limit === 'streams')
    return `, with ${number(build.possible)} ${build.possible === 1 ? 'conversion' : 'conversions'}`
  return limit === 'space' ? `, with ${quantity(build.roomTB, 'TB')} of room` : ''
}

/**
 * What cannot be had together, and the cheapest way out, in sentences.
 * @param clash null where a build meets everything
 */
export function clashSentence(
  clash: Clash | null,
  { budget, format }: { readonly budget: number | null; readonly format: Format },
): string {
  if (!clash)
    return budget === null
      ? 'Nothing clashes: a build meets the whole need.'
      : 'Nothing clashes: a build meets the whole need within the budget.'
  if (clash.limits.length === 0)
    return 'Nothing in the catalogue goes together as a machine with drives, whatever is asked.'
  const names = joinClauses(clash.limits.map(nameOf))
  const named = names.charAt(0).toUpperCase() + names.slice(1)
  const first =
    clash.limits.length === 1
      ? `${named} alone cannot be met by anything in the catalogue.`
      : `${named} cannot be had together.`
  if (!clash.relaxed)
    return clash.limits.length === 1
      ? `${first} Giving it up is not enough: more than that clashes.`
      : `${first} Giving up one of them is not enough.`
  const { limit, build } = clash.relaxed
  const price = format.money(build.toPay)
  const then =
    `then ${build.label} with ${build.drives} does, at ${price}` +
    `${measureOf(limit, build, format)}.`
  if (limit === 'budget')
    return (
      `${first} The cheapest way out is to move ${nameOf(limit)}: ` +
      `from ${format.money(budget!)} to ${price}.`
    )
  const how = conditionOf(limit) ? 'switch off' : 'move'
  return `${first} The cheapest way out is to ${how} ${nameOf(limit)}: ${then}`
}
