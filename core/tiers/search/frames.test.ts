import { machinePrices } from '../../machine/machinePrices'
import { describe, expect, it } from 'vitest'
import { catalogue, entryOf } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { freshMachine } from '../../machine/freshMachine'
import { machineBuild } from '../../machine/machineBuild'
import { machinePower } from '../../machine/machinePower'
import { planSchema } from '../../plan/planSchema'
import { framesOf, hasMachine, machineOf, ownFrame } from './frames'
import { cheapestOfAlike, maxProcessorPrice, priceBook } from './frameOptions'
import { type Frame, ways } from './frame'
import { layoutLabel, partNames } from './names'

const demo = planSchema.parse(tideMillHouse)
const plain = planSchema.parse({ name: 'x' })
const frames = framesOf(plain, catalogue)
const frame = (id: string): Frame => frames.find(candidate => candidate.id === id)!
const options = (of: Frame, id: string) => of.groups.find(group => group.id === id)?.options ?? []
const refs = (of: Frame, id: string) => options(of, id).map(option => option.refs.join('+'))

describe('frames', () => {
  it('stand on every board that is sold, every machine of the catalogue, and what is at hand', () => {
    const boards = catalogue.hardware.filter(
      part => part.kind === 'board' && part.comesWith === undefined && part.form !== 'own',
    )
    expect(
      frames
        .filter(({ way, replaces }) => way === 'selfBuilt' && !replaces)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(boards.map(({ id }) => id).sort())
    expect(
      frames
        .filter(({ replaces }) => replaces)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(catalogue.machineBases.map(({ id }) => id).sort())
    const own = framesOf(demo, catalogue)
      .filter(({ way }) => way === 'atHand')
      .map(({ id }) => id)
    expect(own).toEqual(['own', 'hand-0', 'hand-1'])
    expect(new Set(frames.map(({ id }) => id)).size).toBe(frames.length)
    for (const { way } of frames) expect(Object.keys(ways)).toContain(way)
  })
  it('choose the drives once, then case and fans, which say how warm they get, then the supply', () => {
    for (const { groups } of frames) {
      const ids = groups.map(({ id }) => id)
      expect(ids.filter(id => id === 'pool')).toHaveLength(1)
      if (ids.includes('case'))
        expect(ids.filter(id => id === 'case' || id === 'fan' || id === 'supply')).toEqual([
          'case',
          'fan',
          'supply',
        ])
      expect(ids.indexOf('card')).toBeLessThan(ids.indexOf('pool'))
    }
  })
  it(
    'take only what goes into the board: processors of its socket, its memory, at most its ' +
      'slots',
    () => {
      const lych = frame('lych-15')
      const board = entryOf(catalogue.hardware, 'lych-15')!
      if (board.kind !== 'board') throw new Error('no board')
      for (const { processor } of options(lych, 'processor'))
        expect(processor).toMatchObject({ socket: board.socket })
      for (const { processor } of options(lych, 'processor'))
        expect(processor!.price).toBeLessThanOrEqual(maxProcessorPrice)
      for (const { refs: sticks } of options(lych, 'memory')) {
        expect(sticks.length).toBeLessThanOrEqual(board.memory.slots)
        expect(entryOf(catalogue.memoryModules, sticks[0]!)).toMatchObject({
          type: board.memory.type,
          shape: board.memory.shape,
          ecc: false,
        })
      }
      const careful = framesOf(
        planSchema.parse({ name: 'x', machine: { wantsEcc: true } }),
        catalogue,
      ).find(({ id }) => id === 'lych-15')!
      expect(refs(careful, 'memory').length).toBeGreaterThanOrEqual(refs(lych, 'memory').length)
    },
  )
  it('offer controllers that hand disks on, with their cables, and faster network cards only', () => {
    const lych = frame('lych-15')
    expect(refs(lych, 'controller')).not.toContain('splice-8r')
    expect(refs(lych, 'controller')).toContain('splice-8+twine-breakout+twine-breakout')
    expect(
      options(lych, 'controller').find(({ refs: [first] }) => first === 'splice-8')!.price,
    ).toBe(55 + 2 * 12)
    expect(refs(lych, 'networkCard')).not.toContain('heron-wifi')
    expect(refs(lych, 'networkCard')).not.toContain('heron-1')
    expect(refs(lych, 'networkCard')).toContain('heron-2')
    const controllers = lych.groups.find(({ id }) => id === 'controller')!
    const [noneAtAll, one] = controllers.options
    expect(controllers.allowed!(noneAtAll!, { bays: 0, count: 1, turning: 1 })).toBe(true)
    expect(controllers.allowed!(one!, { bays: 0, count: 1, turning: 1 })).toBe(false)
    expect(controllers.allowed!(one!, { bays: 0, count: 8, turning: 8 })).toBe(true)
  })
  it(
    'boot from the cheapest disk of each kind of place, and from a stick only where the ' +
      'system wants one',
    () => {
      // Which of them goes in is the chosen system's to say.
      const allowed = (in_: typeof lych, system?: string) => {
        const boot = in_.groups.find(({ id }) => id === 'boot')!
        const kind = catalogue.systemKinds.find(({ id }) => id === system)
        return boot.options
          .filter(option =>
            boot.allowed!(option, {
              bays: 0,
              count: 0,
              turning: 0,
              ...(kind ? { system: kind } : {}),
            }),
          )
          .map(option => option.refs.join('+'))
      }
      const lych = frame('lych-15')
      expect(allowed(lych)).toEqual(['flint-120', 'flint-250m', 'flint-500n'])
      expect(allowed(lych, 'stick')).toEqual(['flint-stick'])
      const stick = framesOf(
        planSchema.parse({ name: 'x', system: { kind: 'stick' } }),
        catalogue,
      ).find(({ id }) => id === 'lych-15')!
      expect(allowed(stick)).toEqual(['flint-stick'])
      expect(options(frame('wherry-4'), 'boot')).toEqual([])
    },
  )
  it('of a kit need a processor and memory; of a machine that is whole only what may be added', () => {
    expect(refs(frame('towpath'), 'processor')).not.toContain('')
    expect(refs(frame('towpath'), 'memory')).not.toContain('')
    expect(refs(frame('wherry-4'), 'processor')).toEqual([''])
    expect(refs(frame('wherry-4'), 'memory')).toContain('')
    expect(refs(frame('clerk-17'), 'processor').length).toBeGreaterThan(1)
    expect(frame('wherry-4').groups.some(({ id }) => id === 'supply' || id === 'case')).toBe(false)
  })
  it('count the watts of the kind of system in', () => {
    const idleW = (id: string, kind: string) =>
      framesOf(planSchema.parse({ name: 'x', system: { kind } }), catalogue).find(
        frame => frame.id === id,
      )!.idleW
    for (const id of ['lych-15', 'clerk-17'])
      expect(idleW(id, 'hypervisor') - idleW(id, 'server')).toBeCloseTo(2, 9)
  })
  it('start with the watts and the price that the machine has by itself', () => {
    for (const id of ['wherry-4', 'clerk-17', 'pebble-21']) {
      const { machine, idleW, loadW, price } = frame(id)
      const power = machinePower(machine, machineBuild(machine, catalogue), {
        mainsVolts: 230,
        system: null,
      })
      expect([idleW, loadW]).toEqual([power.idleDcW, power.loadDcW])
      expect(price).toBe(entryOf(catalogue.machineBases, id)!.price)
    }
  })
})

describe('prices of a search', () => {
  it('are nothing for what lies there, as far as it goes', () => {
    const priceOf = priceBook(
      planSchema.parse({
        name: 'x',
        machine: {
          parts: [
            { ref: 'memory-16', condition: 'owned', count: 1 },
            { ref: 'memory-8', condition: 'new' },
          ],
        },
      }).machine,
    )
    expect([
      priceOf('memory-16', 40),
      priceOf('memory-16', 40, 2),
      priceOf('memory-8', 22),
    ]).toEqual([0, 40, 22])
  })
  it('make owned parts owned in the machine that comes of them', () => {
    const plan = planSchema.parse({
      name: 'x',
      machine: { parts: [{ ref: 'memory-8', condition: 'owned', purpose: 'spare' }] },
    })
    const lych = framesOf(plan, catalogue).find(({ id }) => id === 'lych-15')!
    const machine = machineOf(lych, ['memory-8', 'memory-8', 'mole-400'], { plan, catalogue })
    expect(machine.parts.map(({ ref, count, condition }) => [ref, count, condition])).toEqual([
      ['lych-15', 1, 'new'],
      ['memory-8', 1, 'owned'],
      ['memory-8', 1, 'new'],
      ['mole-400', 1, 'new'],
    ])
  })
  it('put one supply in the place of the other, and memory beside what is there', () => {
    const own = ownFrame(demo, catalogue)
    const changed = machineOf(own, ['mole-400', 'memory-4-old'], { plan: demo, catalogue })
    expect(changed.parts.filter(({ ref }) => ref.startsWith('mole'))).toHaveLength(1)
    expect(changed.parts.filter(({ ref }) => ref === 'memory-4-old').length).toBeGreaterThan(1)
  })
})

describe('a machine that is there', () => {
  it('is one that is owned and of which something is known', () => {
    expect(hasMachine(plain)).toBe(false)
    expect(hasMachine(planSchema.parse({ name: 'x', machine: { condition: 'owned' } }))).toBe(false)
    expect(
      hasMachine(planSchema.parse({ name: 'x', machine: { condition: 'owned', score: 5000 } })),
    ).toBe(true)
    expect(
      hasMachine(
        planSchema.parse({ name: 'x', machine: { base: 'wherry-2', condition: 'owned' } }),
      ),
    ).toBe(true)
    expect(
      hasMachine(
        planSchema.parse({ name: 'x', machine: { base: 'parts', parts: [{ ref: 'lych-15' }] } }),
      ),
    ).toBe(false)
  })
  it('gives way to another with what is known of parts and computers around it', () => {
    const full = planSchema.parse({
      name: 'x',
      machine: {
        score: 5000,
        ownParts: [{ id: 'mine', label: 'Mine', kind: 'fan', traits: { sizeMm: 120, rpm: 900 } }],
        atHand: [{ name: 'Old one' }],
        diagnosisFee: 12,
        wantsEcc: true,
        monitorAtHand: false,
        startTogether: 2,
      },
    }).machine
    const next = freshMachine(full, { base: 'wherry-4', parts: [] }, catalogue)
    expect(next).toMatchObject({
      base: 'wherry-4',
      score: null,
      ownParts: full.ownParts,
      atHand: full.atHand,
      diagnosisFee: 12,
      wantsEcc: true,
      monitorAtHand: false,
      startTogether: 2,
    })
  })
})

describe('names', () => {
  it('are those of the catalogue, with counts', () => {
    expect(partNames(['memory-8', 'memory-8', 'mole-400'], catalogue)).toBe(
      '2 × Memory, 8 GB and Mole 400',
    )
    expect(partNames(['cardEntry', 'mole-400', 'trug-2'], catalogue)).toBe(
      'Card, entry; Mole 400; and Trug 2',
    )
    expect(partNames(['leat-17'], catalogue)).toBe('Leat 17')
    expect(partNames(['unheard-of'], catalogue)).toBe('unheard-of')
    expect(layoutLabel('mirror')).toBe('mirror (RAID 1)')
    expect(layoutLabel('unheard-of')).toBe('unheard-of')
  })
})

describe('parts that differ in name and price alone', () => {
  const [supply] = catalogue.hardware.filter(({ kind }) => kind === 'supply')
  const like = (id: string, price: number, other: object = {}) =>
    ({ ...supply!, id, label: id, price, ...other }) as typeof supply & object
  const parts = [
    like('c', 40),
    like('b', 40),
    like('a', 50),
    like('d', 60, { idleW: supply!.idleW + 1 }),
  ]
  const option = ({ id, price }: { readonly id: string; readonly price: number }) => ({
    refs: [id],
    price,
    idleW: 0,
    loadW: 0,
  })
  it('are one choice: the cheapest, of equals the first by id; any other difference keeps them', () => {
    const kept = (list: typeof parts) =>
      cheapestOfAlike(list.map(option), { hardware: parts }).map(({ refs }) => refs[0])
    expect(kept(parts)).toEqual(['b', 'd'])
    expect(kept([...parts].reverse())).toEqual(['d', 'b'])
    // What is owned costs nothing, whatever it is called.
    expect(
      cheapestOfAlike([{ ...option(parts[2]!), price: 0 }, option(parts[1]!)], {
        hardware: parts,
      }).map(({ refs }) => refs[0]),
    ).toEqual(['a'])
  })
  it('leaves its UPS to whatever takes its place, paid once and by all alike', () => {
    const plan = planSchema.parse({
      name: 'x',
      machine: {
        base: 'clerk-17',
        condition: 'owned',
        parts: [
          { ref: 'weight-650' },
          { ref: 'weight-400', purpose: 'spare' },
          { ref: 'cardEntry', condition: 'owned' },
        ],
        atHand: [{ name: 'Old one', ref: 'clerk-15' }],
      },
    })
    const frames = framesOf(plan, catalogue)
    const bought = frames.filter(({ id }) => id !== 'own' && !id.startsWith('hand-'))
    for (const frame of frames)
      expect(frame.machine.parts.filter(({ ref }) => ref === 'weight-650')).toHaveLength(1)
    for (const { machine, price } of bought) {
      expect(machine.parts.some(({ ref }) => ref === 'weight-400' || ref === 'cardEntry')).toBe(
        false,
      )
      const paid = machinePrices(machine, machineBuild(machine, catalogue))
      expect(price).toBeCloseTo(
        paid.reduce((sum, { toPay }) => sum + toPay!, 0),
        6,
      )
      expect(paid.filter(({ toPay }) => toPay === 92)).toHaveLength(1)
    }
  })
})
