import { automaticLayout } from '../plan/constants'
import type { Drives } from '../plan/drives'
import type { LayoutDrive } from './layouts/layout'
import { layouts } from './layouts/layouts'

/** Sizes that differ by more than this share of the largest are mixed. */
export const alikeShare = 0.1

/**
 * The layout that so many drives usually get, until one is chosen: separate disks where nothing has
 * to survive, a mirror
 * while there are no more drives than copies, then rotating parity over drives of one size and
 * dedicated parity over mixed
 * ones (with three parities rotating only).
 * @param members drives outside the hot spares
 * @param survives failed drives that must not lose data, 0..3
 * @returns id of a layout
 * @example layoutFor(four drives of 8 TB, 1) // 'rotating-1'
 */
export function layoutFor(
  members: readonly Pick<LayoutDrive, 'sizeTB'>[],
  survives: number,
): string {
  const sizes = members.map(drive => drive.sizeTB)
  const isMixed = Math.min(...sizes) < (1 - alikeShare) * Math.max(...sizes)
  const question = { drives: members.length, survives, isMixed }
  return (layouts.find(({ isUsual }) => isUsual?.(question)) ?? layouts[0]!).id
}

/** The layout that a plan has: the one chosen, else what its drives usually get. */
export function layoutOf(
  { layout, hotSpares }: Pick<Drives, 'layout' | 'hotSpares'>,
  drives: readonly LayoutDrive[],
  survives: number,
): string {
  return layout === automaticLayout ? usualLayout({ hotSpares }, drives, survives) : layout
}

/** The layout that drives usually get, for so many failed drives that must lose nothing. */
export function usualLayout(
  { hotSpares }: Pick<Drives, 'hotSpares'>,
  drives: readonly LayoutDrive[],
  survives: number,
): string {
  const members = [...drives].sort((a, b) => b.sizeTB - a.sizeTB).slice(hotSpares)
  // Of several groups the one with the fewest drives decides: one layout is made of all of them.
  const groups = [...new Set(members.map(drive => drive.group ?? 1))].map(group =>
    members.filter(drive => (drive.group ?? 1) === group),
  )
  return layoutFor(
    groups.reduce((least, group) => (group.length < least.length ? group : least), members),
    survives,
  )
}
