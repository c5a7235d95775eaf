import { formatNumber } from '../units/formatNumber'
import type { Layout } from './layouts/layout'

/**
 * What one dead drive costs, in a sentence.
 * @param rebuildHours null where nothing can be rebuilt
 * @param drives members of the layout
 */
export function deadDriveSentence(layout: Layout, drives: number, rebuildHours: number | null): string {
  const survives = layout.survives(drives)
  if (survives === 0) return layout.loss === 'everything' ? 'Everything on the pool is lost.' : 'The files on that drive are lost; the other drives stay readable.'
  const rebuild = rebuildHours === null ? 'a rebuild' : `a rebuild of about ${hoursText(rebuildHours)}`
  const until = survives === 1 ? 'A second death before it ends ' + secondLoss(layout) : `It still survives ${survives === 2 ? 'one more' : `${survives - 1} more`} meanwhile.`
  return `Nothing is lost; the box runs on through ${rebuild}. ${until}${layout.caveat ? ` ${layout.caveat}` : ''}`
}

function secondLoss(layout: Layout): string {
  if (layout.id === 'pairs') return 'loses everything if it is the other half of the pair.'
  switch (layout.loss) {
    case 'everything': return 'loses everything.'
    case 'deadDrivesOnly': return 'loses the files on the dead drives.'
    case 'shareOfFiles': return 'loses the files that lay on both.'
  }
}

/** Hours rounded as people say them. */
export function hoursText(hours: number): string {
  if (hours < 10) return `${formatNumber(hours, 2)}\u00A0h`
  return hours < 72 ? `${Math.round(hours)}\u00A0h` : `${formatNumber(hours / 24, 2)}\u00A0days`
}
