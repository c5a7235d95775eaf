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
/** From the switch to a router apart from it. */
const toRouter = 34
/** From a device's row to its frame. */
const deviceHeight = 38

interface Asked {
  readonly devices: readonly MapDevice[]
  readonly away: { readonly capacityMbps: number; readonly loadMbps: number } | null
  /** the port of a router apart from the switch; null where they are one */
  readonly router: { readonly capacityMbps: number; readonly loadMbps: number } | null
  readonly width: number
  readonly names: (id: ChainLink['id']) => string
}

/** Where what stands on the map is, px. */
interface Frame {
  readonly machine: Plot
  readonly hub: Plot
  /** what Wi-Fi and the line out of the house hang on: the hub itself where it is the router */
  readonly router: Plot
  /** where the rows of devices on the switch and of those behind the router begin */
  readonly wiredTop: number
  readonly wifiTop: number
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
  const wired = asked.router ? home.filter(({ behindRouter }) => !behindRouter) : home
  const wifi = asked.router ? home.filter(({ behindRouter }) => behindRouter) : []
  const frame = frameOf(asked.width, {
    wired: wired.length,
    wifi: asked.router ? wifi.length : null,
    outside: outside.length,
    inside: links.filter(isInside).length,
  })
  const { machine, hub, router, height } = frame
  const rows = [
    ...wired.map((device, index) => ({ device, from: hub, y: deviceRow(frame.wiredTop, index) })),
    ...wifi.map((device, index) => ({ device, from: router, y: deviceRow(frame.wifiTop, index) })),
  ]
  return {
    plots: [
      machine,
      hub,
      ...(router === hub ? [] : [router]),
      ...rows.map(({ device, y }) => devicePlot(device, y, frame)),
      ...outside.map((device, index) => devicePlot(device, deviceRow(frame.outTop, index), frame)),
    ],
    pipes: [
      ...sharedPipes(links, asked, frame),
      ...routerPipe(asked, frame),
      ...rows.map(({ device, from, y }) => homePipe(device, y, { from, right: frame.right })),
      ...linePipe(asked, frame),
      ...outside.map((device, index) => awayPipe(device, deviceRow(frame.outTop, index), frame)),
    ],
    height,
  }
}

/** Links within the machine. */
const insideIds: readonly string[] = ['drives', 'enclosure', 'controller', 'processor']
const isInside = ({ id }: ChainLink) => insideIds.includes(id)
/** The first of them in the machine's frame, and from one to the next. */
const firstInside = 54
const nextInside = 38

function frameOf(
  width: number,
  {
    wired,
    wifi,
    outside,
    inside,
  }: {
    readonly wired: number
    /** null where the router is the switch */
    readonly wifi: number | null
    readonly outside: number
    readonly inside: number
  },
): Frame {
  const isNarrow = width < 560
  const deviceWidth = isNarrow ? 92 : 128
  const smallWidth = isNarrow ? 70 : 104
  // As tall as what is at home, and as what is in the machine.
  const hubHeight = wifi === null ? Math.max(2, wired) * row : Math.max(1, wired) * row
  const wifiTop = top + hubHeight + toRouter
  const rowsHeight = wifi === null ? hubHeight : hubHeight + toRouter + Math.max(1, wifi) * row
  const homeHeight = Math.max(rowsHeight, firstInside + inside * nextInside - 4)
  const outHeight = Math.max(1, outside) * row
  const outTop = top + homeHeight + 42
  const height = outTop + outHeight + 16
  const hub: Plot = {
    id: 'hub',
    label: 'Switch',
    sub: wifi === null ? 'and router' : '',
    x: width * 0.57 - smallWidth / 2,
    y: top,
    width: smallWidth,
    height: wifi === null ? height - top - 16 : hubHeight - 8,
  }
  return {
    hub,
    router:
      wifi === null
        ? hub
        : {
            ...hub,
            id: 'router',
            label: 'Router',
            sub: 'and Wi-Fi',
            y: wifiTop,
            height: height - wifiTop - 16,
          },
    wiredTop: top,
    wifiTop,
    machine: {
      id: 'machine',
      label: 'Machine',
      sub: '',
      x: 8,
      y: top,
      width: smallWidth,
      height: homeHeight - 8,
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
  { machine, hub, router, homeHeight }: Frame,
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
        // Into the switch, where it has a router under it.
        router === hub ? top + homeHeight / 2 : hub.y + hub.height / 2,
      ),
    ),
  ]
}

function homePipe(
  { index, name, link, capacityMbps, loadMbps }: MapDevice,
  y: number,
  { from, right }: { readonly from: Plot; readonly right: number },
): Pipe {
  return {
    id: `device-${index}`,
    label: `${name}: ${link}`,
    capacityMbps,
    loadMbps,
    x1: from.x + from.width,
    x2: right,
    y1: y,
    y2: y,
    width: pipeWidth(capacityMbps),
    labelAt: 0.5,
    below: false,
  }
}

/** From the switch down to a router apart from it. */
function routerPipe({ router: port }: Asked, { hub, router }: Frame): Pipe[] {
  if (!port) return []
  const x = hub.x + hub.width / 2
  return [
    {
      id: 'router',
      label: 'Port of the router',
      ...port,
      x1: x,
      x2: x,
      y1: hub.y + hub.height,
      y2: router.y,
      width: pipeWidth(port.capacityMbps),
      labelAt: 0.5,
      below: false,
    },
  ]
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
