import { defineDomain, type Telling } from '../domain'
import { rebuildShareOfOuter } from '../drives/rebuildHours'
import { figure, noFigure } from '../figure'
import type { Plan } from '../plan/planSchema'
import type { Format } from '../units/format'
import { bindingTwo, chainOf, chainHours, type ChainLink, type ChainQuestion } from './chain'
import type { NetworkFacts } from './networkFacts'

/** What the wiring needs of others. */
interface WiringNeeds {
  readonly network: NetworkFacts
  readonly drives: { readonly slowestOuterMBps: number }
  readonly library: { readonly contentTB: { readonly likely: number } }
  readonly fitting: {
    readonly controllerMBps: number | null
    readonly enclosureMBps: number | null
  }
}

export interface WiringSlice extends Omit<ChainQuestion, 'deviceMbps' | 'deviceLoadMbps'> {
  readonly contentTB: number
}

/** The chain from the drives to the switch, with what watching puts on it. */
export interface WiringFacts {
  readonly links: readonly ChainLink[]
  readonly copies: ReturnType<typeof bindingTwo>
  /** to copy everything that is kept now, h; null where nothing gets through */
  readonly fillHours: number | null
}

export const linkNames: Readonly<Record<ChainLink['id'], string>> = {
  drives: 'the drives',
  controller: 'the controller',
  enclosure: 'the enclosure',
  port: 'the network port',
  cable: 'the cable',
  serverLink: 'the link of the machine',
  switch: 'the switch',
  device: 'the link of the device',
}

export function wiringFacts({ contentTB, ...question }: WiringSlice): WiringFacts {
  const links = chainOf({ ...question, deviceMbps: null, deviceLoadMbps: 0 })
  return {
    links,
    copies: bindingTwo(links, 'copies'),
    fillHours: chainHours(
      contentTB,
      links.map(link => ({ ...link, loadMbps: 0 })),
    ),
  }
}

function tellWiring(
  { copies: { now, next }, fillHours, links }: WiringFacts,
  { contentTB }: WiringSlice,
  { number: n }: Format,
): Telling {
  const inputs = [
    'network.serverPortMbps',
    'network.cableMbps',
    'network.switchMbps',
    'network.serverLink',
    'drives.lots',
    'machine.parts',
  ]
  const least = Math.min(...links.map(({ capacityMbps }) => capacityMbps))
  return {
    figures: [
      now
        ? figure(Math.max(0, now.capacityMbps - now.loadMbps), {
            id: 'network.bottleneck',
            label: `Left for copies by ${linkNames[now.id]}`,
            unit: 'Mb/s',
            inputs: [...inputs, 'network.homePeakMbps'],
            formula:
              `${n(now.capacityMbps, 4)} of ${linkNames[now.id]} − ${n(now.loadMbps, 3)} of ` +
              `watching = ${n(Math.max(0, now.capacityMbps - now.loadMbps), 4)} Mb/s`,
            ...(next ? { note: `Once it is faster, ${linkNames[next.id]} is next.` } : {}),
          })
        : noFigure('There is no link.', {
            id: 'network.bottleneck',
            label: 'Left for copies',
            unit: 'Mb/s',
            inputs,
            formula: 'capacity − load',
          }),
      fillHours === null
        ? noFigure('Nothing gets through.', {
            id: 'network.firstFillHours',
            label: 'First fill over the home network',
            unit: 'h',
            inputs,
            formula: 'bytes ÷ rate',
          })
        : figure(fillHours, {
            id: 'network.firstFillHours',
            label: 'First fill over the home network',
            unit: 'h',
            inputs: [...inputs, 'library.contentTB'],
            formula: `${n(contentTB, 3)} TB × 8 ÷ ${n(least, 4)} Mb/s = ${n(fillHours, 3)} h`,
            source:
              'The least of all links counts, with nobody watching; small files and the ' +
              'old drive are looked at under First fill.',
          }),
    ],
    verdicts: [],
    findings: [],
  }
}

/** Which link binds between the drives and the house. */
export const wiring = defineDomain({
  id: 'wiring',
  needs: ['network', 'drives', 'library', 'fitting'],
  read: (
    { network: { serverPortMbps, serverLink, serverLinkMbps, cableMbps, switchMbps } }: Plan,
    _,
    needed: WiringNeeds,
  ): WiringSlice => ({
    network: { serverPortMbps, serverLink, serverLinkMbps, cableMbps, switchMbps },
    drivesMBps: rebuildShareOfOuter * needed.drives.slowestOuterMBps,
    controllerMBps: needed.fitting.controllerMBps,
    enclosureMBps: needed.fitting.enclosureMBps,
    loadMbps: needed.network.homePeak.peakMbps,
    contentTB: needed.library.contentTB.likely,
  }),
  facts: wiringFacts,
  tell: tellWiring,
})
