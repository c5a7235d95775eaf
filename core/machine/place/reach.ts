import type { Case } from '../../catalogue/hardware/hardwarePart'

/**
 * Minutes to swap a drive: from a front tray, behind a side panel, behind the board, and with
 * everything taken out.
 */
export const reachMinutes = { front: 2, side: 12, behind: 25, dismantle: 50 } as const

/** Minutes to swap each of so many drives, those in front trays first. */
export function swapMinutes(
  { hotSwap, reach }: Pick<Case, 'hotSwap' | 'reach'>,
  drives: number,
): number[] {
  return Array.from({ length: drives }, (_, drive) =>
    drive < hotSwap ? reachMinutes.front : reachMinutes[reach],
  )
}
