import {
  quotient,
  product,
  constant,
  least,
  field,
  chosen,
  workedOut,
  figureOf,
  sum,
} from '../expressions/expression'
import type { Expression, Input } from '../expressions/node'
import type { DimensionsOf } from '../expressions/unitTypes'
import { ethernetShare } from '../units/ethernet'
import { meshShare, powerlineShare, usualServerLinkMbps, wifiShare } from './chain'
import { basisOf, correctedExpression } from '../calibration/correctedExpression'
import type { NetworkFacts, NetworkSlice } from './networkFacts'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import type { Figure } from '../figure'
import type { Format } from '../units/format'
import { type WatchingLoad, shortChance } from './watchingLoad'
import { peakFactors } from '../catalogue/qualities'

type Rate = Expression<DimensionsOf<'Mb/s'>>
/** What an Ethernet link carries of its label. */
const payload = (link: Rate): Rate =>
  quotient(
    product(link, constant(ethernetShare.of, 'factor')),
    constant(ethernetShare.on, 'factor'),
  )

/** What the home network carries from the machine: the least of its links. */
function homeLink({
  serverPortMbps,
  serverLink,
  serverLinkMbps,
  serverWifi,
  meshWithoutWire,
  cableMbps,
  switchMbps,
}: NetworkSlice['network']): Rate {
  const port = field('network.serverPortMbps', [serverPortMbps, 'Mb/s'])
  const wired = serverLink === 'cable'
  const shown = (usual: number) =>
    field('network.serverLinkMbps', [serverLinkMbps ?? usual, 'Mb/s'])
  const overAir: Rate = quotient(
    shown(usualServerLinkMbps.wifi),
    workedOut(1 / wifiShare[serverWifi], 'factor', { inputs: ['network.serverWifi'] }),
  )
  const ownLink: Rate =
    serverLink === 'powerline'
      ? product(shown(usualServerLinkMbps.powerline), constant(powerlineShare, 'factor'))
      : meshWithoutWire
        ? product(overAir, workedOut(meshShare, 'factor', { inputs: ['network.meshWithoutWire'] }))
        : overAir
  const links: Rate[] = [
    ...(serverLink === 'wifi' ? [] : [payload(port)]),
    ...(wired ? [] : [ownLink]),
    ...(wired && cableMbps ? [payload(field('network.cableMbps', [cableMbps, 'Mb/s']))] : []),
    payload(switchMbps ? field('network.switchMbps', [switchMbps, 'Mb/s']) : port),
  ]
  const [first, ...others] = switchMbps || serverLink === 'wifi' ? links : links.slice(0, -1)
  return chosen(
    [
      'network.serverLink',
      'network.cableMbps',
      'network.switchMbps',
      ...(serverLink === 'wifi' ? (['network.meshWithoutWire'] as const) : []),
    ],
    least(first!, ...others),
  )
}

/** Chances below it are left out of a formula's text. */
const minTold = 0.001
const titleRates: readonly Input[] = ['library.holdings']
export const weekOf: readonly Input[] = ['household.habits', 'household.viewers']

/** The busiest moment by habits: what is asked of the home network and of the upload. */
export function loadFigures(facts: NetworkFacts, format: Format): Figure[] {
  const { homeLoad, awayLoad, awayCapacityMbps, homePeak } = facts
  const { number: n, share } = format
  const none = 'It follows from habits, and there are none on this side.'
  const each = (of: WatchingLoad) =>
    of.rows
      .filter(({ chance }) => chance >= minTold)
      .map(({ viewers, chance }) => `${n(viewers)}: ${share(chance)}`)
      .join(', ')
  const home = (
    parts: { readonly id: string; readonly label: string },
    tell: (load: WatchingLoad) => { readonly mbps: number; readonly says: string },
  ): Figure => {
    const inputs = [...weekOf, ...titleRates]
    if (!homeLoad)
      return absentFigure(none, { ...parts, unit: 'Mb/s', inputs, formula: 'chances × rates' })
    const { mbps, says } = tell(homeLoad)
    return declareFigure(
      () => workedOut(mbps, 'Mb/s', { inputs, says: `${says}: ${n(mbps, 3)} Mb/s` }),
      { ...parts, unit: 'Mb/s' },
      format,
    )
  }
  const away = {
    id: 'network.awayShortChance',
    label: 'Upload too small at the busiest moment',
    unit: 'share',
  } as const
  const awayInputs: readonly Input[] = [
    ...weekOf,
    ...titleRates,
    'network.uploadMbps',
    'network.uploadReserveShare',
    { figure: 'network.editingMbps' },
    'network.awayRungMbps',
  ]
  const away99 = {
    id: 'network.away99Mbps',
    label: 'Away, 99 % level',
    unit: 'Mb/s',
  } as const
  const tooSmall = awayLoad && shortChance(awayLoad, awayCapacityMbps)
  return [
    home(
      { id: 'network.homeMeanMbps', label: 'At home, on average at the busiest moment' },
      load => ({
        mbps: load.meanMbps,
        says:
          `viewers with their chances (${each(load)}), each at ` +
          `${n(homePeak.meanMbps, 3)} Mb/s on average over the titles`,
      }),
    ),
    home({ id: 'network.home99Mbps', label: 'At home, 99 % level' }, load => ({
      mbps: load.level99Mbps,
      says:
        `viewers with their chances (${each(load)}), each with a title of any rate by its ` +
        'share; together not exceeded with 99 %',
    })),
    awayLoad && tooSmall !== null
      ? declareFigure(
          () =>
            workedOut(tooSmall, 'share', {
              inputs: awayInputs,
              says:
                `viewers with their chances (${each(awayLoad)}), each with a title of any rate ` +
                `by its share: more than ${n(awayCapacityMbps, 3)} Mb/s are needed with ` +
                `${share(tooSmall)}`,
            }),
          away,
          format,
        )
      : absentFigure(none, {
          ...away,
          inputs: awayInputs,
          formula: 'chances of more than the upload carries',
        }),
    awayLoad
      ? declareFigure(
          () =>
            workedOut(awayLoad.level99Mbps, 'Mb/s', {
              inputs: [...weekOf, ...titleRates, 'network.awayRungMbps'],
              says:
                `viewers with their chances (${each(awayLoad)}), each with a title at its own ` +
                'rate or at the quality that is sent, whichever is less; together not exceeded ' +
                `with 99 %: ${n(awayLoad.level99Mbps, 3)} Mb/s`,
            }),
          away99,
          format,
        )
      : absentFigure(none, {
          ...away99,
          inputs: [...weekOf, ...titleRates, 'network.awayRungMbps'],
          formula: 'chances × rates',
        }),
  ]
}

export function homeFigures(
  { homePeak: peak, lines }: NetworkFacts,
  { network, atOnce }: NetworkSlice,
  format: Format,
): Figure[] {
  const { number: n } = format
  const watching = figureOf('household.watchingHomeAtOnce', [atOnce.home, 'viewers'])
  const peakRate = sum(
    product(watching, workedOut(peak.meanMbps, 'Mb/s/viewer', { inputs: titleRates })),
    workedOut(peak.largestRiseMbps, 'Mb/s', { inputs: titleRates }),
  )
  const nobody = workedOut(0, 'Mb/s', {
    inputs: [{ figure: 'household.watchingHomeAtOnce' }],
    says: 'Nobody watches at home, so nothing is needed.',
  })
  return [
    declareFigure(
      () => (atOnce.home > 0 ? peakRate : nobody),
      {
        id: 'network.homePeakMbps',
        label: 'Peak at home',
        unit: 'Mb/s',
        source:
          'Average rate of the titles for each viewer, and once the largest rise above its ' +
          `average: titles peak at ${n(peakFactors.reencoded)} times, discs at ` +
          `${n(peakFactors.disc)} times.`,
      },
      format,
    ),
    declareFigure(
      () => correctedExpression(homeLink(network), lines?.home ?? null),
      {
        id: 'network.homeLinkMbps',
        label: 'The home network carries',
        unit: 'Mb/s',
        ...basisOf(lines?.home ?? null),
        source:
          'TCP payload of Ethernet at MTU 1500: ' +
          `${n(ethernetShare.of)} of every ${n(ethernetShare.on)} bytes; powerline carries ` +
          `${n(powerlineShare.low)} to ${n(powerlineShare.high)} of its label; Wi-Fi half, a ` +
          'third or a sixth of what the machine shows, and half of that by a mesh without a ' +
          'wire. The least of all links counts.',
      },
      format,
    ),
  ]
}
