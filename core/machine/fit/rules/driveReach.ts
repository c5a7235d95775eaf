import { fitRule } from '../fitRule'
import { reachMinutes, swapMinutes } from '../../place/reach'

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
  otherwise: 'Keep the tools beside the machine, and a drawing of its bays.',
  judge({ housing, bays: { turningInside, turningOutside } }) {
    const drives = turningInside + turningOutside
    if (!housing || drives === 0) return null
    // A drive in an enclosure is pulled out of it from the front.
    const minutes = Math.max(
      ...swapMinutes(housing, turningInside),
      turningOutside > 0 ? reachMinutes.front : 0,
    )
    const lamps = turningOutside === 0 && housing.bayLights
    return {
      state: minutes <= longSwapMinutes && (lamps || drives < lampsFrom) ? 'pass' : 'warning',
      values: { minutes, lamps, drives },
    }
  },
  say({ minutes, lamps, drives }, { quantity }, state) {
    const swap = `Swapping a drive takes ${minutes <= 5 ? 'about' : 'up to'} ${quantity(minutes, 'min')}`
    if (state === 'pass') return `${swap}${lamps ? ', and a lamp shows which one' : ''}.`
    return `${swap}${lamps || drives < lampsFrom ? '' : '; nothing shows which one failed, so label each with serial number and bay'}.`
  },
  fixes: () => [{ how: 'replace', kind: 'case' }],
})
