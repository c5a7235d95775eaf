import { dedicatedParity } from './dedicatedParity'
import { duplication } from './duplication'
import type { Layout } from './layout'
import { mirror } from './mirror'
import { mirroredPairs } from './mirroredPairs'
import { nightlyCopy } from './nightlyCopy'
import { nightlyParity } from './nightlyParity'
import { rotatingParity } from './rotatingParity'
import { separateDisks } from './separateDisks'
import { slicedHybrid } from './slicedHybrid'
import { span } from './span'
import { stripe } from './stripe'

/**
 * Every layout a plan can choose, in the order they are shown. A new one is a file and a line here.
 */
export const layouts: readonly Layout[] = [
  span,
  separateDisks,
  stripe,
  mirror,
  mirroredPairs,
  rotatingParity(1),
  rotatingParity(2),
  rotatingParity(3),
  dedicatedParity(1),
  dedicatedParity(2),
  nightlyParity(1),
  nightlyParity(2),
  slicedHybrid(1),
  slicedHybrid(2),
  duplication,
  nightlyCopy,
]
