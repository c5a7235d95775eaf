import { holdingKind, type HoldingKindId } from '../catalogue/holdingKinds'
import type { Holding } from '../plan/library'
import type { Qualities } from './holdingSizes'

/** The qualities that a kind of holding comes in; any may also be given by its size. */
export function qualitiesOfKind(
  kind: HoldingKindId,
  { qualities, otherQualities }: Qualities,
): readonly { readonly id: string; readonly label: string }[] {
  const { sized } = holdingKind(kind)
  const own =
    sized === 'video' ? qualities : otherQualities.filter(quality => quality.sized === sized)
  return [
    ...own.map(({ id, label }) => ({ id, label })),
    { id: 'given', label: 'Size given directly' },
  ]
}

/**
 * The holding as one of another kind: a quality that this kind does not come in gives way to the
 * first that it does.
 */
export function withKind(holding: Holding, kind: HoldingKindId, lists: Qualities): Holding {
  const options = qualitiesOfKind(kind, lists)
  const quality =
    options.some(option => option.id === holding.quality) &&
    (holding.quality !== 'given' || holding.sizeGB !== null)
      ? holding.quality
      : options[0]!.id
  return { ...holding, kind, quality }
}
