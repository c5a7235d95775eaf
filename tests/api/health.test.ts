import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { planSchema } from '~~/core/plan/planSchema'
import { health, healthFreshMs, healthKeptMs } from '../../server/database/health'
import { closePlans, plans } from '../../server/database/plans'
import { startApi } from './apiServer'

let api: Awaited<ReturnType<typeof startApi>>
beforeEach(async () => {
  api = await startApi()
})
afterEach(async () => {
  await closePlans()
  await api.stop()
})

it('tells health at once from what was found out lately, and finds it out anew', async () => {
  const since = Date.now()
  expect(await health()).toEqual({ status: 'ok', plans: 0 })
  await (await plans()).create(planSchema.parse({ name: 'One' }))
  expect((await health(since + healthFreshMs - 100)).plans).toBe(0)
  expect((await health(Date.now() + healthFreshMs)).plans).toBe(0)
  await vi.waitFor(async () => expect((await health()).plans).toBe(1))
  await (await plans()).create(planSchema.parse({ name: 'Two' }))
  expect((await health(Date.now() + healthKeptMs)).plans).toBe(2)
})

it('keeps what was found out for as long as is told', () =>
  expect([healthFreshMs, healthKeptMs]).toEqual([1000, 10_000]))

it('says what is wrong as soon as the database cannot be used', async () => {
  await health()
  await closePlans()
  process.env.NUMERON_DB = '/proc/numeron/none.sqlite'
  await expect(health(Date.now() + healthKeptMs)).rejects.toThrow('cannot be made')
  await expect(health()).rejects.toThrow('cannot be made')
})
