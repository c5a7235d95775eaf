import { nearestSentMbps } from '../catalogue/sentQualities'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { yardsticks } from '../../tests/yardstick'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planDifferences } from './differences'
import { editPlan } from './editPlan'
import { migrateDocument } from './migrations'
import { valueAt, withValueAt } from './paths'
import { planField, planJsonSchema } from './planField'
import { maxParts } from './constants'
import { currentSchemaVersion, newPlan, planSchema } from './planSchema'
import { keptAsideLimits } from './keptAside'
import { maxValues, readPlan, readPlanText } from './readPlan'

const demo = planSchema.parse(tideMillHouse)

describe('the plan document', () => {
  it('is valid with only a name', () =>
    expect(readPlan({ name: 'Canal boat' })).toMatchObject({
      ok: true,
      plan: { name: 'Canal boat', network: { uploadMbps: 20 } },
    }))
  it('comes back unchanged from its JSON', () => {
    expect(readPlanText(JSON.stringify(demo))).toEqual({
      ok: true,
      plan: demo,
      keptAside: [],
      leftOut: [],
    })
  })
  it('opens with a byte-order mark in front', () =>
    expect(readPlanText(`\uFEFF${JSON.stringify(demo)}`).ok).toBe(true))
  it('keeps fields aside that it does not know, and gives them back', () => {
    const input = { ...demo, future: { a: [1] }, machine: { ...demo.machine, colour: 'red' } }
    const read = readPlan(input)
    expect(read).toMatchObject({ ok: true, keptAside: ['machine.colour', 'future'] })
    if (!read.ok) return
    expect(read.plan.keptAside).toEqual({ future: { a: [1] }, 'machine.colour': 'red' })
    expect(readPlan(JSON.parse(JSON.stringify(read.plan)))).toMatchObject({
      ok: true,
      keptAside: [],
      plan: read.plan,
    })
  })
})

describe('what is kept aside', () => {
  const { letters, fields, depth, pathLetters } = keptAsideLimits
  const asideOf = (extra: object) => {
    const read = readPlan({ name: 'x', ...extra })
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    return read
  }
  const nested = (levels: number): unknown => (levels === 0 ? 1 : [nested(levels - 1)])
  it('is capped in letters, fields, depth and path, and tells what is left out', () => {
    expect(keptAsideLimits).toEqual({ letters: 64_000, fields: 500, pathLetters: 500, depth: 32 })
    const around = JSON.stringify({ a: '' }).length
    expect(asideOf({ a: 'x'.repeat(letters - around) })).toMatchObject({
      keptAside: ['a'],
      leftOut: [],
    })
    expect(asideOf({ a: 'x'.repeat(letters - around + 1), b: 1 })).toMatchObject({
      keptAside: ['b'],
      leftOut: ['a'],
      plan: { keptAside: { b: 1 } },
    })
    const many = asideOf(
      Object.fromEntries(Array.from({ length: fields + 3 }, (_, at) => [`f${at}`, at])),
    )
    expect([many.keptAside.length, many.leftOut]).toEqual([
      fields,
      [`f${fields}`, `f${fields + 1}`, `f${fields + 2}`],
    ])
    expect(asideOf({ deep: nested(depth), deeper: nested(depth + 1) })).toMatchObject({
      keptAside: ['deep'],
      leftOut: ['deeper'],
    })
    expect(
      asideOf({ ['p'.repeat(pathLetters)]: 1, ['q'.repeat(pathLetters + 1)]: 1 }).leftOut,
    ).toEqual(['q'.repeat(pathLetters + 1)])
  })
  it('counts what was kept before, and comes back unchanged from what was stored', () => {
    const first = asideOf({ a: 'x'.repeat(letters - 100) })
    expect(readPlan({ ...first.plan, b: 'y'.repeat(200) })).toMatchObject({
      keptAside: [],
      leftOut: ['b'],
      plan: { keptAside: first.plan.keptAside },
    })
    const full = asideOf({
      deep: nested(depth),
      ['p'.repeat(pathLetters)]: 'é'.repeat(1000),
      many: Object.fromEntries(Array.from({ length: 900 }, (_, at) => [`k${at}`, at])),
    })
    expect(readPlanText(JSON.stringify(full.plan))).toMatchObject({
      ok: true,
      keptAside: [],
      leftOut: [],
      plan: full.plan,
    })
  })
  it('holds a field called __proto__ as any other', () => {
    const read = readPlanText('{"name":"x","__proto__":{"a":1}}')
    expect(read).toMatchObject({ ok: true, keptAside: ['__proto__'] })
    expect(read.ok && JSON.stringify(read.plan.keptAside)).toBe('{"__proto__":{"a":1}}')
  })
  it(
    'is measured before anything slow looks at it: a document of 5 MB is read or refused ' +
      'quickly',
    () => {
      const taken = yardsticks(() => {
        expect(asideOf({ keptAside: { big: 'x'.repeat(4_800_000) } })).toMatchObject({
          leftOut: ['big'],
          plan: { keptAside: {} },
        })
        expect(
          asideOf({
            keptAside: Object.fromEntries(
              Array.from({ length: 90_000 }, (_, at) => [`k${at}`, at]),
            ),
          }).leftOut,
        ).toHaveLength(90_000 - fields)
        expect(
          readPlan({ name: 'x', keptAside: { list: Array.from({ length: maxValues }, () => 0) } }),
        ).toMatchObject({ ok: false, issues: [{ code: 'TOO_MUCH' }] })
      })
      expect(taken).toBeLessThan(30)
    },
  )
})

describe('bad documents', () => {
  const messageOf = (value: unknown) => {
    const read = typeof value === 'string' ? readPlanText(value) : readPlan(value)
    return read.ok ? [] : read.issues.map(issue => [issue.path, issue.message] as const)
  }
  it.each([[null], [[]], ['"text"'], ['3']])('%j is not a plan', value =>
    expect(messageOf(value)[0]?.[1]).toContain('JSON object'),
  )
  it('says where half a JSON ends', () =>
    expect(messageOf('{"name": "x", "dri')[0]?.[1]).toContain('not valid JSON'))
  it('names a newer version, and one that is none', () => {
    const newer = currentSchemaVersion + 1
    expect(messageOf({ name: 'x', schemaVersion: newer })[0]).toEqual([
      'schemaVersion',
      expect.stringContaining(`newer Numeron (version ${newer})`),
    ])
    expect(messageOf({ name: 'x', schemaVersion: 'two' })[0]?.[0]).toBe('schemaVersion')
  })
  it.each([
    [
      { network: { uploadMbps: -1 } },
      'network.uploadMbps',
      'Upload must be a number from 0 to 100 000 Mb/s.',
    ],
    [
      { network: { uploadMbps: 'fast' } },
      'network.uploadMbps',
      'Upload must be a number from 0 to 100 000 Mb/s.',
    ],
    [
      { network: { uploadMbps: Infinity } },
      'network.uploadMbps',
      'Upload must be a number from 0 to 100 000 Mb/s.',
    ],
    [
      { machine: { score: 0 } },
      'machine.score',
      'Processor score must be a number from 1 to 500 000 points.',
    ],
    [{ household: { watchingHome: 2.5 } }, 'household.watchingHome', 'whole number'],
    [
      { library: { holdings: [{ titles: 1e9 }] } },
      'library.holdings.0.titles',
      'from 0 to 10 000 000 titles',
    ],
    [{ drives: { lots: [{ count: 10_000, sizeTB: 8 }] } }, 'drives.lots.0.count', 'from 1 to 60'],
    [
      {
        drives: {
          lots: [
            { count: 40, sizeTB: 8 },
            { count: 40, sizeTB: 8 },
          ],
        },
      },
      'drives.lots',
      'at most 60 drives',
    ],
    [{ drives: { layout: 'two words' } }, 'drives.layout', 'letters  digits'],
    [
      { library: { holdings: [{ notOfferedTo: ['a', 'a'] }] } },
      'library.holdings.0.notOfferedTo',
      'at most once',
    ],
    [{ network: { uploadReserveShare: 2 } }, 'network.uploadReserveShare', 'from 0 to 90 %'],
    [{ drives: [] }, 'drives', 'object'],
    [{ name: '' }, 'name', '1 to 80'],
  ])('%j: names %s and what is allowed', (part, path, text) => {
    const issues = messageOf({ name: 'x', ...part })
    expect(issues.map(([at]) => at)).toContain(path)
    expect(issues.find(([at]) => at === path)?.[1].replace(/,/g, ' ')).toContain(text)
  })
  it('lists every problem, not the first', () => {
    expect(
      messageOf({ name: '', network: { uploadMbps: -1 }, machine: { cores: 0 } }),
    ).toHaveLength(3)
  })
  it('refuses a document nested without end, calmly', () => {
    const deep = `{"name":"x","extra":${'['.repeat(50_000)}${']'.repeat(50_000)}}`
    expect(messageOf(deep)[0]?.[1]).toContain('nested')
  })
  it('never throws, whatever it is given', () => {
    fc.assert(fc.property(fc.json(), text => void readPlanText(text)))
    fc.assert(
      fc.property(
        fc.object({
          key: fc.constantFrom(
            'name',
            'drives',
            'lots',
            'machine',
            'score',
            '__proto__',
            'library',
          ),
        }),
        value => void readPlan(value),
      ),
    )
  })
})

describe('document migrations', () => {
  const steps = [
    { from: 1, up: (document: object) => ({ ...document, two: true }) },
    { from: 2, up: (document: object) => ({ ...document, three: true }) },
  ]
  it('run in order up to the target', () => {
    expect(migrateDocument({ a: 1 }, { from: 1, to: 3 }, steps)).toEqual({
      a: 1,
      two: true,
      three: true,
      schemaVersion: 3,
    })
    expect(migrateDocument({ a: 1 }, { from: 3, to: 3 }, steps)).toEqual({ a: 1 })
  })
  it('take a plan of version 1 to habits and kinds, and lose nothing of it', () => {
    const old = {
      schemaVersion: 1,
      name: 'Canal boat',
      household: {
        viewers: [
          { name: 'Skipper', place: 'home' },
          { name: 'Mate', place: 'away' },
        ],
        watchingHome: 1,
        watchingAway: 1,
        converted: 1,
      },
      library: {
        holdings: [
          {
            name: 'Films',
            quality: 'hd1080-h264',
            titles: 40,
            minutes: 110,
            addedPerMonth: 1,
            bitrateMbps: null,
          },
          { name: 'Series', quality: 'hd720-h264', titles: 90, minutes: 42 },
          { name: 'Phone', quality: 'home1080-h264', titles: 12, minutes: 3 },
        ],
      },
      choices: { school: 'atOnce', horizonYears: 7 },
    }
    const read = readPlan(old)
    expect(read).toMatchObject({
      ok: true,
      keptAside: [],
      plan: {
        schemaVersion: currentSchemaVersion,
        name: 'Canal boat',
        choices: { school: 'level95', horizonYears: 7 },
        household: {
          viewers: [
            { id: 'viewer1', name: 'Skipper', place: 'home' },
            { id: 'viewer2', name: 'Mate', place: 'away' },
          ],
          places: [{ id: 'away' }],
          habits: [],
          watchingAway: 1,
        },
        library: {
          holdings: [{ kind: 'film', titles: 40 }, { kind: 'series' }, { kind: 'homeVideo' }],
        },
      },
    })
    if (read.ok) expect(readPlan(JSON.parse(JSON.stringify(read.plan)))).toEqual(read)
  })
  it('take the rates of version 3 to the nearest sent qualities, and leave other numbers alone', () => {
    const read = readPlan({
      schemaVersion: 3,
      name: 'x',
      network: { awayRungMbps: 6 },
      household: {
        viewers: [{ id: 'a', lowestRungMbps: 1.8 }, { id: 'b', lowestRungMbps: 2.5 }, { id: 'c' }],
      },
    })
    expect(read).toMatchObject({
      ok: true,
      plan: {
        schemaVersion: currentSchemaVersion,
        network: { awayRungMbps: 5.6 },
        household: {
          viewers: [{ lowestRungMbps: 2 }, { lowestRungMbps: 2.5 }, { lowestRungMbps: 2.8 }],
        },
      },
    })
    for (const awayRungMbps of [20, 10, 8, 6, 4, 3, 1.8, 0.9])
      expect(readPlan({ schemaVersion: 3, name: 'x', network: { awayRungMbps } })).toMatchObject({
        ok: true,
        plan: { network: { awayRungMbps: nearestSentMbps(awayRungMbps) } },
      })
    expect(
      readPlan({ schemaVersion: 3, name: 'x', network: 7, household: { viewers: [4] } }),
    ).toMatchObject({ ok: false })
  })
  it('make of the switch for a UPS an owned part, where the list has room', () => {
    const opened = (input: object) => {
      const read = readPlan({ schemaVersion: 6, name: 'x', ...input })
      return read.ok
        ? {
            refs: read.plan.machine.parts.map(({ ref, condition }) => [ref, condition]),
            keptAside: read.keptAside,
          }
        : null
    }
    const there = ['weight-there', 'owned']
    expect(opened({ drives: { ups: true } })).toEqual({ refs: [there], keptAside: [] })
    expect(opened({ drives: { ups: true }, machine: { parts: [{ ref: 'leat-17' }] } })).toEqual({
      refs: [['leat-17', 'new'], there],
      keptAside: [],
    })
    expect(opened({ drives: { ups: false } })).toEqual({ refs: [], keptAside: [] })
    expect(opened({ drives: {} })).toEqual({ refs: [], keptAside: [] })
    const parts = (count: number) => Array.from({ length: count }, () => ({ ref: 'leat-17' }))
    expect(
      opened({ drives: { ups: true }, machine: { parts: parts(maxParts - 1) } })!.refs.at(-1),
    ).toEqual(there)
    const full = opened({ drives: { ups: true }, machine: { parts: parts(maxParts) } })!
    expect(full.refs).toHaveLength(maxParts)
    expect(full.keptAside).toEqual(['drives.ups'])
    expect(readPlan({ schemaVersion: 6, name: 'x', drives: 3 })).toMatchObject({ ok: false })
  })

  it('keeps the hours of a day that a plan of version 7 counted by', () => {
    const hoursOf = (choices?: unknown, schemaVersion = 7) => {
      const read = readPlan({
        schemaVersion,
        name: 'x',
        ...(choices === undefined ? {} : { choices }),
      })
      if (!read.ok) return null
      const { convertingHoursPerDay, watchingHoursPerDay } = read.plan.choices
      return [convertingHoursPerDay, watchingHoursPerDay]
    }
    expect(hoursOf()).toEqual([2, 5])
    expect(hoursOf({ convertingHoursPerDay: 7 })).toEqual([7, 5])
    expect(hoursOf({}, currentSchemaVersion)).toEqual([null, null])
    expect(hoursOf(3)).toBeNull()
  })
  it('keeps how many failed drives a plan of version 8 had to survive', () => {
    const survivesOf = (choices?: unknown, schemaVersion = 8) => {
      const read = readPlan({
        schemaVersion,
        name: 'x',
        ...(choices === undefined ? {} : { choices }),
      })
      return read.ok ? read.plan.choices.survivesAtLeast : 'refused'
    }
    expect(survivesOf()).toBe(1)
    expect(survivesOf({ survivesAtLeast: 2 })).toBe(2)
    expect(survivesOf({}, currentSchemaVersion)).toBe(null)
    expect(survivesOf(3)).toBe('refused')
  })
  it('keep the school of every head, and pass by what is no plan', () => {
    expect(
      readPlan({ schemaVersion: 1, name: 'x', choices: { school: 'headCount' } }),
    ).toMatchObject({ ok: true, plan: { choices: { school: 'headCount' } } })
    expect(readPlan({ schemaVersion: 1, name: 'x', household: { viewers: [3] } })).toMatchObject({
      ok: false,
      issues: [{ path: 'household.viewers.0' }],
    })
  })
  it('a missing step is a bug', () =>
    expect(() => migrateDocument({}, { from: 1, to: 4 }, steps)).toThrow('version 3'))
})

describe('amounts of money', () => {
  it('are in whole cents; parts of one are refused', () => {
    for (const price of [0, 0.01, 0.07, 0.29, 1.1, 1.15, 4.35, 19.99, 1234.56, 999_999.99])
      expect(planSchema.safeParse({ name: 'x', machine: { price } }).success, `${price}`).toBe(true)
    const refused = planSchema.safeParse({ name: 'x', machine: { price: 12.345 } })
    expect(refused.error?.issues.map(({ path, message }) => [path.join('.'), message])).toEqual([
      ['machine.price', 'Price without drives must be in whole cents, such as 12.35.'],
    ])
    // A price for a kWh is no amount that is paid.
    expect(planSchema.safeParse({ name: 'x', costs: { pricePerKWh: 0.2876 } }).success).toBe(true)
  })
  it('of a plan of version 5 are rounded as it is opened, in every field', () => {
    const amounts = (value: number) => ({
      brief: { budget: value },
      machine: {
        price: value,
        parts: [{ ref: 'a', price: value }],
        ownParts: [{ id: 'a', kind: 'fan', price: value, traits: { sizeMm: 120, rpm: 900 } }],
        atHand: [{ worth: value }],
        diagnosisFee: value,
      },
      drives: { lots: [{ priceEach: value }], copyPricePerTB: value, replacedWorth: value },
      system: { ownKinds: [{ id: 'c', once: value, perYear: value }] },
      costs: {
        tiers: [{ cap: value }, { cap: value }, { cap: value }],
        extras: value,
        linkBetween: value,
        licenceOnce: value,
        licencePerYear: value,
        upsBatteryPrice: value,
        hourValue: value,
        cloudSteps: [{ pricePerMonth: value }],
      },
    })
    const [old, present] = [12.3456, 12.35].map((value, index) =>
      readPlan({ name: 'x', schemaVersion: 5 + index, ...amounts(value) }),
    )
    expect(old).toMatchObject({ ok: true, keptAside: [] })
    expect(old).toEqual(present)
    // Every amount of a plan stands in that list.
    const text = JSON.stringify(old)
    expect(text.match(/12\.35/g)).toHaveLength(21)
    expect(readPlan({ name: 'x', schemaVersion: 5, brief: { budget: 'much' } }).ok).toBe(false)
  })
})

describe('paths', () => {
  it('read and replace deep values, sharing the rest', () => {
    expect(valueAt(demo, 'drives.lots.1.sizeTB')).toBe(4)
    const changed = withValueAt(demo, 'drives.lots.1.sizeTB', 12)
    expect(changed.drives.lots.map(lot => lot.sizeTB)).toEqual([8, 12])
    expect(demo.drives.lots[1]!.sizeTB).toBe(4)
    expect(changed.library).toBe(demo.library)
  })
  it('know nothing of inherited names', () =>
    expect(valueAt(demo, 'constructor.name')).toBeUndefined())
  it('say when there is no such place', () =>
    expect(() => withValueAt(demo, 'nothing.at.all', 1)).toThrow('NO_SUCH_PATH'))
})

describe('times, months and lists of choices', () => {
  const withHabit = (habit: object) => readPlan({ name: 'x', household: { habits: [habit] } })
  it.each([
    [{ earliest: 1440 }, 'earliest', 'from 00:00 to 23:59'],
    [{ chance: 1.5 }, 'chance', 'from 0 to 100 %'],
    [{ minutes: 0 }, 'minutes', 'from 1 to'],
    [{ days: ['mon', 'mon'] }, 'days', 'each at most once'],
    [{ days: ['moonday'] }, 'days', 'a list of'],
  ])('%j is refused with what is allowed', (habit, field, text) => {
    const read = withHabit(habit)
    expect(
      read.ok ? [] : read.issues.map(issue => [issue.path, issue.message.replace(/,/g, ' ')]),
    ).toContainEqual([
      expect.stringContaining(`household.habits.0.${field}`),
      expect.stringContaining(text),
    ])
  })
  it('names of viewers, places, devices and classes may stand once only', () => {
    for (const list of ['viewers', 'places', 'devices', 'capabilitySets']) {
      expect(
        readPlan({ name: 'x', household: { [list]: [{ id: 'one' }, { id: 'two' }] } }).ok,
      ).toBe(true)
      const read = readPlan({ name: 'x', household: { [list]: [{ id: 'one' }, { id: 'one' }] } })
      expect(read.ok ? null : read.issues[0]).toMatchObject({
        path: `household.${list}.1.id`,
        message: expect.stringContaining('"one" is taken'),
      })
    }
  })
  it('a month is a month', () => {
    expect(readPlan({ name: 'x', library: { events: [{ month: '2027-13' }] } })).toMatchObject({
      ok: false,
      issues: [{ message: expect.stringContaining('2027-03') }],
    })
  })
})

describe('editing', () => {
  it('takes a value or says what is allowed, and leaves the plan alone', () => {
    expect(editPlan(demo, 'network.uploadMbps', 40)).toMatchObject({
      ok: true,
      plan: { network: { uploadMbps: 40 } },
    })
    expect(editPlan(demo, 'network.uploadMbps', 'x')).toMatchObject({
      ok: false,
      issues: [{ path: 'network.uploadMbps' }],
    })
    expect(demo.network.uploadMbps).toBe(22)
  })
  it('fills in what an entry leaves out, and shares the rest', () => {
    const result = editPlan(demo, 'household.devices', [...demo.household.devices, { id: 'new' }])
    expect(result).toMatchObject({
      ok: true,
      plan: {
        household: {
          devices: expect.arrayContaining([
            expect.objectContaining({ id: 'new', class: 'tv2020', linkMbps: null }),
          ]),
        },
      },
    })
    if (result.ok) expect(result.plan.library).toBe(demo.library)
  })
})

describe('differences of two plans', () => {
  it('name each field with both values, a list of another length once', () => {
    const other = withValueAt(withValueAt(demo, 'drives.lots', []), 'machine.score', 1)
    expect(planDifferences(demo, other)).toEqual([
      { path: 'machine.score', label: 'Machine: Processor score', mine: 6200, theirs: 1 },
      { path: 'drives.lots', label: 'Drives', mine: demo.drives.lots, theirs: [] },
    ])
    expect(planDifferences(demo, structuredClone(demo))).toEqual([])
  })
})

describe('what the schema says of its fields', () => {
  interface Node {
    type?: string
    title?: string
    description?: string
    unit?: string
    enum?: unknown[]
    properties?: Record<string, Node>
    items?: Node
    anyOf?: Node[]
    default?: unknown
  }
  function* leaves(node: Node, path = ''): Generator<[string, Node]> {
    if (node.items && node.title && !node.items.properties)
      yield [path, node] // a list of choices
    else if (node.properties)
      for (const [key, child] of Object.entries(node.properties))
        yield* leaves(child, path ? `${path}.${key}` : key)
    else if (node.items) yield* leaves(node.items, `${path}.0`)
    else yield [path, node]
  }
  const all = [...leaves(planJsonSchema as Node)].filter(
    ([path]) => path !== 'schemaVersion' && path !== 'keptAside',
  )
  it.each(all)('%s has a name and a gloss; a number has a unit', (_, node) => {
    expect(node.title).toBeTruthy()
    expect(node.description).toBeTruthy()
    const numeric = ['number', 'integer'].includes(node.type ?? node.anyOf?.[0]?.type ?? '')
    if (numeric) expect(node.unit).toBeTruthy()
  })
  it('gives forms the range, default and choices', () => {
    expect(planField('drives.lots.7.sizeTB')).toMatchObject({
      label: 'Size',
      unit: 'TB',
      min: 0.05,
      max: 200,
      fallback: 8,
      kind: 'number',
    })
    expect(planField('machine.score')).toMatchObject({ nullable: true, fallback: null })
    expect(planField('brief.place')?.options[1]).toEqual({
      value: 'livingRoom',
      label: 'Living room',
    })
    expect(planField('household.habits.3.days')).toMatchObject({
      kind: 'choices',
      options: expect.arrayContaining([{ value: 'sun', label: 'Sunday' }]),
    })
    expect(planField('household.habits.0.earliest')).toMatchObject({
      kind: 'number',
      unit: 'time of day',
    })
    expect(planField('household.places.0.id')).toMatchObject({ kind: 'text' })
    expect(planField('no.such.field')).toBeNull()
  })
  it('is the same as what a new plan holds', () => {
    for (const [path, node] of all) {
      if (path === 'name' || /\.0(\.|$)/.test(path)) continue
      expect(valueAt(newPlan('x'), path)).toEqual(node.default)
    }
  })
})
