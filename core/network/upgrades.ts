import { maxLinkMbps } from '../plan/constants'
import type { Network } from '../plan/network'
import { joinClauses } from '../verdictClauses'
import { bindingLink, chainHours, chainOf, type ChainLinkId, type ChainQuestion } from './chain'

const rates = { gigabit: 1000, fast: 2500, tenCopper: 10_000, tenFibre: 10_000 } as const
type RateId = keyof typeof rates

/** One step that makes the network faster: one thing, or a named set of them. */
export interface NetworkUpgrade {
  readonly id: 'cable' | 'wire' | `wire-${RateId}` | RateId | 'line'
  readonly label: string
  /** planning value of everything that it takes, in the plan's currency; null for a monthly line */
  readonly price: number | null
  readonly changes: Partial<
    Pick<Network, 'serverPortMbps' | 'serverLink' | 'cableMbps' | 'switchMbps' | 'uploadMbps'>
  >
}

/** What a step comes to. */
export interface UpgradeRow extends NetworkUpgrade {
  /** of a copy of everything, now and then; null where nothing gets through */
  readonly hours: number | null
  readonly hoursBefore: number | null
  /** streams that the upload carries more */
  readonly moreAway: number
  /** the link that binds then */
  readonly binds: ChainLinkId | null
  readonly gains: boolean
}

/** Prices of cables, and of a card and a switch of each rate: planning values. */
export const upgradePrices = {
  cable: 12,
  wire: 60,
  gigabit: { card: 15, switch: 30 },
  fast: { card: 25, switch: 90 },
  tenCopper: { card: 90, switch: 200 },
  tenFibre: { card: 35, switch: 175 },
} as const
const rateLabels: Readonly<Record<RateId, string>> = {
  gigabit: 'Gigabit',
  fast: '2.5 G',
  tenCopper: '10 G by copper:',
  tenFibre: '10 G by fibre, used:',
}
/** The next line that is sold has so many times the upload. */
export const nextLineFactor = 2
/** A step that saves less than this share of the hours is no gain. */
export const minGain = 0.02

/**
 * What brings machine and switch to a rate: the card where its port is slower, the switch where it
 * is, or was only as fast as the port, and a cable that carries less. What is faster stays. Null
 * where nothing is left to buy.
 */
function rateStep(id: RateId, { serverPortMbps, cableMbps, switchMbps }: Network) {
  const mbps = rates[id]
  const prices = upgradePrices[id]
  const needsCard = serverPortMbps < mbps
  const needsSwitch = switchMbps === 0 ? needsCard : switchMbps < mbps
  const needsCable = cableMbps !== 0 && cableMbps < mbps
  // A cable alone is a step of its own.
  if (!needsCard && !needsSwitch) return null
  const things = [
    ...(needsCard ? ['card'] : []),
    ...(needsSwitch ? ['switch'] : []),
    ...(needsCable ? ['cable'] : []),
  ]
  return {
    label: `${rateLabels[id]} ${joinClauses(things)}`,
    price:
      (needsCard ? prices.card : 0) +
      (needsSwitch ? prices.switch : 0) +
      (needsCable ? upgradePrices.cable : 0),
    changes: {
      ...(needsCard ? { serverPortMbps: mbps } : {}),
      ...(needsSwitch ? { switchMbps: mbps } : {}),
      ...(needsCable ? { cableMbps: mbps } : {}),
    } as const,
  }
}

/** A cable that is laid is as fast as the port. */
const newWire = { serverLink: 'cable', cableMbps: 0 } as const

/** Steps that a network could take: those it has already are left out. */
export function upgradeSteps(network: Network): NetworkUpgrade[] {
  const { serverPortMbps, serverLink, cableMbps, uploadMbps } = network
  const ids = Object.keys(rates) as RateId[]
  const wire = `A cable instead of ${serverLink === 'wifi' ? 'Wi-Fi' : 'powerline'}`
  const atRate = (rate: RateId): NetworkUpgrade[] => {
    if (serverLink === 'cable') {
      const step = rateStep(rate, network)
      return step ? [{ id: rate, ...step }] : []
    }
    const step = rateStep(rate, { ...network, ...newWire })
    if (!step) return []
    return [
      {
        id: `wire-${rate}`,
        label: `${wire}, and ${step.label.charAt(0).toLowerCase()}${step.label.slice(1)}`,
        price: upgradePrices.wire + step.price,
        changes: { ...newWire, ...step.changes },
      },
    ]
  }
  return [
    ...(serverLink === 'cable'
      ? []
      : [
          {
            id: 'wire',
            label: wire,
            price: upgradePrices.wire,
            changes: newWire,
          } as const,
        ]),
    ...(serverLink === 'cable' && cableMbps !== 0 && cableMbps < serverPortMbps
      ? [
          {
            id: 'cable',
            label: 'A new cable to the machine',
            price: upgradePrices.cable,
            changes: { cableMbps: 0 },
          } as const,
        ]
      : []),
    ...ids.flatMap(atRate),
    {
      id: 'line',
      label: 'An internet line with twice the upload',
      price: null,
      changes: { uploadMbps: Math.min(maxLinkMbps, uploadMbps * nextLineFactor) },
    },
  ]
}

/**
 * Each step with what it makes of copies and of viewers away; "no gain" where another link binds. A
 * step that would make copies slower (a cable to a slow port in place of fast Wi-Fi) is none.
 */
export function upgradeRows(
  network: Network,
  {
    question,
    sizeTB,
    awayWith,
  }: {
    readonly question: Omit<ChainQuestion, 'network'>
    readonly sizeTB: number
    readonly awayWith: (uploadMbps: number) => number
  },
): UpgradeRow[] {
  const hoursBefore = chainHours(sizeTB, chainOf({ ...question, network }))
  const awayBefore = awayWith(network.uploadMbps)
  return upgradeSteps(network).flatMap((step): UpgradeRow[] => {
    const links = chainOf({ ...question, network: { ...network, ...step.changes } })
    const hours = chainHours(sizeTB, links)
    const isSlower = hoursBefore !== null && (hours === null || hours > hoursBefore * (1 + 1e-9))
    if (isSlower) return []
    const moreAway = awayWith(step.changes.uploadMbps ?? network.uploadMbps) - awayBefore
    const faster = hours !== null && (hoursBefore === null || hours < hoursBefore * (1 - minGain))
    return [
      {
        ...step,
        hours,
        hoursBefore,
        moreAway,
        binds: bindingLink(links, 'copies')?.id ?? null,
        gains: faster || moreAway > 0,
      },
    ]
  })
}
