import { describe, expect, it } from 'vitest'
import { domains, planAssessor } from './assess'
import { createAssessor, inOrderOfNeeds } from './assessor'
import { catalogue } from './catalogue/catalogue'
import { tideMillHouse } from './catalogue/tideMillHouse'
import { defineDomain } from './domain'
import { declareFigure } from './expressions/declareFigure'
import { constant, figureOf, product } from './expressions/expression'
import type { LibraryFacts } from './library/libraryFacts'
import { planSchema, type Plan } from './plan/planSchema'
import { sameValue } from './sameValue'
import { formatOf, plainFormat } from './units/format'

const demo = planSchema.parse(tideMillHouse)

/** A made-up domain, as a file of its own would hold it: how many shelves the films would fill. */
const shelves = defineDomain({
  id: 'shelves',
  needs: ['library'],
  read: (_: Plan, __, { library }: { readonly library: LibraryFacts }) => ({
    contentTB: library.contentTB.likely,
  }),
  facts: ({ contentTB }) => ({ metres: contentTB * 2 }),
  tell: (_, { contentTB }, format) => ({
    figures: () => [
      declareFigure(
        () => product(figureOf('library.contentTB', [contentTB, 'TB']), constant(2, 'm/TB')),
        { id: 'shelves.metres', label: 'Shelves', unit: 'm' },
        format,
      ),
    ],
    verdicts: [],
    findings: [],
  }),
})

describe('a domain', () => {
  it('is added by its file and one line in the list', () => {
    const { figures, domains: facts } = createAssessor([shelves, ...domains]).assess(
      demo,
      catalogue,
    )
    expect(facts.shelves.metres).toBeCloseTo(2 * facts.library.contentTB.likely, 12)
    expect(figures['shelves.metres']).toMatchObject({
      value: facts.shelves.metres,
      inputs: ['library.contentTB'],
    })
  })
  it('stands behind what it needs, whatever the order of the list', () => {
    const ordered = inOrderOfNeeds([shelves, ...domains].reverse()).map(domain => domain.id)
    for (const { id, needs } of [shelves, ...domains])
      for (const needed of needs)
        expect(ordered.indexOf(needed), `${id} after ${needed}`).toBeLessThan(ordered.indexOf(id))
  })
  it('that needs what is not there, or itself in a circle, is a bug that says so', () => {
    expect(() => createAssessor([shelves])).toThrow('DOMAIN_NEED')
    const circle = (id: string, needs: string[]) => ({ ...shelves, id, needs })
    expect(() => createAssessor([circle('a', ['b']), circle('b', ['a'])])).toThrow('DOMAIN_CIRCLE')
  })
  it('may not make a figure that another has made', () => {
    expect(
      () =>
        createAssessor([shelves, ...domains, { ...shelves, id: 'again' }]).assess(demo, catalogue)
          .figures,
    ).toThrow('FIGURE_TWICE')
  })
})

describe('an assessor', () => {
  const ranAfter = (change: (plan: Plan) => Plan) => {
    const assessor = planAssessor()
    assessor.assess(demo, catalogue)
    assessor.assess(change(demo), catalogue)
    return [...assessor.ran]
  }
  it('works out again only what a change touches', () => {
    expect(ranAfter(plan => ({ ...plan, costs: { ...plan.costs, pricePerKWh: 0.5 } }))).toEqual([
      'ownership',
      'years',
    ])
    expect(ranAfter(plan => ({ ...plan, brief: { ...plan.brief, who: 'others' } }))).toEqual([])
    expect(
      ranAfter(plan => ({
        ...plan,
        drives: { ...plan.drives, lots: plan.drives.lots.map(lot => ({ ...lot, priceEach: 1 })) },
      })),
    ).toEqual(['ownership', 'years'])
    // The price of the machine is the machine's; neither playback nor streams hear of it.
    expect(
      ranAfter(plan => ({
        ...plan,
        machine: {
          ...plan.machine,
          parts: plan.machine.parts.map(part => ({ ...part, condition: 'new' as const })),
        },
      })),
    ).toEqual(['hanging', 'machine', 'fitting', 'ownership', 'years'])
    expect(ranAfter(plan => ({ ...plan, drives: { ...plan.drives, oneBatch: true } }))).toEqual([
      'drives',
      'years',
    ])
    // More upload is looked at by playback; what it makes of the week is the same as before, so
    // streams are not.
    expect(ranAfter(plan => ({ ...plan, network: { ...plan.network, uploadMbps: 40 } }))).toEqual([
      'network',
      'screens',
      'prospects',
      'playback',
      'years',
    ])
    // Another processor changes neither what the titles are nor what they would need.
    expect(ranAfter(plan => ({ ...plan, machine: { ...plan.machine, score: 7000 } }))).toEqual([
      'machine',
      'playback',
      'streams',
      'wiring',
    ])
    expect(
      ranAfter(plan => ({
        ...plan,
        library: {
          ...plan.library,
          holdings: plan.library.holdings.map(holding => ({
            ...holding,
            titles: holding.titles * 2,
          })),
        },
      })),
    ).not.toContain('prospects')
  })
  it('knows a plan again by its content, as when it comes from another thread', () => {
    const assessor = planAssessor()
    const first = assessor.assess(demo, catalogue)
    const again = assessor.assess(structuredClone(demo), catalogue)
    expect(assessor.ran).toEqual([])
    expect(again.domains.playback).toBe(first.domains.playback)
    expect(again.figures['streams.possible']).toBe(first.figures['streams.possible'])
  })
  it('remembers the plan beside the one that is tried', () => {
    const assessor = planAssessor()
    const tried = { ...demo, machine: { ...demo.machine, score: 9000 } }
    assessor.assess(demo, catalogue)
    assessor.assess(tried, catalogue)
    assessor.assess(demo, catalogue)
    expect(assessor.ran).toEqual([])
  })
  it('owns its memory: another knows nothing of it', () => {
    planAssessor().assess(demo, catalogue)
    const other = planAssessor()
    other.assess(demo, catalogue)
    expect(other.ran).toHaveLength(domains.length)
  })
  it('tells the same facts in another format without working anything out', () => {
    const assessor = planAssessor()
    const english = assessor.assess(demo, catalogue, plainFormat)
    const german = assessor.assess(demo, catalogue, formatOf({ locale: 'de-DE', currency: 'EUR' }))
    expect(assessor.ran).toEqual([])
    expect(german.domains.ownership).toBe(english.domains.ownership)
    expect(english.figures['streams.softwareReference']!.formula).toContain('6,200 points')
    expect(german.figures['streams.softwareReference']!.formula).toContain('6.200 points')
  })
  it('gives facts alone, of the domains asked for and those they need', () => {
    const assessor = planAssessor()
    expect(Object.keys(assessor.facts(demo, catalogue, ['machine'])).sort()).toEqual([
      'drives',
      'hanging',
      'household',
      'library',
      'machine',
    ])
    expect(assessor.facts(demo, catalogue, ['network']).network.awayStreams).toBe(3)
  })
  it('has facts that cross to another thread as they are', () => {
    const { domains: facts } = planAssessor().assess(demo, catalogue)
    expect(structuredClone(facts)).toEqual(facts)
  })
})

describe('values that are the same', () => {
  it('are identical, or plain data of the same content', () => {
    const array = new Float64Array(2)
    expect(
      [
        [1, 1],
        [Number.NaN, Number.NaN],
        [{ a: [1, { b: null }] }, { a: [1, { b: null }] }],
        [array, array],
        [null, null],
      ].every(([a, b]) => sameValue(a, b)),
    ).toBe(true)
  })
  it('are not of other length, other keys or other kinds', () => {
    expect(
      [
        [1, 2],
        [[1], [1, 2]],
        [{ a: 1 }, { b: 1 }],
        [{ a: 1 }, { a: 1, b: undefined }],
        [null, {}],
        [[], {}],
        [new Float64Array(2), new Float64Array(2)],
        [new Map(), new Map()],
      ].some(([a, b]) => sameValue(a, b)),
    ).toBe(false)
  })
})
