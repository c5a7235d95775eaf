import type { Input } from '../node'

/** How many failed drives must lose nothing. */
export const mustSurvive = { figure: 'drives.mustSurvive' } as const

/** How the drives are arranged; while no layout is chosen it follows from what must survive. */
export function arrangedBy({ isAutomatic }: { readonly isAutomatic: boolean }): readonly Input[] {
  return [
    'drives.lots',
    'drives.layout',
    'drives.hotSpares',
    ...(isAutomatic ? ([mustSurvive] as const) : []),
  ]
}

/** What each drive is like, beside its size. */
export const traitInputs: readonly Input[] = [
  'drives.lots',
  'drives.driveClass',
  'drives.outerMBps',
  'drives.shingled',
]

/** What a rebuild runs at. */
export const rebuildRateInputs: readonly Input[] = [
  ...traitInputs,
  { figure: 'household.watchedHours' },
  'calibration.trials',
  'calibration.countsFrom',
  // An enclosure or a controller card may carry less than the drives on it.
  'machine.base',
  'machine.parts',
  'machine.bays',
]
