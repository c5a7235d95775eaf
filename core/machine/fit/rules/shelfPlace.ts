import { partsOfKind } from '../../knownParts'
import type { FitContext } from '../fitContext'
import { fitRule } from '../fitRule'

/** Plugs and bent leads at the back want so much, mm. */
export const plugsMm = 40

interface Sizes {
  readonly widthMm: number
  readonly heightMm: number
  readonly depthMm: number
}

/** The machine with its enclosures beside it, as it stands: mm. */
function standing({ housing, build: { parts } }: FitContext): Sizes | null {
  if (!housing) return null
  const beside = partsOfKind(parts, 'enclosure').flatMap(({ entry, part }) =>
    Array.from({ length: part.count }, () => entry),
  )
  const all: readonly Sizes[] = [housing, ...beside]
  return {
    widthMm: all.reduce((sum, { widthMm }) => sum + widthMm, 0),
    heightMm: Math.max(...all.map(({ heightMm }) => heightMm)),
    depthMm: Math.max(...all.map(({ depthMm }) => depthMm)),
  }
}

/** The machine goes onto the shelf of the brief. */
export const shelfPlace = fitRule<Sizes & { readonly tooMuch: readonly string[] }>({
  id: 'shelfPlace',
  label: 'Room on the shelf',
  group: 'place',
  prunes: 'body',
  about: ['brief.shelfWidthMm', 'brief.shelfHeightMm', 'brief.shelfDepthMm'],
  otherwise: 'Find a larger place, or choose a smaller machine.',
  judge(context) {
    const sizes = standing(context)
    const { shelfWidthMm, shelfHeightMm, shelfDepthMm } = context.brief
    if (!sizes || (shelfWidthMm ?? shelfHeightMm ?? shelfDepthMm) === null) return null
    const tooMuch = [
      shelfWidthMm !== null && sizes.widthMm > shelfWidthMm ? 'wide' : '',
      shelfHeightMm !== null && sizes.heightMm > shelfHeightMm ? 'high' : '',
      shelfDepthMm !== null && sizes.depthMm + plugsMm > shelfDepthMm ? 'deep' : '',
    ].filter(Boolean)
    return { state: tooMuch.length ? 'fail' : 'pass', values: { ...sizes, tooMuch } }
  },
  say({ widthMm, heightMm, depthMm, tooMuch }, { number: n }) {
    const size =
      `It is ${n(widthMm)} mm wide, ${n(heightMm)} mm high and ${n(depthMm)} mm deep` +
      `, with ${n(plugsMm)} mm more for plugs`
    return tooMuch.length ? `${size}: too ${tooMuch.join(' and too ')} for the shelf.` : `${size}.`
  },
  fixes: () => [{ how: 'replace', kind: 'case' }],
})
