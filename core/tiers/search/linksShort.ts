import type { Network } from '../../plan/network'
import type { BoxEvaluator } from '../buildRows'
import { failsNeed } from './buildQuestion'
import type { Frame } from './frame'

const linkNeeds = ['home', 'away'] as const
export type LinkNeed = (typeof linkNeeds)[number]

/** The fastest port that a machine can have. */
const fastestPort = ({ portMbps, groups }: Frame) =>
  groups
    .flatMap(({ options }) => options)
    .reduce(
      (most, option) => Math.max(most, option.portMbps ?? 0),
      portMbps as number,
    ) as Network['serverPortMbps']

/**
 * What a machine cannot mend of the ways to its viewers, however fast its port: nothing that is
 * chosen for it changes that.
 */
export const linksShort = (frame: Frame, { links }: Pick<BoxEvaluator, 'links'>): LinkNeed[] => {
  const states = links(fastestPort(frame))
  return linkNeeds.filter(id => failsNeed(states[id]))
}
