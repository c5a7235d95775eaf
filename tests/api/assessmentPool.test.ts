import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { afterEach, describe, expect, it } from 'vitest'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { AssessmentPool, maxWaiting } from '../../server/work/assessmentPool'
import { niceness } from '../../server/work/lowerPriority'

const pools: AssessmentPool[] = []
const poolOf = (...given: ConstructorParameters<typeof AssessmentPool>) =>
  pools[pools.push(new AssessmentPool(...given)) - 1]!
afterEach(async () => {
  for (const pool of pools.splice(0)) await pool.close()
})
const folders = () => readdirSync(tmpdir()).filter(name => name.startsWith('numeron-work-'))
/** A program whose work never ends. */
const endless =
  'const { worker } = require(process.cwd() + "/node_modules/workerpool"); worker({ ' +
  'assessText: text => { if (text === "wait") for (;;); return { status: 200, body: text } ' +
  '} })'
/** A program that answers after a moment. */
const slow =
  'const { worker } = require(process.cwd() + "/node_modules/workerpool"); worker({ ' +
  'assessText: text => new Promise(done => setTimeout(done, 20, { status: 200, body: text })) })'

describe('the threads that assess', () => {
  it('answer for a plan, and for what is none', async () => {
    const pool = poolOf()
    const { status, body } = await pool.assess(JSON.stringify(tideMillHouse))
    expect(status).toBe(200)
    expect(JSON.parse(body).verdicts).toHaveLength(7)
    expect(await pool.assess('{')).toMatchObject({ status: 400 })
    expect(JSON.parse((await pool.assess('{"name":""}')).body)).toMatchObject({
      status: 422,
      errors: [{ path: 'name' }],
    })
  })
  it.runIf(process.platform === 'linux')(
    'give way to the thread that answers requests',
    async () => {
      await poolOf().assess('{}')
      // Field 19 of a thread's stat is its niceness (proc(5)); the name before it may hold spaces.
      const nice = readdirSync('/proc/self/task').map(thread =>
        Number(
          readFileSync(`/proc/self/task/${thread}/stat`, 'utf8').split(') ')[1]!.split(' ')[16],
        ),
      )
      expect(niceness).toBe(10)
      expect(nice).toContain(niceness)
      expect(Math.min(...nice)).toBeLessThan(niceness)
    },
  )
  it('are stopped when one takes too long, and others go on', async () => {
    const pool = poolOf(900, endless)
    const stuck = pool.assess('wait')
    expect((await pool.assess('next')).body).toBe('next')
    await expect(stuck).rejects.toMatchObject({
      status: 503,
      detail: expect.stringContaining('longer to assess than 0.9 s'),
    })
    expect((await pool.assess('after')).body).toBe('after')
  })
  it('refuse calmly when too many wait', async () => {
    const pool = poolOf(60_000, slow)
    const asked = await Promise.allSettled(
      Array.from({ length: maxWaiting + 12 }, () => pool.assess('next')),
    )
    const refused = asked.filter(
      answer => answer.status === 'rejected' && /Too many plans wait/.test(answer.reason.message),
    )
    expect(refused.length).toBeGreaterThan(0)
    expect(refused.length).toBeLessThan(12)
  }, 60_000)
  it('leave nothing behind when they are ended', async () => {
    const before = folders()
    const pool = poolOf()
    await pool.assess('{}')
    const mine = folders().filter(name => !before.includes(name))
    expect(mine.length).toBeGreaterThan(0)
    await pool.close()
    expect(mine.some(name => existsSync(`${tmpdir()}/${name}`))).toBe(false)
  })
})
