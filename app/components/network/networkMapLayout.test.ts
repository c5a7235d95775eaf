import { describe, expect, it } from 'vitest'
import { chainOf } from '~~/core/network/chain'
import { planSchema } from '~~/core/plan/planSchema'
import { networkMap, pipeWidth } from './networkMapLayout'

const { network } = planSchema.parse({ name: 'x' })
const links = chainOf({
  network,
  drivesMBps: 157,
  controllerMBps: 500,
  processorMBps: null,
  enclosureMBps: null,
  deviceMbps: null,
  loadMbps: 36,
  deviceLoadMbps: 0,
})
const device = (index: number, isAway: boolean) => ({
  index,
  name: `Device ${index}`,
  place: isAway ? 'Ship' : 'At home',
  isAway,
  behindRouter: index % 2 === 1 && !isAway,
  link: 'Wi-Fi',
  capacityMbps: 94,
  loadMbps: 12,
})

describe('the map of the network', () => {
  it('has a frame for the machine that holds what is in it, however few devices there are', () => {
    const inside = chainOf({
      network,
      drivesMBps: 157,
      controllerMBps: 6800,
      processorMBps: null,
      enclosureMBps: 900,
      deviceMbps: null,
      loadMbps: 36,
      deviceLoadMbps: 0,
    })
    for (const count of [0, 1, 5]) {
      const { plots, pipes, height } = networkMap(inside, {
        devices: Array.from({ length: count }, (_, index) => device(index, false)),
        away: null,
        router: null,
        width: 640,
        names: id => id,
      })
      const machine = plots.find(({ id }) => id === 'machine')!
      const own = pipes.filter(({ id }) => ['drives', 'controller', 'enclosure'].includes(id))
      expect(own).toHaveLength(3)
      for (const { y1, width } of own) {
        expect(y1 - width / 2).toBeGreaterThanOrEqual(machine.y)
        expect(y1 + width / 2).toBeLessThanOrEqual(machine.y + machine.height)
      }
      expect(machine.y + machine.height).toBeLessThanOrEqual(height)
    }
  })
  it.each([360, 620, 900])(
    'has a pipe for each link and device, inside the picture, at %d px',
    width => {
      const { plots, pipes, height } = networkMap(links, {
        devices: [
          ...Array.from({ length: 9 }, (_, index) => device(index, false)),
          device(9, true),
        ],
        away: { capacityMbps: 16, loadMbps: 8 },
        router: null,
        width,
        names: id => id,
      })
      expect(pipes.map(({ id }) => id)).toEqual([
        'drives',
        'controller',
        'port',
        'cable',
        'switch',
        ...Array.from({ length: 9 }, (_, index) => `device-${index}`),
        'upload',
        'device-9',
      ])
      for (const { x1, x2, y1, y2 } of pipes)
        for (const [x, y] of [
          [x1, y1],
          [x2, y2],
        ] as const)
          expect(x >= 0 && x <= width && y >= 0 && y <= height).toBe(true)
      for (const { x, y, width: wide, height: high } of plots)
        expect(x >= 0 && x + wide <= width + 0.5 && y >= 0 && y + high <= height).toBe(true)
      const rows = plots
        .filter(({ id }) => id.startsWith('device'))
        .map(({ y }) => y)
        .toSorted((a, b) => a - b)
      rows.slice(1).forEach((y, index) => expect(y - rows[index]!).toBeGreaterThanOrEqual(38))
    },
  )
  it.each([360, 620, 900])('has a router apart from the switch under it, at %d px', width => {
    for (const count of [0, 1, 4, 9]) {
      const { plots, pipes, height } = networkMap(links, {
        devices: [
          ...Array.from({ length: count }, (_, index) => device(index, false)),
          device(9, true),
        ],
        away: { capacityMbps: 16, loadMbps: 8 },
        router: { capacityMbps: 94, loadMbps: 20 },
        width,
        names: id => id,
      })
      const of = (id: string) => plots.find(plot => plot.id === id)!
      const [hub, router] = [of('hub'), of('router')]
      expect(router.y).toBeGreaterThanOrEqual(hub.y + hub.height + 20)
      expect(router.y + router.height).toBeLessThanOrEqual(height)
      const pipe = pipes.find(({ id }) => id === 'router')!
      expect([pipe.y1, pipe.y2]).toEqual([hub.y + hub.height, router.y])
      // Wi-Fi hangs on the router, a wire on the switch, each beside what it hangs on.
      for (const { id, y1 } of pipes) {
        if (!id.startsWith('device-') || id === 'device-9') continue
        const own = Number(id.slice(7)) % 2 === 1 ? router : hub
        expect(y1 > own.y && y1 < own.y + own.height, id).toBe(true)
      }
      const line = pipes.find(({ id }) => id === 'upload')!
      expect(line.y1 > router.y && line.y1 < router.y + router.height).toBe(true)
      for (const { id, y1 } of pipes)
        if (['port', 'cable', 'switch'].includes(id))
          expect(y1 > hub.y && y1 < hub.y + hub.height).toBe(true)
    }
  })
  it('draws more as thicker, and never too thin or too thick to see', () => {
    const widths = [0.5, 5, 94, 941, 9414, 1e6].map(pipeWidth)
    expect(widths).toEqual(widths.toSorted((a, b) => a - b))
    expect([widths[0], widths.at(-1)]).toEqual([3, 26])
  })
})
