import { getRouterParam, type H3Event } from 'h3'
import { noSuchPlan } from './noSuchPlan'

/**
 * The id of the plan that an address names. What cannot be one names no plan, and never reaches the
 * database.
 * @throws {Problem} 404
 */
export function planId(event: H3Event): string {
  const id = getRouterParam(event, 'id') ?? ''
  if (!/^[\w-]{1,36}$/.test(id)) throw noSuchPlan()
  return id
}
