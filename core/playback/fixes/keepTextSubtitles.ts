import type { Plan } from '../../plan/planSchema'
import type { FixKind } from './playbackFix'

/** Subtitles as text beside the pictures of the disc, so that nothing has to be burned in. */
export const keepTextSubtitles: FixKind = (_, matrix) => {
  const holdings = new Set(
    matrix.rows.filter(row => row.subtitles === 'bitmap').flatMap(row => row.holdings),
  )
  return holdings.size === 0
    ? []
    : [
        {
          id: 'text-subtitles',
          group: 'subtitles',
          price: 0,
          label: 'Keep text subtitles beside those of the discs',
          change: (plan: Plan) => ({
            ...plan,
            library: {
              ...plan.library,
              holdings: plan.library.holdings.map((holding, at) =>
                holdings.has(at) ? { ...holding, subtitles: 'text' as const } : holding,
              ),
            },
          }),
        },
      ]
}
