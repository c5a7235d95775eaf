import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess, planAssessor } from '../assess'
import { effectiveCatalogue } from '../calibration/effectiveCatalogue'
import { newPart } from '../machine/partChanges'
import { planSchema, type Plan } from '../plan/planSchema'
import { compareProcessors } from '../tiers/compareProcessors'
import { compareWays } from '../tiers/compareWays'
import { conversionFixes } from '../tiers/conversionFixes'
import { fixesOf } from '../tiers/rankFixes'
import { plainFormat } from '../units/format'
import { catalogue, entryOf, type Catalogue } from './catalogue'
import { isFromDisc } from './qualities'
import { tideMillHouse } from './tideMillHouse'

const demo = planSchema.parse(tideMillHouse)

/**
 * The catalogue that ships with every id renamed, and prices and watts multiplied: nothing of it
 * can be found by a name from elsewhere.
 */
function renamed(prefix: string, times: number): Catalogue {
  const id = (of: string) => (of === 'none' ? of : `${prefix}${of}`)
  const named = <Entry extends { readonly id: string }>(list: readonly Entry[]) =>
    list.map(entry => ({ ...entry, id: id(entry.id) }))
  return {
    ...catalogue,
    qualities: named(catalogue.qualities),
    otherQualities: named(catalogue.otherQualities),
    deviceClasses: named(catalogue.deviceClasses),
    driveClasses: named(catalogue.driveClasses).map(entry => ({
      ...entry,
      pricePerTB: entry.pricePerTB * times,
    })),
    driveModels: named(catalogue.driveModels).map(entry => ({
      ...entry,
      driveClass: id(entry.driveClass),
      price: entry.price * times,
    })),
    machineBases: named(catalogue.machineBases).map(entry => ({
      ...entry,
      processor: entry.processor && id(entry.processor),
      price: entry.price * times,
      idleW: entry.idleW * times,
      loadW: entry.loadW * times,
    })),
    processors: named(catalogue.processors).map(entry => ({
      ...entry,
      engine: id(entry.engine),
      price: entry.price * times,
      idleW: entry.idleW * times,
      maxW: entry.maxW * times,
    })),
    videoEngines: named(catalogue.videoEngines).map(entry => ({
      ...entry,
      idleW: entry.idleW * times,
      loadW: entry.loadW * times,
    })),
    hardware: named(catalogue.hardware).map(entry => ({
      ...entry,
      price: entry.price * times,
      idleW: entry.idleW * times,
      loadW: entry.loadW * times,
    })) as typeof catalogue.hardware,
    memoryModules: named(catalogue.memoryModules).map(entry => ({
      ...entry,
      price: entry.price * times,
    })),
    waysOfBuilding: catalogue.waysOfBuilding.map(way => ({
      ...way,
      base: id(way.base),
      parts: way.parts.map(id),
    })),
  }
}
/** A plan whose references go to the renamed catalogue. */
function renamedPlan(plan: Plan, prefix: string): Plan {
  const id = (of: string) =>
    ['own', 'parts', 'none', 'byProcessor', 'given', ''].includes(of) ? of : `${prefix}${of}`
  const { machine, drives, library, household } = plan
  return planSchema.parse({
    ...plan,
    machine: {
      ...machine,
      base: id(machine.base),
      processor: id(machine.processor),
      engine: id(machine.engine),
      parts: machine.parts.map(part => ({ ...part, ref: id(part.ref) })),
    },
    drives: {
      ...drives,
      driveClass: id(drives.driveClass),
      lots: drives.lots.map(lot => ({ ...lot, model: id(lot.model) })),
    },
    library: {
      ...library,
      holdings: library.holdings.map(holding => ({ ...holding, quality: id(holding.quality) })),
    },
    household: {
      ...household,
      devices: household.devices.map(device => ({ ...device, class: id(device.class) })),
    },
  })
}

describe('a catalogue that is handed in', () => {
  it('is the only one: the shipped lists under other names give the same figures', () => {
    const own = assess(demo, catalogue)
    const other = assess(renamedPlan(demo, 'x-'), renamed('x-', 1))
    for (const [id, { value, low, high }] of Object.entries(own.figures)) {
      if (id.startsWith('streams.work.') || id.startsWith('playback.')) continue
      expect([value, low, high], id).toEqual([
        other.figures[id]!.value,
        other.figures[id]!.low,
        other.figures[id]!.high,
      ])
    }
    expect(other.verdicts.map(({ id, state, sentence }) => [id, state, sentence])).toEqual(
      own.verdicts.map(({ id, state, sentence }) => [id, state, sentence]),
    )
    expect(other.findings.map(finding => finding.code)).toEqual(
      own.findings.map(finding => finding.code),
    )
  })
  it('knows none of the shipped names: every reference is told, nothing breaks', () => {
    const { findings, figures } = assess(demo, renamed('x-', 1))
    for (const { value } of Object.values(figures))
      if (value !== null) expect(Number.isFinite(value)).toBe(true)
    const unknown = findings.flatMap(finding => finding.from).join(' ')
    expect(unknown).toContain('library.holdings.0.quality')
    expect(unknown).toContain('household.devices.0.class')
  })
  it('sets the prices and the watts', () => {
    const plan = planSchema.parse({
      name: 'x',
      machine: { base: 'x-wherry-4' },
      drives: { driveClass: 'x-nas', lots: [{ count: 2, sizeTB: 10 }] },
    })
    const [once, thrice] = [1, 3].map(times => assess(plan, renamed('x-', times)).domains)
    expect(thrice!.ownership.toPay).toBe(3 * once!.ownership.toPay)
    expect(thrice!.machine.watts.idle.likely).toBeGreaterThan(once!.machine.watts.idle.likely)
  })
  it('is what comparisons, fixes and fixes draw on', () => {
    const [plan, lists] = [renamedPlan(demo, 'x-'), renamed('x-', 1)]
    expect(compareProcessors(plan, lists).every(row => row.processor.id.startsWith('x-'))).toBe(
      true,
    )
    const ways = compareWays(plan, lists, plainFormat)
    expect(ways).toHaveLength(6)
    expect(ways.map(way => way.plan.machine.base)).toEqual(
      catalogue.waysOfBuilding.map(way => `x-${way.base}`),
    )
    for (const { plan: changed } of fixesOf(plan, lists).ranked)
      for (const device of changed.household.devices) expect(device.class).toMatch(/^x-/)
    for (const { plan: changed } of conversionFixes(plan, lists))
      for (const part of changed.machine.parts) expect(part.ref).toMatch(/^x-/)
  })
  it('may be empty', () => {
    const empty: Catalogue = {
      ...catalogue,
      qualities: [],
      otherQualities: [],
      deviceClasses: [],
      driveClasses: [],
      driveModels: [],
      machineBases: [],
      processors: [],
      videoEngines: [],
      memoryModules: [],
      waysOfBuilding: [],
    }
    const { figures, verdicts } = assess(demo, empty)
    expect(verdicts).toHaveLength(7)
    for (const { value } of Object.values(figures))
      if (value !== null) expect(Number.isFinite(value)).toBe(true)
    expect(compareProcessors(demo, empty)).toEqual([])
  })
  it('of any part of the lists never breaks an assessment', () => {
    const some = <Entry>(list: readonly Entry[]) => fc.subarray([...list])
    fc.assert(
      fc.property(
        fc.record({
          qualities: some(catalogue.qualities),
          otherQualities: some(catalogue.otherQualities),
          deviceClasses: some(catalogue.deviceClasses),
          driveClasses: some(catalogue.driveClasses),
          driveModels: some(catalogue.driveModels),
          machineBases: some(catalogue.machineBases),
          processors: some(catalogue.processors),
          videoEngines: some(catalogue.videoEngines),
          memoryModules: some(catalogue.memoryModules),
        }),
        fc.constantFrom('own', ...catalogue.machineBases.map(base => base.id)),
        (lists, base) => {
          const plan = {
            ...demo,
            machine: { ...demo.machine, base, processor: 'leat-17', parts: [newPart('cardEntry')] },
          }
          const { figures, verdicts } = assess(plan, { ...catalogue, ...lists })
          expect(verdicts).toHaveLength(7)
          for (const { id, value, low, high } of Object.values(figures)) {
            if (value === null) continue
            expect(Number.isFinite(value), id).toBe(true)
            expect((low ?? value) <= value + 1e-9 && value <= (high ?? value) + 1e-9, id).toBe(true)
          }
        },
      ),
      { numRuns: 40 },
    )
  })
  it('is kept apart from others in one assessor', () => {
    const assessor = planAssessor()
    const plan = planSchema.parse({ name: 'x', machine: { base: 'wherry-4' } })
    const dear = {
      ...catalogue,
      machineBases: catalogue.machineBases.map(base => ({ ...base, price: 9999 })),
    }
    const toPay = (lists: Catalogue) => assessor.assess(plan, lists).domains.ownership.toPay
    expect([toPay(catalogue), toPay(dear), toPay(catalogue)]).toEqual([
      toPay(catalogue),
      9999,
      toPay(catalogue),
    ])
  })
})

describe("the plan's own entries", () => {
  const withSets = (capabilitySets: object[]) =>
    planSchema.parse({
      ...tideMillHouse,
      household: { ...tideMillHouse.household, capabilitySets },
    })
  it('go before those that ship, and take their place under the same id', () => {
    const own = effectiveCatalogue(
      withSets([{ id: 'tv2020', label: 'Our television', screenLines: 576 }, { id: 'ours' }]),
      catalogue,
    )
    expect(own.deviceClasses.slice(0, 2).map(entry => [entry.id, entry.label])).toEqual([
      ['tv2020', 'Our television'],
      ['ours', 'Own class'],
    ])
    expect(own.deviceClasses.filter(entry => entry.id === 'tv2020')).toHaveLength(1)
    expect(entryOf(own.deviceClasses, 'tv2020')!.screenLines).toBe(576)
    expect(own.deviceClasses).toHaveLength(catalogue.deviceClasses.length + 1)
  })
  it('change nothing where there are none', () =>
    expect(effectiveCatalogue(demo, catalogue)).toBe(catalogue))
  it('of a work table take the place of the one that ships', async () => {
    const { default: shipped } = await import('./transcodeWork.json')
    const twice = {
      ...shipped,
      source: 'twice',
      coefficients: { ...shipped.coefficients, tonemap: { value: 1.5 } },
    }
    const plan = planSchema.parse({ ...tideMillHouse, calibration: { workTable: twice } })
    const own = effectiveCatalogue(plan, catalogue)
    expect(own.workTable.toneMap.likely).toBe(1.5)
    expect(own.workTable.source).toBe('twice')
    expect(own.qualities).toBe(catalogue.qualities)
  })
})

describe('the lists that ship', () => {
  it('have every id once, and find their entries by it', () => {
    for (const list of [
      catalogue.qualities,
      catalogue.otherQualities,
      catalogue.deviceClasses,
      catalogue.driveClasses,
      catalogue.driveModels,
      catalogue.machineBases,
      catalogue.processors,
      catalogue.videoEngines,
      catalogue.memoryModules,
    ] as const) {
      const ids = (list as readonly { id: string }[]).map(entry => entry.id)
      expect(new Set(ids).size).toBe(ids.length)
      for (const id of ids) expect(entryOf(list as readonly { id: string }[], id)!.id).toBe(id)
      expect(entryOf(list as readonly { id: string }[], 'gone-1')).toBeNull()
    }
  })
  it('know which qualities are kept as on disc', () => {
    expect(catalogue.qualities.filter(isFromDisc).map(({ id }) => id)).toEqual([
      'sd-disc',
      'hd1080-disc',
      'uhd-disc',
    ])
  })
  it('refer only to each other', () => {
    for (const base of catalogue.machineBases)
      if (base.processor)
        expect(entryOf(catalogue.processors, base.processor), base.id).not.toBeNull()
    for (const processor of catalogue.processors)
      if (processor.engine !== 'none')
        expect(entryOf(catalogue.videoEngines, processor.engine), processor.id).not.toBeNull()
    const parts = [
      ...catalogue.processors,
      ...catalogue.videoEngines,
      ...catalogue.memoryModules,
    ].map(part => part.id)
    for (const way of catalogue.waysOfBuilding) {
      expect(entryOf(catalogue.machineBases, way.base), way.id).not.toBeNull()
      for (const part of way.parts) expect(parts, way.id).toContain(part)
    }
  })
  it('hold bands that enclose what is likely, and no negative number', () => {
    for (const {
      id,
      bitrateMbps: { low, likely, high },
    } of catalogue.qualities)
      expect(low <= likely && likely <= high, id).toBe(true)
    for (const { id, idleW, activeW, pricePerTB, failuresPerYear } of catalogue.driveClasses) {
      for (const { low, likely, high } of [idleW, activeW])
        expect(0 < low && low <= likely && likely <= high, id).toBe(true)
      expect(pricePerTB > 0 && failuresPerYear > 0 && failuresPerYear < 1, id).toBe(true)
    }
    for (const { id, idleW, loadW, price, bays } of catalogue.machineBases)
      expect(0 < idleW && idleW <= loadW && price > 0 && bays >= 0, id).toBe(true)
    for (const { id, idleW, maxW, price, cores, score } of catalogue.processors)
      expect(0 < idleW && idleW <= maxW && price > 0 && cores > 0 && score > 0, id).toBe(true)
  })
})
