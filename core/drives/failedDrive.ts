import type { Format } from '../units/format'
import type { LossKind } from './layouts/layout'
import { layouts } from './layouts/layouts'

/** What the sentence about one failed drive follows from. */
export interface FailedDrive {
  readonly layoutId: string
  /** groups of drives that protect each other */
  readonly groups: number
  /** failed drives that lose nothing */
  readonly survives: number
  readonly loss: LossKind
  /** null where nothing can be rebuilt */
  readonly rebuildHours: number | null
}

/** What one failed drive costs, in a sentence. */
export function failedDriveText(
  { layoutId, groups, survives, loss, rebuildHours }: FailedDrive,
  { hours }: Format,
): string {
  if (survives === 0)
    return loss === 'everything'
      ? 'Everything on the pool is lost.'
      : 'The files on that drive are lost; the other drives stay readable.'
  const caveat = layouts.find(layout => layout.id === layoutId)?.caveat
  const rebuild = rebuildHours === null ? 'a rebuild' : `a rebuild of about ${hours(rebuildHours)}`
  // Drives of another group do not count: each group survives as many.
  const ofGroup = groups > 1 ? ' of its group' : ''
  const meanwhile =
    survives === 1
      ? `If a second drive${ofGroup} fails before it ends, ${secondLoss(layoutId, loss)}`
      : `${survives === 2 ? 'One more drive' : `${survives - 1} more drives`}${ofGroup} may fail ` +
        'meanwhile.'
  return (
    `Nothing is lost; the machine keeps running through ${rebuild}. ` +
    `${meanwhile}${caveat ? ` ${caveat}` : ''}`
  )
}

function secondLoss(layoutId: string, loss: LossKind): string {
  const own = layouts.find(layout => layout.id === layoutId)?.secondLoss
  if (own) return own
  return {
    everything: 'everything is lost.',
    failedDrivesOnly: 'the files on the failed drives are lost.',
    shareOfFiles: 'the files that lay on both are lost.',
  }[loss]
}
