import type { Layout } from './layouts/layout'

/** What a layout cannot do, in a few words each; none where it can do all that is asked here. */
export function cannotDo(layout: Layout, expandsParity: boolean): string[] {
  const { runsOn, loss, grows, readableAlone, minimumDrives } = layout
  const survives = layout.survives(minimumDrives)
  const takesDrives = grows === 'added' || (grows === 'parityGroup' && expandsParity)
  return [
    ...(survives === 0 ? ['survive a failed drive'] : []),
    ...(survives > 0 && !runsOn
      ? ['play on what lay on a failed drive', 'cover what changed since its last run']
      : []),
    ...(loss === 'everything' ? ['keep a part when it loses'] : []),
    ...(readableAlone === 'no' ? ['be read drive by drive elsewhere'] : []),
    ...(takesDrives ? [] : ['take one more drive']),
  ]
}
