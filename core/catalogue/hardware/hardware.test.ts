import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue'
import { entriesOfKind } from '../../machine/assembly/places'
import { baseClasses, machineBases } from '../machineBases'
import { processors } from '../processors'
import { lastMadeNoMore, soldOf } from '../sold'
import { videoEngines } from '../videoEngines'
import { boards } from './boards'
import type { Board, HardwareKind } from './hardwarePart'
import { partSchemas } from './partSchemas'
import { partKinds } from './partWords'
import { videoCardShapes } from './smallParts'

const inside = catalogue.machineBases.flatMap(base => [
  base.inside.board,
  base.inside.case,
  base.inside.supply,
])
const allBoards = [...catalogue.hardware, ...inside].filter(
  (part): part is Board => part.kind === 'board',
)

describe('parts that ship', () => {
  it('are what their kind says, and so are those inside prebuilt machines', () => {
    for (const part of [...catalogue.hardware, ...inside])
      expect(partSchemas[part.kind].safeParse(part).error?.issues ?? [], part.id).toEqual([])
    expect(Object.keys(partKinds)).toEqual(expect.arrayContaining(Object.keys(partSchemas)))
  })
  it('are enough of each kind to choose from, and of every class of prebuilt machine', () => {
    const ofKind = (kind: HardwareKind) =>
      catalogue.hardware.filter(part => part.kind === kind).length
    expect(
      [ofKind('board'), ofKind('case'), ofKind('supply')].map(
        (have, at) => have >= [20, 14, 12][at]!,
      ),
    ).toEqual([true, true, true])
    for (const kind of Object.keys(partSchemas) as HardwareKind[])
      expect(ofKind(kind), kind).toBeGreaterThanOrEqual(2)
    expect(
      catalogue.machineBases.filter(({ kind }) => kind === 'prebuilt').length,
    ).toBeGreaterThanOrEqual(14)
    for (const name of Object.keys(baseClasses))
      expect(
        catalogue.machineBases.some(base => base.class === name),
        name,
      ).toBe(true)
  })
  it('have ids of their own over all lists, and take no less at work than at rest', () => {
    const ids = [
      ...catalogue.hardware,
      ...catalogue.processors,
      ...catalogue.videoEngines,
      ...catalogue.memoryModules,
      ...catalogue.machineBases,
    ].map(({ id }) => id)
    expect(ids.filter((id, index) => ids.indexOf(id) !== index)).toEqual([])
    for (const { id, idleW, loadW } of catalogue.hardware)
      expect(idleW, id).toBeLessThanOrEqual(loadW)
  })
  it('of each socket there are boards, processors and coolers', () => {
    const sockets = new Set(allBoards.flatMap(({ socket }) => socket ?? []))
    for (const socket of sockets) {
      expect(
        catalogue.processors.some(entry => entry.socket === socket),
        socket,
      ).toBe(true)
      expect(
        catalogue.hardware.some(part => part.kind === 'cooler' && part.sockets.includes(socket)),
        socket,
      ).toBe(true)
    }
    for (const { id, socket } of catalogue.processors)
      if (socket !== null) expect(sockets, id).toContain(socket)
  })
})

describe('how things are sold', () => {
  it('is refurbished for what is made no more, and used where nobody puts it in order', () => {
    expect([soldOf(2020), soldOf(2021)]).toEqual(['refurbished', 'new'])
    for (const { year, sold } of [...processors, ...boards])
      expect(sold).toBe(year <= lastMadeNoMore ? 'refurbished' : 'new')
    const soldIn = (cls: string) => [
      ...new Set(machineBases.filter(base => base.class === cls).map(({ sold }) => sold)),
    ]
    expect(soldIn('office')).not.toContain('new')
    expect(soldIn('rack')).toEqual(['used'])
    expect(soldIn('appliance').toSorted()).toEqual(['new', 'used'])
    // What a description calls used is sold so.
    for (const { description, sold, id } of machineBases)
      if (/\bused\b/i.test(description)) expect(sold, id).toBe('used')
    expect(
      videoEngines.filter(({ kind }) => kind === 'card').map(({ id, sold }) => [id, sold]),
    ).toEqual([
      ['cardEntry', 'used'],
      ['cardWorkstation', 'used'],
      ['cardModern', 'new'],
      ['cardOldGaming', 'used'],
    ])
  })
  it('stands behind what a part is in the tray', () => {
    const text = (kind: 'board' | 'processor' | 'card', id: string) =>
      entriesOfKind(kind, catalogue).find(entry => entry.id === id)!.text
    expect(text('processor', 'leat-17')).toBe('socket L3, 4 cores, refurbished')
    expect(text('board', 'lych-17')).toMatch(/data ports, refurbished$/)
    expect(text('board', 'postern-22')).toMatch(/data ports$/)
    expect([text('card', 'cardEntry'), text('card', 'cardModern')]).toEqual([
      '2016–19, used',
      '2022–',
    ])
  })
})

describe('boards', () => {
  it.each(allBoards)(
    '$id shares only places that it has, never in a circle, and names each once',
    board => {
      const places = new Map(board.places.map(place => [place.id, place]))
      expect(places.size).toBe(board.places.length)
      for (const { when, by, off = [], narrows } of board.sharing) {
        expect(
          [when, ...off, ...(narrows ? [narrows.place] : [])].filter(id => !places.has(id)),
        ).toEqual([])
        expect(off.length > 0 || narrows !== undefined).toBe(true)
        if (narrows) expect(narrows.lanes).toBeLessThan(places.get(narrows.place)!.lanes)
        if (by) expect(places.get(when)!.kind).toBe('m2')
        if (by === 'sata') expect(places.get(when)!.takesData).toBeDefined()
      }
      const visit = (id: string, above: readonly string[]): void => {
        expect(above).not.toContain(id)
        for (const rule of board.sharing)
          if (rule.when === id) rule.off?.forEach(next => visit(next, [...above, id]))
      }
      board.places.forEach(({ id }) => visit(id, []))
      for (const { lanes, length, kind } of board.places)
        expect(lanes <= length || kind === 'data').toBe(true)
      if (board.processor)
        expect(catalogue.processors.map(({ id }) => id)).toContain(board.processor)
      expect(board.socket === null).toBe(board.processor !== null)
    },
  )
  it('many of them have a rule that nobody would guess', () =>
    expect(allBoards.filter(({ sharing }) => sharing.length > 0).length).toBeGreaterThanOrEqual(15))
})

describe('prebuilt machines', () => {
  it.each(catalogue.machineBases)(
    '$id: bays, memory, ports and processor are those of what is inside',
    base => {
      const { board, case: housing } = base.inside
      expect(housing.bays35 >= base.bays || base.bays === 0).toBe(true)
      expect(base.memorySticks).toBeLessThanOrEqual(board.memory.slots)
      expect(base.memoryGB).toBeLessThanOrEqual(board.memory.maxGB)
      expect(Math.max(...board.networkMbps)).toBe(base.portMbps)
      if (board.processor) expect(base.processor).toBe(board.processor)
      if (base.processor && board.socket)
        expect(catalogue.processors.find(({ id }) => id === base.processor)!.socket).toBe(
          board.socket,
        )
      expect(board.places.filter(({ kind }) => kind === 'data').length).toBeGreaterThanOrEqual(
        base.bays,
      )
    },
  )
  it('every video card is known as a card', () => {
    expect(videoCardShapes.map(({ engine }) => engine).sort()).toEqual(
      catalogue.videoEngines
        .filter(({ kind }) => kind === 'card')
        .map(({ id }) => id)
        .sort(),
    )
  })
})
