import {
  chosen,
  constant,
  field,
  figureOf,
  least,
  product,
  quotient,
  rest,
  sum,
  workedOut,
  type Expression,
  type Input,
} from '../expressions/expression'
import type { DimensionsOf } from '../expressions/unitTypes'
import { ethernetShare } from '../units/ethernet'
import { leftOfUpload } from './leftOfUpload'
import { overheadFactor } from './awayStreams'
import { downloadShare, type DeviceLink, type OwnLink, type SharedLinks } from './links'

type Rate = Expression<DimensionsOf<'Mb/s'>>

/** Where a column's device and place stand in the plan; null for a stand-in, and for home. */
interface LinkPlace {
  readonly deviceIndex: number | null
  readonly placeIndex: number | null
}

/** Fields of the home network that decide what its least link carries. */
const homeNetwork: readonly Input[] = [{ figure: 'network.homeLinkMbps' }]
const serverWifi: readonly Input[] = [
  'network.serverLink',
  'network.serverLinkMbps',
  'network.serverWifi',
  'network.meshWithoutWire',
]
/** Whoever else watches over the same channel: by the habits, the devices and where they are. */
const alsoOnWifi: readonly Input[] = [
  'household.habits',
  'household.devices',
  'household.viewers',
  { figure: 'household.watchingHomeAtOnce' },
]

function ownRate(own: OwnLink, { deviceIndex }: LinkPlace): Rate {
  const inputs: readonly Input[] =
    deviceIndex === null
      ? ['household.habits']
      : [`household.devices.${deviceIndex}.link`, `household.devices.${deviceIndex}.linkMbps`]
  switch (own.kind) {
    case 'cable':
      return quotient(
        product(
          workedOut(own.labelMbps, 'Mb/s', { inputs, before: 'cable of' }),
          constant(ethernetShare.of, 'factor'),
        ),
        constant(ethernetShare.on, 'factor'),
      )
    case 'mobile':
      return workedOut(own.mbps, 'Mb/s', { inputs, before: 'mobile network' })
    case 'wifi': {
      const air = quotient(
        workedOut(own.shownMbps, 'Mb/s', { inputs, before: 'Wi-Fi' }),
        workedOut(1 / own.share, 'factor', { inputs: [...inputs, 'network.meshWithoutWire'] }),
      )
      const server =
        own.serverMbps === null
          ? null
          : workedOut(own.serverMbps, 'Mb/s', {
              inputs: serverWifi,
              before: 'Wi-Fi of the machine',
            })
      return quotient(
        server === null ? air : quotient(product(air, server), sum(air, server)),
        workedOut(own.sessions, 'factor', { inputs: alsoOnWifi, after: 'on the channel' }),
      )
    }
  }
}

/** What a device's link gives one session: the least of all that it crosses. */
export function linkExpression(link: DeviceLink, shared: SharedLinks, at: LinkPlace): Rate {
  const own = ownRate(link.own, at)
  const router: Rate[] =
    link.routerShareMbps === null
      ? []
      : [
          quotient(
            workedOut(shared.routerMbps!, 'Mb/s', {
              inputs: ['network.routerMbps'],
              before: 'router',
            }),
            link.isAway
              ? figureOf('household.watchingAwayAtOnce', [shared.awaySessions, 'factor'])
              : figureOf('household.watchingHomeAtOnce', [shared.homeSessions, 'factor']),
          ),
        ]
  // Whether a router is crossed depends on how the machine hangs on the network.
  const crossing: readonly Input[] = ['network.routerMbps', 'network.serverLink']
  if (link.portShareMbps !== null)
    return chosen(
      crossing,
      least(
        own,
        quotient(
          workedOut(shared.homeMbps, 'Mb/s', { inputs: homeNetwork, before: 'home network' }),
          figureOf('household.watchingHomeAtOnce', [shared.homeSessions, 'factor']),
        ),
        ...router,
      ),
    )
  const upload = quotient(
    quotient(
      product(
        leftOfUpload(shared.uploadMbps + shared.editingMbps, shared.editingMbps, shared.measured),
        rest(field('network.uploadReserveShare', [shared.reserveShare, 'share'])),
      ),
      constant(overheadFactor, 'factor'),
    ),
    figureOf('household.watchingAwayAtOnce', [shared.awaySessions, 'factor'], { after: 'away' }),
  )
  const path = at.placeIndex === null ? null : (`household.places.${at.placeIndex}` as const)
  const downloads =
    link.downloadMbps === null || path === null
      ? []
      : [
          product(
            field(`${path}.downloadMbps`, [link.downloadMbps / downloadShare, 'Mb/s'], {
              before: 'download there',
            }),
            constant(downloadShare, 'share'),
          ),
        ]
  return chosen(
    [
      ...crossing,
      ...(path === null ? [] : [`${path}.downloadMbps` as const]),
      ...(at.deviceIndex === null ? [] : [`household.devices.${at.deviceIndex}.link` as const]),
    ],
    least(upload, ...router, ...downloads, ...(link.own.kind === 'mobile' ? [own] : [])),
  )
}
