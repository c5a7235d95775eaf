import { defineDomain, type Telling } from '../domain'
import { rebuildShareOfOuter } from '../drives/rebuildHours'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  conversion,
  figureOf,
  minus,
  notBelowNothing,
  product,
  quotient,
  sum,
  workedOut,
  type Input,
} from '../expressions/expression'
import { mustSurvive } from '../expressions/inputs/driveInputs'
import type { Plan } from '../plan/planSchema'
import type { Format } from '../units/format'
import { bindingTwo, chainOf, chainHours, type ChainLink, type ChainQuestion } from './chain'
import type { Hardware } from '../machine/hardware'
import type { NetworkFacts } from './networkFacts'
import { processorMBps } from './processorRate'

/** What the wiring needs of others. */
interface WiringNeeds {
  readonly network: NetworkFacts
  readonly drives: {
    readonly slowestOuterMBps: number
    readonly pool: { readonly writesParity: boolean } | null
  }
  readonly machine: { readonly hardware: Hardware }
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
  /** what parity and encryption let through, MB/s; null where there is neither */
  readonly processorMBps: number | null
  /** to copy everything that is kept now, h; null where nothing gets through */
  readonly fillHours: number | null
}

export const linkNames: Readonly<Record<ChainLink['id'], string>> = {
  drives: 'the drives',
  controller: 'the controller',
  enclosure: 'the enclosure',
  processor: 'the processor',
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
    processorMBps: question.processorMBps,
    copies: bindingTwo(links, 'copies'),
    fillHours: chainHours(
      contentTB,
      links.map(link => ({ ...link, loadMbps: 0 })),
    ),
  }
}

const homeNetwork: readonly Input[] = [
  'network.serverPortMbps',
  'network.cableMbps',
  'network.switchMbps',
  'network.serverLink',
  'network.serverLinkMbps',
  'network.serverWifi',
  'network.meshWithoutWire',
  'calibration.trials',
  'calibration.countsFrom',
]
/** What the processor lets through. */
export const processorInputs: readonly Input[] = [
  'drives.encrypted',
  'drives.layout',
  'drives.hotSpares',
  mustSurvive,
  'machine.processor',
  'machine.score',
  'machine.cores',
  'machine.sustainedGHz',
  'machine.designYear',
  'machine.coreKind',
  'machine.threadsPerCore',
  'machine.usedHoursPerDay',
  'machine.usedShare',
]
/** What the links between the drives and the switch carry. */
const chain: readonly Input[] = [
  ...homeNetwork,
  'drives.lots',
  'drives.driveClass',
  'drives.outerMBps',
  'machine.base',
  'machine.parts',
  ...processorInputs,
]

function tellWiring(
  { copies: { now, next }, fillHours, links }: WiringFacts,
  { contentTB }: WiringSlice,
  format: Format,
): Telling {
  const minMbps = Math.min(...links.map(({ capacityMbps }) => capacityMbps))
  const left = { id: 'network.bottleneck', unit: 'Mb/s' } as const
  const fill = {
    id: 'network.firstFillHours',
    label: 'First fill over the home network',
    unit: 'h',
  } as const
  return {
    figures: () => [
      now
        ? declareFigure(
            () =>
              notBelowNothing(
                sum(
                  workedOut(now.capacityMbps, 'Mb/s', {
                    inputs: chain,
                    after: `of ${linkNames[now.id]}`,
                  }),
                  minus(
                    figureOf('network.homePeakMbps', [now.loadMbps, 'Mb/s'], {
                      after: 'of watching',
                    }),
                  ),
                ),
              ),
            {
              ...left,
              label: `Left for copies by ${linkNames[now.id]}`,
              ...(next ? { note: `Once it is faster, ${linkNames[next.id]} is next.` } : {}),
            },
            format,
          )
        : absentFigure('There is no link.', {
            ...left,
            label: 'Left for copies',
            inputs: chain,
            formula: 'capacity − load',
          }),
      fillHours === null
        ? absentFigure('Nothing gets through.', { ...fill, inputs: chain, formula: 'bytes ÷ rate' })
        : declareFigure(
            () =>
              quotient(
                quotient(
                  product(
                    workedOut(contentTB, 'TB', { inputs: [{ figure: 'library.contentTB' }] }),
                    conversion(8e6, 'Mb/TB'),
                  ),
                  workedOut(minMbps, 'Mb/s', { inputs: chain }),
                ),
                conversion(3600, 's/h'),
              ),
            {
              ...fill,
              source:
                'The least of all links counts, with nobody watching; small files and the old ' +
                'drive are looked at under First fill.',
            },
            format,
          ),
    ],
    verdicts: [],
    findings: [],
  }
}

/** Which link binds between the drives and the house. */
export const wiring = defineDomain({
  id: 'wiring',
  needs: ['network', 'drives', 'library', 'machine', 'fitting'],
  read: (
    {
      network: {
        serverPortMbps,
        serverLink,
        serverLinkMbps,
        serverWifi,
        meshWithoutWire,
        cableMbps,
        switchMbps,
      },
      drives: { encrypted },
    }: Plan,
    _,
    needed: WiringNeeds,
  ): WiringSlice => ({
    network: {
      serverPortMbps,
      serverLink,
      serverLinkMbps,
      serverWifi,
      meshWithoutWire,
      cableMbps,
      switchMbps,
      ...(needed.network.lines?.home ? { homeFactor: needed.network.lines.home.factor } : {}),
    },
    drivesMBps: rebuildShareOfOuter * needed.drives.slowestOuterMBps,
    controllerMBps: needed.fitting.controllerMBps,
    enclosureMBps: needed.fitting.enclosureMBps,
    processorMBps: processorMBps(needed.machine.hardware, {
      parity: needed.drives.pool?.writesParity ?? false,
      encrypted,
    }),
    loadMbps: needed.network.homePeak.peakMbps,
    contentTB: needed.library.contentTB.likely,
  }),
  facts: wiringFacts,
  tell: tellWiring,
})
