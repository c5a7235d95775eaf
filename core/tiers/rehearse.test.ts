import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import { phases } from '../rehearsal/evening/liveSession'
import { isDisturbed } from '../rehearsal/many/eveningScore'
import { eveningPicture } from '../rehearsal/picture/eveningPicture'
import { eveningSentence, sessionSentence } from '../rehearsal/picture/eveningSentence'
import { momentOf } from '../rehearsal/picture/moment'
import { usualValues } from '../rehearsal/planningValues'
import { noChange, withMoreViewers, withWhatIf } from '../rehearsal/whatIf/planEdits'
import { asUsual } from '../rehearsal/whatIf/whatIf'
import { plainFormat } from '../units/format'
import { rehearsalFixes, rehearsalOf, triedFix, type SessionAsked } from './rehearse'

const demo = planSchema.parse(tideMillHouse)
const triedFixes = (asked: SessionAsked) =>
  rehearsalFixes(demo, catalogue).map(fix => triedFix(fix, catalogue, { how, asked }))
const how = { seed: 'tide', values: usualValues, whatIf: asUsual }
/** An evening of the demo on which somebody stalls and gives up. */
const number = 31
function pictureOf(plan = demo, evening = number) {
  const { rehearsal, slice } = rehearsalOf(plan, catalogue, how)
  return { rehearsal: rehearsal!, slice, picture: eveningPicture(rehearsal!, slice, evening) }
}

describe('the picture of an evening', () => {
  it('has of every session where it stands from its start to its end', () => {
    for (let evening = 0; evening < 40; evening++) {
      const { picture } = pictureOf(demo, evening)
      for (const session of picture.sessions) {
        if (session.outcome === 'never' || session.outcome === 'noPlace') {
          expect(session.points).toEqual([])
          expect(session.refusal).not.toBe('')
          continue
        }
        expect(session.points[0]).toMatchObject({
          at: session.start,
          phase: phases.start,
          buffer: 0,
        })
        session.points.forEach((point, at) => {
          const next = session.points[at + 1]
          expect(point.buffer).toBeGreaterThanOrEqual(-1e-6)
          expect(point.buffer).toBeLessThanOrEqual(60 + 1e-6)
          if (!next) return
          expect(next.at).toBeGreaterThan(point.at)
          // Between two points it is a straight line, but for a seek, which throws away.
          const fills =
            point.phase === phases.plays || point.phase === phases.full
              ? point.speed - 1
              : point.speed
          const then = point.buffer + fills * (next.at - point.at)
          if (next.phase !== phases.seek && next.phase !== phases.stall)
            expect(Math.abs(then - next.buffer)).toBeLessThan(1e-6)
        })
      }
      for (const { points, most } of picture.resources) {
        expect(most).toBeLessThanOrEqual(1 + 1e-9)
        expect(points.every(({ used, has }) => used <= has * (1 + 1e-9) + 1e-9)).toBe(true)
      }
      const isTold = !eveningSentence(picture, plainFormat).startsWith('Nothing disturbs')
      expect(isTold).toBe(isDisturbed(picture.score))
    }
  })
  it('is told in sentences, right at 0, 1 and 2', () => {
    const { picture } = pictureOf()
    const session = picture.sessions[0]!
    const told = (more: Partial<typeof session>) =>
      sessionSentence(
        { ...session, title: 'a film', device: 'a screen', ...more },
        'Maren',
        plainFormat,
      ).replaceAll('\u00a0', ' ')
    expect(told({ stalls: 0 })).toBe('')
    expect(told({ stalls: 1, stalledS: 12.4 })).toBe('Maren stalls once, 12 s in all.')
    expect(told({ stalls: 2, stalledS: 30 })).toBe('Maren stalls twice, 30 s in all.')
    expect(told({ outcome: 'gaveUp', stalls: 3, end: 3600, over: 0 })).toBe(
      'Maren stalls 3 times and gives up, with 60 min of a film unseen.',
    )
    expect(told({ outcome: 'noPlace', refusal: 'it is full' })).toBe(
      'Maren is refused a film on a screen, because it is full.',
    )
    expect(eveningSentence({ sessions: [], lanes: [] }, plainFormat)).toBe(
      'Nobody watches on this evening.',
    )
  })
})

describe('a moment', () => {
  it('tells who was on, what each asked and got, and what bound', () => {
    const { rehearsal, slice, picture } = pictureOf()
    const event = picture.events.findIndex(({ kind }) => kind === 'stall')
    const moment = momentOf(rehearsal, slice, { number, event })!
    expect(moment.binds).toBe('the processor')
    expect(moment.on.filter(({ isAsked }) => isAsked)).toHaveLength(1)
    const asked = moment.on.reduce((sum, { asks }) => sum + asks, 0)
    const got = moment.on.reduce((sum, { gets }) => sum + gets, 0)
    expect(asked).toBeGreaterThan(1)
    expect(got).toBeCloseTo(1, 9)
    for (const { asks, gets, speed } of moment.on) expect(gets).toBeCloseTo(asks * speed, 12)
    expect(momentOf(rehearsal, slice, { number, event: 9999 })).toBeNull()
  })
})

describe('what would have prevented it', () => {
  it('is every fix of the plan, the cheapest first, and does what it says when it is applied', () => {
    const { picture } = pictureOf()
    const disturbed = picture.sessions.find(({ outcome }) => outcome === 'gaveUp')!
    const tried = triedFixes({ evening: number, habit: disturbed.habit, isStep: false })
    expect(tried.map(({ id }) => id)).toEqual(rehearsalFixes(demo, catalogue).map(({ id }) => id))
    const prices = tried.map(({ price }) => price ?? Infinity)
    expect(prices).toEqual([...prices].sort((a, b) => a - b))
    expect(tried.some(({ mends }) => mends)).toBe(true)
    expect(tried.some(({ mends }) => !mends)).toBe(true)
    for (const { plan, mends, isQuiet, label } of tried) {
      const after = pictureOf(plan).picture
      const session = after.sessions.find(({ habit }) => habit === disturbed.habit)
      expect(session?.outcome === 'watched' && session.stalls === 0, label).toBe(mends)
      expect(!isDisturbed(after.score), label).toBe(isQuiet)
    }
  })
  it('of a step is only what needs no step', () => {
    const { picture } = pictureOf()
    const stepped = picture.sessions.find(({ steps }) => steps > 0)!
    const asked = { evening: number, habit: stepped.habit }
    const mending = (isStep: boolean) =>
      triedFixes({ ...asked, isStep }).filter(({ mends }) => mends)
    expect(mending(true).length).toBeLessThanOrEqual(mending(false).length)
  })
})

describe('what-ifs that change the plan', () => {
  const classes = catalogue.deviceClasses
  const edited = (more: Partial<typeof noChange>) =>
    withWhatIf(demo, { ...noChange, ...more }, classes)
  it('leave the very plan where nothing is changed', () => expect(edited({})).toEqual(demo))
  it('add viewers with a usual evening on what is used most there', () => {
    const more = withMoreViewers(demo, { isAway: true, count: 2 }, classes)
    expect(more.household.viewers).toHaveLength(demo.household.viewers.length + 2)
    expect(more.household.habits).toHaveLength(demo.household.habits.length + 2)
    const added = more.household.habits.at(-1)!
    const place = more.household.viewers.find(({ id }) => id === added.viewer)!.place
    expect(place).not.toBe('home')
    expect(planSchema.safeParse(more).success).toBe(true)
    const empty = planSchema.parse({ name: 'x' })
    const first = withMoreViewers(empty, { isAway: true, count: 1 }, classes)
    expect(first.household.devices.at(-1)?.class).toBe('browser')
  })
  it('change what they name, and combine', () => {
    const { network, choices, household } = edited({
      lineAtHalf: true,
      machineOnWifi: true,
      allFallBack: true,
      deviceOnWifi: demo.household.devices[0]!.id,
    })
    expect(network.uploadMbps).toBe(demo.network.uploadMbps / 2)
    expect(network).toMatchObject({ serverLink: 'wifi', serverLinkMbps: 300, serverWifi: 'good' })
    expect(choices.fallbackShare).toBe(1)
    expect(household.devices[0]).toMatchObject({ link: 'wifiFair', linkMbps: 300 })
  })
})
