import { readFileSync, readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { assess } from '../core/assess'
import { catalogue } from '../core/catalogue/catalogue'
import { readPlan } from '../core/plan/readPlan'

/** Documents as earlier versions wrote them, with every likely figure that those versions gave. */
const folder = 'tests/fixtures/plans'
const saved = readdirSync(folder).map(name => ({
  name,
  ...(JSON.parse(readFileSync(`${folder}/${name}`, 'utf8')) as {
    document: unknown
    likely: Record<string, number | null>
  }),
}))

/**
 * Figures that were wrong and were put right: the drives' watts at work and while a title is read,
 * cards that now cost and draw, what the machine cannot convert counting as needed, and the memory
 * that a checksummed pool leaves to a built-in engine.
 */
const always = [
  'machine.loadW',
  'ownership.kWhPerYear',
  'ownership.electricityPerYear',
  'ownership.electricityAtHorizon',
]
const needed = [
  /^playback\.converting\./,
  /^streams\.peak\./,
  'streams.asked',
  'streams.asked95',
  'streams.workPerConversion',
  'streams.minutesShortPerMonth',
]
const engineMemory = [
  'streams.possible',
  'streams.hd1080',
  'streams.hevc1080',
  'streams.uhdToneMapped',
  'streams.minutesShortPerMonth',
]
const corrected: Readonly<Record<string, readonly (string | RegExp)[]>> = {
  // Where nothing is kept nothing needs converting.
  'v1-only-a-name.json': [
    'drives.usableNeededTB',
    'streams.asked',
    'streams.askedHeadCount',
    'streams.workPerConversion',
  ],
  'v2-processor.json': engineMemory,
  'v2-way.json': engineMemory,
  'v2-cards.json': ['machine.idleW', 'ownership.purchase'],
  'v2-by-clock.json': needed,
  'v2-measured.json': needed,
  'v2-tide-mill-house.json': needed,
  // Guests accept what a viewer does who says nothing.
  // A title is read from a drive, which costs a little, and warms the machine.
  // Several drives at once became a peril of their own.
  'v6-with-ups.json': [
    'machine.warmestDriveC',
    'streams.minutesShortPerMonth',
    /^years\./,
    /LossChancePerYear$/,
    'drives.dayOutChancePerYear',
  ],
  'v2-evening.json': [/^playback\.converting\./],
}

describe.each(saved)('a plan of an earlier version: $name', ({ name, document, likely }) => {
  const read = readPlan(document)
  it('opens whole', () => {
    expect(read).toMatchObject({ ok: true, keptAside: [] })
    if (read.ok) expect(readPlan(JSON.parse(JSON.stringify(read.plan)))).toEqual(read)
  })
  it('gives the same likely figures, but for those that were put right', () => {
    if (!read.ok) throw new Error('not read')
    const { figures } = assess(read.plan, catalogue)
    const mayDiffer = (id: string) =>
      [...always, ...(corrected[name] ?? [])].some(entry =>
        typeof entry === 'string' ? entry === id : entry.test(id),
      )
    for (const [id, value] of Object.entries(likely)) {
      if (mayDiffer(id)) continue
      expect(figures[id], id).toBeDefined()
      if (value === null) expect(figures[id]!.value, id).toBeNull()
      else
        expect(Math.abs(figures[id]!.value! - value), id).toBeLessThanOrEqual(
          1e-9 * Math.max(1, Math.abs(value)),
        )
    }
  })
})

describe('what was put right', () => {
  const figuresOf = (name: string) => {
    const { document } = saved.find(entry => entry.name === name)!
    const read = readPlan(document)
    return read.ok ? assess(read.plan, catalogue).figures : {}
  }
  it('a card of an older plan is a part: it costs 90 and draws 8 W idle', () => {
    const was = saved.find(entry => entry.name === 'v2-cards.json')!.likely
    const now = figuresOf('v2-cards.json')
    expect(now['ownership.purchase']!.value! - was['ownership.purchase']!).toBe(90)
    expect(now['machine.idleW']!.value! - was['machine.idleW']!).toBeCloseTo(8 / 0.85, 9)
  })
  it('drives at work take 7.5 W instead of 4.75 W each', () => {
    const was = saved.find(entry => entry.name === 'v2-tide-mill-house.json')!.likely
    expect(
      figuresOf('v2-tide-mill-house.json')['machine.loadW']!.value! - was['machine.loadW']!,
    ).toBeCloseTo((3 * 2.75) / 0.85, 9)
  })
})
