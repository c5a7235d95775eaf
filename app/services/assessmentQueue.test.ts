import { describe, expect, it } from 'vitest'
import type { Assessment } from '~~/core/assess'
import { newPlan, planSchema, type Plan } from '~~/core/plan/planSchema'
import { createAssessmentQueue, maxAtOnce, quickMs } from './assessmentQueue'

function watched(ms: { here: number; there: number }, canWait = true) {
  let clock = 0
  const taken: string[] = []
  const sent: { plan: Plan; done: () => void }[] = []
  const here: string[] = []
  const queue = createAssessmentQueue({
    canWait,
    now: () => clock,
    take: (_, plan) => taken.push(plan.name),
    here: plan => {
      clock += ms.here
      here.push(plan.name)
      return {} as Assessment
    },
    there: plan =>
      new Promise(done => {
        sent.push({
          plan,
          done: () => {
            clock += ms.there
            done({} as Assessment)
          },
        })
      }),
  })
  return { queue, taken, sent, here }
}
const plan = (name: string) => newPlan(name)
const settle = () => new Promise(done => setTimeout(done))

describe('assessing plans as they come', () => {
  it('is done at once while it is quick', () => {
    const { queue, taken, sent } = watched({ here: quickMs, there: 0 })
    for (const name of ['a', 'b', 'c']) queue.ask(plan(name))
    expect(taken).toEqual(['a', 'b', 'c'])
    expect(sent).toHaveLength(0)
  })
  it('goes to the worker when it is slow, and of those that wait only the last is kept', async () => {
    const { queue, taken, sent } = watched({ here: 100, there: 80 })
    for (const name of ['a', 'b', 'c', 'd']) queue.ask(plan(name))
    expect(taken).toEqual(['a'])
    expect(sent.map(entry => entry.plan.name)).toEqual(['b'])
    sent[0]!.done()
    await settle()
    expect(taken).toEqual(['a', 'b'])
    expect(sent.map(entry => entry.plan.name)).toEqual(['b', 'd'])
    sent[1]!.done()
    await settle()
    expect(taken).toEqual(['a', 'b', 'd'])
    expect(queue.isBusy).toBe(false)
  })
  it('comes back to the page when it is quick again', async () => {
    const { queue, sent, here } = watched({ here: 100, there: 5 })
    queue.ask(plan('a'))
    queue.ask(plan('b'))
    sent[0]!.done()
    await settle()
    queue.ask(plan('c'))
    expect(here).toEqual(['a', 'c'])
  })
  it('a single hiccup changes nothing', () => {
    const { queue, here } = watched({ here: quickMs, there: 0 })
    queue.ask(plan('a'))
    queue.ask(plan('b'))
    expect(here).toEqual(['a', 'b'])
  })
  it('drops what is under way when another plan is opened', async () => {
    const { queue, taken, sent } = watched({ here: 100, there: 80 })
    queue.ask(plan('a'))
    queue.ask(plan('b'))
    queue.askAnew(plan('other'))
    sent[0]!.done()
    await settle()
    expect(taken).toEqual(['a', 'other'])
  })
  it(
    'goes to the worker above 8 ms, and at opening for plans of more than 40 habits and ' +
      'holdings',
    async () => {
      expect([quickMs, maxAtOnce]).toEqual([8, 40])
      const slow = watched({ here: quickMs + 0.1, there: 0 })
      slow.queue.ask(plan('a'))
      slow.queue.ask(plan('b'))
      expect(slow.here).toEqual(['a'])
      const sized = (habits: number, holdings: number) =>
        planSchema.parse({
          name: 'big',
          household: {
            viewers: [{ id: 'v' }],
            habits: Array.from({ length: habits }, () => ({ viewer: 'v' })),
          },
          library: { holdings: Array.from({ length: holdings }, () => ({})) },
        })
      const { queue, taken, sent, here } = watched({ here: 1, there: 1 })
      queue.askAnew(sized(20, 20))
      expect([here, sent]).toEqual([['big'], []])
      queue.askAnew(sized(20, 21))
      expect(sent).toHaveLength(1)
      sent[0]!.done()
      await settle()
      expect(taken).toEqual(['big', 'big'])
      const alone = watched({ here: 1, there: 1 }, false)
      alone.queue.askAnew(sized(100, 100))
      expect(alone.taken).toEqual(['big'])
    },
  )
  it(
    'of a large plan that is opened while another is under way waits for it, and only its ' +
      'answer counts',
    async () => {
      const { queue, taken, sent } = watched({ here: 100, there: 80 })
      queue.ask(plan('a'))
      queue.ask(plan('b'))
      queue.askAnew(
        planSchema.parse({
          name: 'big',
          library: { holdings: Array.from({ length: 41 }, () => ({})) },
        }),
      )
      sent[0]!.done()
      await settle()
      sent[1]!.done()
      await settle()
      expect(taken).toEqual(['a', 'big'])
    },
  )
  it('stays on the page where there is no worker', () => {
    const { queue, taken } = watched({ here: 500, there: 0 }, false)
    for (const name of ['a', 'b']) queue.ask(plan(name))
    expect(taken).toEqual(['a', 'b'])
  })
})
