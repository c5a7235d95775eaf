import { readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { planAssessor } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { fitCases } from '../../../tests/fit/fitCases'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { plainFormat } from '../../units/format'
import { fitSlice } from '../fitting'
import { supplyGoesIn } from '../power/supplyForms'
import { judgeFit, stateOfFit } from './fitFacts'
import { fitContext, baseCoolerDb } from './assembleContext'
import { fitGroups, type FitRule } from './fitRule'
import { fitRules } from './fitRules'
import { minCooling } from './rules/coolerHeat'
import { bootsFromSlotSince } from './rules/bootFromSlot'
import { lampsFrom, longSwapMinutes } from './rules/driveReach'
import { plugsMm } from './rules/shelfPlace'
import { minDriveC } from '../place/heat'
import { manyDrives } from './rules/airAtDrives'
import { plugToPlugMm, toleratedMm, wayShare } from './rules/leadLength'
import { usbPortW } from './rules/portPower'
import { driveKg, homeRackMm, shelfKg } from './rules/rackPlace'
import { wants } from './rules/laneWidth'
import { maxOnLead, plugsOf } from './plugs'

const assessor = planAssessor()
function contextOf(input: Omit<PlanInput, 'name'>) {
  const plan = planSchema.parse({ name: 'x', ...input })
  return fitContext(
    fitSlice(plan, assessor.facts(plan, catalogue, ['machine', 'drives', 'day', 'streams'])),
  )
}

const files = readdirSync('core/machine/fit/rules').map(file => file.replace('.ts', ''))
const modules = await Promise.all(
  files.map(async file => ({
    file,
    module: (await import(`./rules/${file}.ts`)) as Record<string, unknown>,
  })),
)

const isRule = (value: unknown): value is FitRule =>
  typeof value === 'object' && value !== null && 'judge' in value
const rules = modules.map(({ file, module }) => {
  const [name, rule] = Object.entries(module).find(([, value]) => isRule(value))!
  return { file, rule: rule as FitRule, cases: fitCases[name]! }
})

describe('every rule of fit', () => {
  it('stands in the list, once, with a name and a group', () => {
    expect(fitRules).toHaveLength(files.length)
    for (const { rule, file } of rules) expect(fitRules, file).toContain(rule)
    expect(new Set(fitRules.map(({ id }) => id)).size).toBe(fitRules.length)
    for (const { label, group, otherwise } of fitRules) {
      expect([label.length > 3, group in fitGroups]).toEqual([true, true])
      expect(otherwise, label).toMatch(/^[A-Z].{15,}\.$/)
    }
  })
  it.each(rules)(
    '$file passes its passing case and fails its failing one, each in a whole sentence',
    ({ rule, cases: { passing, failing } }) => {
      for (const { state, plan } of [passing, failing]) {
        const judgement = rule.judge(contextOf(plan))
        expect(judgement, rule.id).not.toBeNull()
        const sentence = rule.say(judgement!.values, plainFormat, judgement!.state)
        expect(judgement!.state, sentence).toBe(state)
        expect(sentence).toMatch(/^[A-Z0-9].*\.$/)
        expect(sentence).not.toMatch(/undefined|NaN|null/)
      }
      expect(passing.state).toBe('pass')
      expect(['warning', 'fail']).toContain(failing.state)
    },
  )
  it('lets a small supply into a large case by its frame, and not the other way round', () => {
    const supplyForm = fitRules.find(({ id }) => id === 'supplyForm')!
    const judged = (housing: string, supply: string) => {
      const { state, values } = supplyForm.judge(
        contextOf({
          machine: { base: 'parts', parts: [{ ref: housing }, { ref: supply }] },
        }),
      )!
      return [state, supplyForm.say(values, plainFormat, state)]
    }
    expect(judged('coffer-6', 'mole-450s')).toEqual([
      'pass',
      'The supply goes into the case by the frame that comes with small ones.',
    ])
    expect(judged('coffer-6', 'mole-450')).toEqual(['pass', 'The supply goes into the case.'])
    expect(judged('creel-6', 'mole-450')[0]).toBe('fail')
    const forms = ['ATX', 'SFX', 'rack', 'brick', 'own'] as const
    for (const form of forms)
      for (const wanted of forms)
        expect(supplyGoesIn(form, wanted)).toBe(
          form === wanted || (form === 'SFX' && wanted === 'ATX'),
        )
  })
  it('warns of a lead that is too short by more than the rule of thumb errs by', () => {
    const leadLength = fitRules.find(({ id }) => id === 'leadLength')!
    const judged = (shortMm: number) => {
      const context = contextOf({
        machine: { base: 'parts', parts: [{ ref: 'coffer-6' }, { ref: 'mole-450' }] },
        drives: { lots: [{ count: 4 }] },
      })
      const { reachMm, wayMm } = leadLength.judge(context)!.values as Record<string, number>
      const leadMm = context.supply!.leadMm + wayMm! - reachMm! - shortMm
      return leadLength.judge({ ...context, supply: { ...context.supply!, leadMm } })!.state
    }
    expect([0, 1, 49, 50, 51].map(judged)).toEqual(['pass', 'pass', 'pass', 'warning', 'warning'])
  })
  it('cautions of each kind of case that somebody made', () => {
    const madeCase = fitRules.find(({ id }) => id === 'madeCase')!
    const told = (made: 'shelf' | 'printed' | 'drilled') => {
      const own = { id: 'own', label: 'Own', kind: 'case' as const }
      const judgement = madeCase.judge(
        contextOf({
          machine: {
            base: 'parts',
            parts: [{ ref: 'own' }],
            ownParts: [{ ...own, traits: { form: 'ATX', bays35: 4, made } }],
          },
        }),
      )!
      return [judgement.clash, madeCase.say(judgement.values, plainFormat, judgement.state)]
    }
    expect(told('shelf')).toEqual([{ parts: [0] }, expect.stringMatching(/edge.+supply.+wood/)])
    expect(told('printed')[1]).toMatch(/soften.+burn.+never the supply/)
    expect(told('drilled')[1]).toMatch(/sharp edges.+earthed/)
  })
  it('does not judge a UPS whose label nobody has read', () => {
    const upsSize = fitRules.find(({ id }) => id === 'upsSize')!
    const judged = (...refs: string[]) =>
      upsSize.judge(
        contextOf({ machine: { base: 'crane-10', parts: refs.map(ref => ({ ref })) } }),
      )!
    const unknown = judged('weight-there')
    expect(unknown.state).toBe('notKnown')
    expect(upsSize.say(unknown.values, plainFormat, 'notKnown')).toMatch(
      /^What the UPS carries is not known; \d+\sW of the machine at work and 10\sW of the router hang on it\.$/,
    )
    expect(judged('weight-there', 'weight-400').state).toBe('notKnown')
    expect(judged('weight-there', 'weight-1500').state).toBe('pass')
  })
  it('has its thresholds where they were set', () => {
    expect({
      baseCoolerDb,
      minCooling,
      lampsFrom,
      longSwapMinutes,
      manyDrives,
      plugToPlugMm,
      toleratedMm,
      wayShare,
      usbPortW,
      driveKg,
      homeRackMm,
      shelfKg,
      maxOnLead,
      wants,
      bootsFromSlotSince,
      plugsMm,
      minDriveC,
    }).toEqual({
      baseCoolerDb: 22,
      minCooling: 0.6,
      lampsFrom: 4,
      longSwapMinutes: 30,
      manyDrives: 4,
      plugToPlugMm: 150,
      toleratedMm: 50,
      wayShare: 0.7,
      usbPortW: 4.5,
      driveKg: 0.7,
      homeRackMm: 600,
      shelfKg: 25,
      maxOnLead: 4,
      wants: { driveMBps: 250, ssdMBps: 1500, mbpsPerMBps: 8 },
      bootsFromSlotSince: 2014,
      plugsMm: 40,
      minDriveC: 5,
    })
  })
})

describe('plugs for drives', () => {
  const plugs = (parts: string[], count: number) =>
    plugsOf(
      contextOf({
        machine: { base: 'parts', parts: parts.map(ref => ({ ref })) },
        drives: { lots: [{ count }] },
      }),
    )
  it(
    'are those of the supply and of splitters; old four-pin plugs make one more lead where ' +
      'something fits them',
    () => {
      expect(plugs(['mole-400', 'turnpike-14', 'coffer-14'], 8)).toEqual({
        needed: 8,
        own: 6,
        split: 0,
        leads: 2,
        fullest: 4,
      })
      expect(plugs(['mole-400', 'turnpike-14', 'coffer-14', 'twine-split4'], 9)).toEqual({
        needed: 9,
        own: 6,
        split: 3,
        leads: 3,
        fullest: 3,
      })
      expect(plugs(['mole-150b', 'turnpike-14', 'coffer-14', 'twine-split4'], 3)).toMatchObject({
        leads: 2,
        fullest: 2,
      })
      expect(
        plugs(['mole-400', 'lych-15', 'coffer-6', 'flint-120', 'dew-in', 'flint-500n'], 2),
      ).toMatchObject({ needed: 4 })
    },
  )
  it('lanes are judged by what is asked of them: of a controller by the drives on it', () => {
    const parts = [{ ref: 'postern-21' }, { ref: 'knot-5' }]
    const lanes = (count: number, more: PlanInput['machine'] = {}) =>
      judgeFit(
        contextOf({ machine: { base: 'parts', parts, ...more }, drives: { lots: [{ count }] } }),
      ).find(({ rule }) => rule.id === 'laneWidth')!.judgement
    // Four ports on the board; a single lane of the third generation carries 860 MB/s.
    expect([1, 4, 7].map(count => lanes(count).state)).toEqual(['pass', 'pass', 'pass'])
    expect(lanes(8)).toMatchObject({
      state: 'warning',
      values: { carriesMBps: 860, neededMBps: 1000 },
    })
  })
  it('every source sounds once, and together as their powers add up', () => {
    const { sources, sumDb } = contextOf({ machine: { base: 'wherry-4' } }).noise
    const power = sources.reduce((sum, { count, db }) => sum + count * 10 ** (db / 10), 0)
    expect(sumDb).toBeCloseTo(10 * Math.log10(power), 9)
    const parts = [{ ref: 'mole-300' }, { ref: 'lych-15' }]
    expect(
      contextOf({ machine: { base: 'parts', parts } }).noise.sources.filter(
        ({ what }) => what === 'supply',
      ),
    ).toMatchObject([{ count: 1 }])
  })
  it("a machine's own cooler sounds, a passive one does not", () => {
    expect(
      contextOf({ machine: { base: 'wherry-4' }, drives: { lots: [] } }).noise.sources.some(
        ({ what, count }) => what === 'drives' || count === 0,
      ),
    ).toBe(false)
    expect(contextOf({ machine: { base: 'wherry-4' } }).noise.sources).toContainEqual({
      what: 'cooler',
      count: 1,
      db: 22,
    })
    expect(
      contextOf({ machine: { base: 'wherry-4', passivelyCooled: true } }).noise.sources.some(
        ({ what }) => what === 'cooler',
      ),
    ).toBe(false)
  })
})

describe('fit at its ends', () => {
  const judged = (input: Omit<PlanInput, 'name'>) => {
    const context = contextOf(input)
    const found = judgeFit(context)
    return {
      context,
      state: stateOfFit(found, context),
      failing: found
        .filter(({ judgement }) => judgement.state === 'fail')
        .map(({ rule }) => rule.id),
    }
  }
  it.each(catalogue.machineBases.filter(base => base.kind === 'prebuilt'))(
    'a prebuilt one passes its own rules, empty and with every bay full: $id',
    ({ id, bays, portMbps }) => {
      const around = {
        brief: { place: 'cellar' as const },
        household: { converted: 0 },
        network: { serverPortMbps: portMbps },
        machine: { base: id },
      }
      expect(judged(around).failing).toEqual([])
      if (bays > 0)
        expect(judged({ ...around, drives: { lots: [{ count: bays, sizeTB: 8 }] } })).toMatchObject(
          { failing: [], state: 'tight' },
        )
    },
  )
  it('nothing at all from parts is impossible, and says what is missing', () => {
    expect(judged({ machine: { base: 'parts' }, drives: { lots: [{ count: 1 }] } })).toMatchObject({
      state: 'impossible',
      failing: ['boardInCase', 'supplyForm', 'bays', 'memoryEnough'],
    })
  })
  it('a sound machine of parts has no failing rule, a palace neither', () => {
    const sound = [
      { ref: 'postern-21' },
      { ref: 'leat-22' },
      { ref: 'fern-tower' },
      { ref: 'memory-16' },
      { ref: 'coffer-6' },
      { ref: 'mole-450' },
      { ref: 'flint-500n' },
    ]
    expect(
      judged({
        machine: { base: 'parts', parts: sound },
        drives: { lots: [{ count: 3, sizeTB: 12 }] },
      }),
    ).toMatchObject({ failing: [], state: 'ample' })
    const palace = [
      { ref: 'turnpike-21' },
      { ref: 'bore-21' },
      { ref: 'fern-server' },
      { ref: 'memory-32e', count: 4 },
      { ref: 'ladder-4x' },
      { ref: 'mole-800r' },
      { ref: 'splice-16' },
      { ref: 'flint-500n' },
      { ref: 'twine-breakout', count: 4 },
    ]
    expect(
      judged({
        brief: { place: 'cellar', roomHighC: 22 },
        machine: { base: 'parts', startTogether: 6, parts: palace },
        drives: { lots: [{ count: 23, sizeTB: 20 }] },
      }),
    ).toMatchObject({ failing: [], state: 'enough' })
  })
  it("of one's own entries only bays and memory are judged", () => {
    expect(
      judged({ machine: { bays: 4, memoryGB: 8 }, drives: { lots: [{ count: 5 }] } }),
    ).toMatchObject({ failing: ['bays'], state: 'impossible' })
    expect(judged({ machine: {} })).toMatchObject({ failing: [], state: 'unknown' })
  })
  it('looks at the memory that a base comes with, and at every stick beside it', () => {
    const ecc = (base: string, ...refs: string[]) => {
      const context = contextOf({
        machine: { base, wantsEcc: true, parts: refs.map(ref => ({ ref })) },
      })
      const { judgement } = judgeFit(context).find(({ rule }) => rule.id === 'eccMemory')!
      return [judgement.state, ...(judgement.values as { lacks: string[] }).lacks]
    }
    expect(ecc('crane-14')).toEqual(['pass'])
    expect(ecc('crane-14', 'memory-32e')).toEqual(['pass'])
    expect(ecc('crane-14', 'memory-32')).toEqual(['fail', 'memory'])
    expect(ecc('crane-14', 'memory-32e', 'memory-32')).toEqual(['fail', 'memory'])
    // Its own memory is plain: one stick that corrects errors beside it changes nothing.
    expect(ecc('lighter-8')).toContain('memory')
    expect(ecc('lighter-8', 'memory-32e')).toContain('memory')
    expect(ecc('weir', 'bore-21')).toContain('memory')
  })
  it('keeps registered memory apart from plain memory, and out of boards that do not take it', () => {
    const memory = (base: string, ...refs: string[]) => {
      const context = contextOf({ machine: { base, parts: refs.map(ref => ({ ref })) } })
      const { rule, judgement } = judgeFit(context).find(({ rule: { id } }) => id === 'memoryType')!
      return [judgement.state, rule.say(judgement.values, plainFormat, judgement.state)]
    }
    expect(memory('crane-14', 'memory-32r')[0]).toBe('pass')
    expect(memory('crane-14', 'memory-32')).toEqual([
      'fail',
      'Registered and plain memory do not run together: the board starts with one kind only.',
    ])
    expect(memory('clerk-17', 'memory-32')[0]).toBe('pass')
    expect(memory('clerk-17', 'memory-32r')).toEqual([
      'fail',
      'Memory, 32 GB, DDR4, registered, used (DDR4) does not go into this board; it takes ' +
        'plain DDR4.',
    ])
  })
  it('is content with a console box in place of a monitor, and with filters where it is dusty', () => {
    const state = (id: string, input: Omit<PlanInput, 'name'>) =>
      judgeFit(contextOf(input)).find(({ rule }) => rule.id === id)!.judgement.state
    const machine = (...refs: string[]) => ({
      base: 'towpath',
      monitorAtHand: false,
      parts: refs.map(ref => ({ ref })),
    })
    expect(state('console', { machine: machine() })).toBe('warning')
    expect(state('console', { machine: machine('twine-console') })).toBe('pass')
    const brief = { dusty: true }
    expect(state('dampAndDust', { brief, machine: machine() })).toBe('warning')
    expect(state('dampAndDust', { brief, machine: machine('twine-filter') })).toBe('pass')
    expect(
      state('dampAndDust', {
        brief: { dusty: true, damp: true },
        machine: machine('twine-filter'),
      }),
    ).toBe('warning')
  })
  it('gives every fan a mount and a header, and splits a header where one is missing', () => {
    const fans = (base: string, ...parts: { ref: string; count?: number }[]) =>
      judgeFit(contextOf({ machine: { base, parts } })).find(
        ({ rule: { id } }) => id === 'fanPlaces',
      )?.judgement
    const board = { ref: 'postern-21' }
    // Postern 21 has three headers; Coffer 4 comes with two fans and has four mounts.
    const tower = (count: number, ...more: { ref: string; count?: number }[]) =>
      fans('parts', board, { ref: 'coffer-4' }, { ref: 'sedge-120', count }, ...more)
    expect(tower(1)?.state).toBe('pass')
    expect(tower(2)).toMatchObject({ state: 'warning', values: { fans: 4, headers: 3 } })
    expect(tower(2, { ref: 'twine-fans' })?.state).toBe('pass')
    expect(tower(3, { ref: 'twine-fans', count: 2 })?.state).toBe('warning')
    // What a machine comes with is connected, and nothing is said of it.
    for (const { id } of catalogue.machineBases) expect(fans(id)).toBeUndefined()
  })
  it('counts the openings that wide cards take at the back of the case', () => {
    const cards = (...refs: string[]) =>
      judgeFit(
        contextOf({
          machine: {
            base: 'parts',
            parts: [{ ref: 'postern-21' }, { ref: 'creel-6' }, ...refs.map(ref => ({ ref }))],
          },
        }),
      ).find(({ rule: { id } }) => id === 'cardInCase')!.judgement
    // Creel 6 has two openings.
    expect(cards('cardModern')).toMatchObject({ state: 'pass', values: { taken: 2 } })
    expect(cards('cardEntry', 'heron-2')).toMatchObject({ state: 'pass', values: { taken: 2 } })
    expect(cards('cardModern', 'heron-2')).toMatchObject({ state: 'fail', values: { taken: 3 } })
  })
  it('tells when the system disk that came with a machine gives way to another SSD', () => {
    const ssd = (base: string, refs: string[], drives: PlanInput['drives'] = { lots: [] }) =>
      judgeFit(contextOf({ machine: { base, parts: refs.map(ref => ({ ref })) }, drives })).find(
        ({ rule: { id } }) => id === 'ssdPlaces',
      )!.judgement.state
    expect(ssd('pebble-21', ['flint-1000n'])).toBe('warning')
    expect(ssd('pebble-23', ['flint-1000n'])).toBe('pass')
    expect(ssd('pebble-23', ['flint-1000n', 'flint-500n'])).toBe('warning')
    expect(ssd('pebble-21', [], { lots: [{ count: 1, model: 'rill-2', sizeTB: 2 }] })).toBe('fail')
  })
  it('warns of drives over USB that need each other, and of none of single drives', () => {
    const onUsb = (layout: string, count = 4) =>
      judgeFit(
        contextOf({
          machine: { base: 'pebble-21', parts: [{ ref: 'trug-5' }] },
          drives: { lots: [{ count }], layout },
        }),
      ).find(({ rule }) => rule.id === 'usbParity')!.judgement.state
    expect(['mirror', 'rotating-1', 'dedicated-1'].map(layout => onUsb(layout))).toEqual([
      'warning',
      'warning',
      'warning',
    ])
    expect(onUsb('separate')).toBe('pass')
    expect(onUsb('nightly-copy', 2)).toBe('pass')
    // Files spread over all of them: without one, none is whole.
    expect(['span', 'stripe'].map(layout => onUsb(layout))).toEqual(['warning', 'warning'])
    // A layout that the drives do not make shares nothing.
    expect(onUsb('rotating-1', 1)).toBe('pass')
  })
  it('holds a UPS to the watts at the wall with the router, and one of several is enough', () => {
    const ups = (...refs: string[]) =>
      contextOf({ machine: { base: 'crane-10', parts: refs.map(ref => ({ ref })) } })
    const state = (...refs: string[]) =>
      judgeFit(ups(...refs)).find(({ rule }) => rule.id === 'upsSize')!.judgement.state
    // 310 W converting and 10 of the router: 533 VA and 400 W.
    expect(ups('weight-650').convertingWallW).toBeCloseTo(310, 6)
    expect(['weight-400', 'weight-650', 'weight-1000'].map(ref => state(ref))).toEqual([
      'warning',
      'warning',
      'pass',
    ])
    expect(state('weight-400', 'weight-1000')).toBe('pass')
  })
})
