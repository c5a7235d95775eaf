import type { ChainLink } from '~~/core/network/chain'
import type { MapDevice } from '~/composables/useNetworkChain'

/** A pipe of the map: as thick as it carries, filled by what is on it. */
export interface Pipe {
  readonly id: string
  readonly label: string
  readonly capacityMbps: number
  readonly loadMbps: number
  readonly x1: number
  readonly y1: number
  readonly x2: number
  readonly y2: number
  readonly width: number
  /** where its label stands: along the pipe, and above or below it */
  readonly labelAt: number
  readonly below: boolean
}
export interface Plot {
  readonly id: string
  readonly label: string
  readonly sub: string
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** Thickness of a pipe: by the logarithm, so that 5 Mb/s can be seen beside 10 000. */
export function pipeWidth(capacityMbps: number): number {
  return Math.max(3, Math.min(26, 3 + 5.6 * Math.log10(Math.max(1, capacityMbps))))
}

const row = 46
const top = 34

/**
 * Machine, switch and devices at home from left to right; below them the line out of the house and
 * the places away.
 */
export function networkMap(
  links: readonly ChainLink[],
  {
    devices,
    away,
    width,
    names,
  }: {
    readonly devices: readonly MapDevice[]
    readonly away: { readonly capacityMbps: number; readonly loadMbps: number } | null
    readonly width: number
    readonly names: (id: ChainLink['id']) => string
  },
): { readonly plots: Plot[]; readonly pipes: Pipe[]; readonly height: number } {
  const isNarrow = width < 560
  const home = devices.filter(({ isAway }) => !isAway)
  const outside = devices.filter(({ isAway }) => isAway)
  const plotWidth = isNarrow ? 92 : 128
  const smallWidth = isNarrow ? 70 : 104
  const homeHeight = Math.max(2, home.length) * row
  const outHeight = Math.max(1, outside.length) * row
  const height = top + homeHeight + 42 + outHeight + 16
  const middle = top + homeHeight / 2
  const machine: Plot = {
    id: 'machine',
    label: 'Machine',
    sub: '',
    x: 8,
    y: top,
    width: smallWidth,
    height: homeHeight - 8,
  }
  const hub: Plot = {
    id: 'hub',
    label: 'Switch',
    sub: 'and router',
    x: width * 0.57 - smallWidth / 2,
    y: top,
    width: smallWidth,
    height: height - top - 16,
  }
  const right = width - 8 - plotWidth
  const plots: Plot[] = [machine, hub]
  const pipes: Pipe[] = []
  const shared = links.filter(({ id }) => id !== 'device')
  const shownFrom = machine.x + machine.width
  const inside = shared.filter(
    ({ id }) => id === 'drives' || id === 'controller' || id === 'enclosure',
  )
  const between = shared.filter(({ id }) => !inside.some(link => link.id === id))
  inside.forEach((link, index) =>
    pipes.push({
      ...link,
      label: names(link.id),
      x1: machine.x + 10,
      x2: machine.x + machine.width - 10,
      y1: top + 54 + index * 38,
      y2: top + 54 + index * 38,
      width: pipeWidth(link.capacityMbps),
      labelAt: 0.5,
      below: false,
    }),
  )
  between.forEach((link, index) => {
    const step = (hub.x - shownFrom) / between.length
    pipes.push({
      ...link,
      label: names(link.id),
      x1: shownFrom + index * step,
      x2: shownFrom + (index + 1) * step,
      y1: middle,
      y2: middle,
      width: pipeWidth(link.capacityMbps),
      labelAt: 0.5,
      below: index % 2 === 1,
    })
  })
  const fromHub = hub.x + hub.width
  home.forEach((device, index) => {
    const y = top + index * row + row / 2 - 4
    plots.push({
      id: `device-${device.index}`,
      label: device.name,
      sub: device.link,
      x: right,
      y: y - 18,
      width: plotWidth,
      height: 38,
    })
    pipes.push({
      id: `device-${device.index}`,
      label: `${device.name}: ${device.link}`,
      capacityMbps: device.capacityMbps,
      loadMbps: device.loadMbps,
      x1: fromHub,
      x2: right,
      y1: y,
      y2: y,
      width: pipeWidth(device.capacityMbps),
      labelAt: 0.5,
      below: false,
    })
  })
  const outTop = top + homeHeight + 42
  const outMiddle = outTop + outHeight / 2 - 4
  if (away)
    pipes.push({
      id: 'upload',
      label: 'Internet line, upload',
      ...away,
      x1: fromHub,
      x2: fromHub + (right - fromHub) * 0.45,
      y1: outMiddle,
      y2: outMiddle,
      width: pipeWidth(away.capacityMbps),
      labelAt: 0.5,
      below: false,
    })
  outside.forEach((device, index) => {
    const y = outTop + index * row + row / 2 - 4
    plots.push({
      id: `device-${device.index}`,
      label: device.name,
      sub: device.place,
      x: right,
      y: y - 18,
      width: plotWidth,
      height: 38,
    })
    pipes.push({
      id: `device-${device.index}`,
      label: `${device.name}, ${device.place}`,
      capacityMbps: device.capacityMbps,
      loadMbps: device.loadMbps,
      x1: fromHub + (right - fromHub) * 0.45,
      x2: right,
      y1: outMiddle,
      y2: y,
      width: pipeWidth(device.capacityMbps),
      labelAt: 0.66,
      below: y > outMiddle,
    })
  })
  return { plots, pipes, height }
}
