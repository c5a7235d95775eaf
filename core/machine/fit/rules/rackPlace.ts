import { fitRule } from '../fitRule'

/** Of a drive, kg. */
export const driveKg = 0.7
/** What a shelf that nobody tested carries, kg. */
export const shelfKg = 25
/** A rack of a home is seldom deeper, mm. */
export const homeRackMm = 600

/** A rack machine where people live, its depth, and what the shelf carries. */
export const rackPlace = fitRule<{
  readonly isRack: boolean
  readonly livedIn: boolean
  readonly deep: number | null
  readonly kg: number
}>({
  id: 'rackPlace',
  label: 'Weight, depth and rack',
  group: 'place',
  about: ['brief.place'],
  otherwise: 'Stand it in a cellar or a workshop, on something that carries it.',
  judge({ housing, drives, brief }) {
    if (!housing) return null
    const isRack = housing.rackUnits > 0
    const kg = housing.weightKg + drives.spinning * driveKg
    const livedIn = isRack && !['cellar', 'loft', 'workshop'].includes(brief.place)
    const deep = isRack && housing.depthMm > homeRackMm ? housing.depthMm : null
    return {
      state: livedIn || deep !== null || kg > shelfKg ? 'warning' : 'pass',
      values: { isRack, livedIn, deep, kg },
    }
  },
  say({ livedIn, deep, kg }, { quantity, number: n }) {
    const parts = [
      livedIn ? 'A rack machine is far too loud where people live.' : '',
      deep ? `It is ${n(deep)} mm deep; racks of a home are mostly ${n(homeRackMm)} mm.` : '',
      kg > shelfKg
        ? `With its drives it weighs about ${quantity(kg, 'kg')}: see what the shelf ` +
          'carries, and lift it with two.'
        : '',
    ]
    return (
      parts.filter(Boolean).join(' ') || `With its drives it weighs about ${quantity(kg, 'kg')}.`
    )
  },
  fixes: () => [{ how: 'replace', kind: 'case' }],
})
