import type { Network } from '../plan/network'
import { bindingLink, chainHours, chainOf, type ChainLinkId, type ChainQuestion } from './chain'

/** One step that makes the network faster. */
export interface NetworkUpgrade {
  readonly id: 'cable' | 'wire' | 'gigabit' | 'fast' | 'tenCopper' | 'tenFibre' | 'line'
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

/** Prices of cards, switches and cables: planning values. */
export const upgradePrices = {
  cable: 12,
  wire: 60,
  gigabit: 45,
  fast: 115,
  tenCopper: 290,
  tenFibre: 210,
} as const
/** The next line that is sold has so many times the upload. */
export const nextLineFactor = 2
/** A step that saves less than this share of the hours is no gain. */
export const minGain = 0.02

/** Steps that make sense for a network: those it has already are left out. */
export function upgradeSteps({
  serverPortMbps,
  serverLink,
  cableMbps,
  switchMbps,
  uploadMbps,
}: Network): NetworkUpgrade[] {
  const port = (
    id: NetworkUpgrade['id'],
    label: string,
    mbps: 1000 | 2500 | 10_000,
  ): NetworkUpgrade[] =>
    serverPortMbps >= mbps &&
    (switchMbps === 0 || switchMbps >= mbps) &&
    (cableMbps === 0 || cableMbps >= mbps)
      ? []
      : [
          {
            id,
            label,
            price: upgradePrices[id as keyof typeof upgradePrices],
            changes: { serverPortMbps: mbps, cableMbps: 0, switchMbps: 0 },
          },
        ]
  return [
    ...(serverLink !== 'cable'
      ? [
          {
            id: 'wire',
            label: `A cable instead of ${serverLink === 'wifi' ? 'Wi-Fi' : 'powerline'}`,
            price: upgradePrices.wire,
            changes: { serverLink: 'cable' },
          } as const,
        ]
      : []),
    ...(cableMbps !== 0 && cableMbps < serverPortMbps
      ? [
          {
            id: 'cable',
            label: 'A new cable to the machine',
            price: upgradePrices.cable,
            changes: { cableMbps: 0 },
          } as const,
        ]
      : []),
    ...port('gigabit', 'Gigabit card and switch', 1000),
    ...port('fast', '2.5 G card and switch', 2500),
    ...port('tenCopper', '10 G by copper, card and switch', 10_000),
    ...port('tenFibre', '10 G by fibre, used card and switch', 10_000),
    {
      id: 'line',
      label: 'An internet line with twice the upload',
      price: null,
      changes: { uploadMbps: uploadMbps * nextLineFactor },
    },
  ]
}

/**
 * Each step with what it makes of copies and of viewers away; "no gain" where another link binds.
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
  return upgradeSteps(network).map((step): UpgradeRow => {
    const links = chainOf({ ...question, network: { ...network, ...step.changes } })
    const hours = chainHours(sizeTB, links)
    const moreAway = awayWith(step.changes.uploadMbps ?? network.uploadMbps) - awayBefore
    const faster = hours !== null && (hoursBefore === null || hours < hoursBefore * (1 - minGain))
    return {
      ...step,
      hours,
      hoursBefore,
      moreAway,
      binds: bindingLink(links, 'copies')?.id ?? null,
      gains: faster || moreAway > 0,
    }
  })
}
