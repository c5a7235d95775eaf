import { fitRule } from '../fitRule'
import { swapMinutes } from '../../place/reach'

/** From so many drives on one wants to see which failed. */
export const lampsFrom = 4
/** A swap that takes longer is put off. */
export const longSwapMinutes = 30

/** A drive is swapped in minutes, and one sees which. */
export const driveReach = fitRule<{
  readonly minutes: number
  readonly lamps: boolean
  readonly drives: number
}>({
  id: 'driveReach',
  label: 'Reach of the drives',
  group: 'place',
  judge({ housing, drives }) {
    if (!housing || drives.spinning === 0) return null
    const minutes = Math.max(...swapMinutes(housing, drives.spinning))
    return {
      state:
        minutes <= longSwapMinutes && (housing.bayLights || drives.spinning < lampsFrom)
          ? 'pass'
          : 'warning',
      values: { minutes, lamps: housing.bayLights, drives: drives.spinning },
    }
  },
  say({ minutes, lamps, drives }, { quantity }, state) {
    const swap = `Swapping a drive takes ${minutes <= 5 ? 'about' : 'up to'} ${quantity(minutes, 'min')}`
    if (state === 'pass') return `${swap}${lamps ? ', and a lamp shows which one' : ''}.`
    return `${swap}${lamps || drives < lampsFrom ? '' : '; nothing shows which one failed, so label each with serial number and bay'}.`
  },
  fixes: () => [{ how: 'replace', kind: 'case' }],
})
