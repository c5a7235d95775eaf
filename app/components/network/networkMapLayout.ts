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
/** From a device's row to its frame. */
const deviceHeight = 38

interface Asked {
  readonly devices: readonly MapDevice[]
  readonly away: { readonly capacityMbps: number; readonly loadMbps: number } | null
  readonly width: number
  readonly names: (id: ChainLink['id']) => string
}

/** Where what stands on the map is, px. */
interface Frame {
  readonly machine: Plot
  readonly hub: Plot
  /** left edge and width of the devices */
  readonly right: number
  readonly deviceWidth: number
  readonly homeHeight: number
  /** where devices away begin, and the middle of their rows */
  readonly outTop: number
  readonly outMiddle: number
  readonly height: number
}

/**
 * Machine, switch and devices at home from left to right; below them the line out of the house and
 * the places away.
 */
export function networkMap(
  links: readonly ChainLink[],
  asked: Asked,
): { readonly plots: Plot[]; readonly pipes: Pipe[]; readonly height: number } {
  const home = asked.devices.filter(({ isAway }) => !isAway)
  const outside = asked.devices.filter(({ isAway }) => isAway)
  const frame = frameOf(asked.width, {
    home: home.length,
    outside: outside.length,
    inside: links.filter(isInside).length,
  })
  const { machine, hub, height } = frame
  return {
    plots: [
      machine,
      hub,
      ...home.map((device, index) => devicePlot(device, deviceRow(top, index), frame)),
      ...outside.map((device, index) => devicePlot(device, deviceRow(frame.outTop, index), frame)),
    ],
    pipes: [
      ...sharedPipes(links, asked, frame),
      ...home.map((device, index) => homePipe(device, deviceRow(top, index), frame)),
      ...linePipe(asked, frame),
      ...outside.map((device, index) => awayPipe(device, deviceRow(frame.outTop, index), frame)),
    ],
    height,
  }
}

/** Links within the machine. */
const isInside = ({ id }: ChainLink) => id === 'drives' || id === 'controller' || id === 'enclosure'
/** The first of them in the machine's frame, and from one to the next. */
const firstInside = 54
const nextInside = 38

function frameOf(
  width: number,
  {
    home,
    outside,
    inside,
  }: { readonly home: number; readonly outside: number; readonly inside: number },
): Frame {
  const isNarrow = width < 560
  const deviceWidth = isNarrow ? 92 : 128
  const smallWidth = isNarrow ? 70 : 104
  // As tall as what is at home, and as what is in the machine.
  const homeHeight = Math.max(Math.max(2, home) * row, firstInside + inside * nextInside - 4)
  const outHeight = Math.max(1, outside) * row
  const outTop = top + homeHeight + 42
  const height = outTop + outHeight + 16
  return {
    machine: {
      id: 'machine',
      label: 'Machine',
      sub: '',
      x: 8,
      y: top,
      width: smallWidth,
      height: homeHeight - 8,
    },
    hub: {
      id: 'hub',
      label: 'Switch',
      sub: 'and router',
      x: width * 0.57 - smallWidth / 2,
      y: top,
      width: smallWidth,
      height: height - top - 16,
    },
    right: width - 8 - deviceWidth,
    deviceWidth,
    homeHeight,
    outTop,
    outMiddle: outTop + outHeight / 2 - 4,
    height,
  }
}

/** Middle of a device's row. */
const deviceRow = (first: number, index: number) => first + index * row + row / 2 - 4
const lineEnd = ({ hub, right }: Frame) => {
  const from = hub.x + hub.width
  return from + (right - from) * 0.45
}

function devicePlot(device: MapDevice, y: number, { right, deviceWidth }: Frame): Plot {
  return {
    id: `device-${device.index}`,
    label: device.name,
    sub: device.isAway ? device.place : device.link,
    x: right,
    y: y - 18,
    width: deviceWidth,
    height: deviceHeight,
  }
}

/** What all streams share: links in the machine in a column, those to the switch in a row. */
function sharedPipes(
  links: readonly ChainLink[],
  { names }: Asked,
  { machine, hub, homeHeight }: Frame,
): Pipe[] {
  const shared = links.filter(({ id }) => id !== 'device')
  const between = shared.filter(link => !isInside(link))
  const from = machine.x + machine.width
  const step = (hub.x - from) / between.length
  const pipe = (link: ChainLink, place: Pick<Pipe, 'x1' | 'x2' | 'below'>, y: number): Pipe => ({
    ...link,
    ...place,
    label: names(link.id),
    y1: y,
    y2: y,
    width: pipeWidth(link.capacityMbps),
    labelAt: 0.5,
  })
  return [
    ...shared
      .filter(isInside)
      .map((link, index) =>
        pipe(
          link,
          { x1: machine.x + 10, x2: from - 10, below: false },
          top + firstInside + index * nextInside,
        ),
      ),
    ...between.map((link, index) =>
      pipe(
        link,
        { x1: from + index * step, x2: from + (index + 1) * step, below: index % 2 === 1 },
        top + homeHeight / 2,
      ),
    ),
  ]
}

function homePipe(
  { index, name, link, capacityMbps, loadMbps }: MapDevice,
  y: number,
  { hub, right }: Frame,
): Pipe {
  return {
    id: `device-${index}`,
    label: `${name}: ${link}`,
    capacityMbps,
    loadMbps,
    x1: hub.x + hub.width,
    x2: right,
    y1: y,
    y2: y,
    width: pipeWidth(capacityMbps),
    labelAt: 0.5,
    below: false,
  }
}

/** The line out of the house. */
function linePipe({ away }: Asked, frame: Frame): Pipe[] {
  if (!away) return []
  return [
    {
      id: 'upload',
      label: 'Internet line, upload',
      ...away,
      x1: frame.hub.x + frame.hub.width,
      x2: lineEnd(frame),
      y1: frame.outMiddle,
      y2: frame.outMiddle,
      width: pipeWidth(away.capacityMbps),
      labelAt: 0.5,
      below: false,
    },
  ]
}

function awayPipe(
  { index, name, place, capacityMbps, loadMbps }: MapDevice,
  y: number,
  frame: Frame,
): Pipe {
  return {
    id: `device-${index}`,
    label: `${name}, ${place}`,
    capacityMbps,
    loadMbps,
    x1: lineEnd(frame),
    x2: frame.right,
    y1: frame.outMiddle,
    y2: y,
    width: pipeWidth(capacityMbps),
    labelAt: 0.66,
    below: y > frame.outMiddle,
  }
}
