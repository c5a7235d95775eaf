import { homePlace } from '../plan/constants'
import type { Plan } from '../plan/planSchema'
import { withEvening, withViewer } from './evenings'

/**
 * A sensible week out of the three answers of the busy evening: so many viewers at home and away,
 * each with a device and
 * an evening's habit. The viewers that need conversions, away first, get devices that seldom play a
 * file as it is. Listed
 * viewers, places and devices are kept; nobody gets a second habit.
 */
export function habitsFromAnswers(plan: Plan): Plan {
  const { watchingHome, watchingAway, converted } = plan.household
  let { household } = plan
  const sides = [
    { watching: watchingHome, isAway: false, converting: Math.max(0, converted - watchingAway) },
    { watching: watchingAway, isAway: true, converting: Math.min(converted, watchingAway) },
  ]
  for (const { watching, isAway, converting } of sides) {
    const listed = household.viewers.filter(viewer => (viewer.place !== homePlace) === isAway)
    for (let number = 0; number < watching; number++) {
      let viewer = listed[number]?.id
      if (viewer === undefined) ({ household, id: viewer } = withViewer(household, isAway))
      if (household.habits.some(habit => habit.viewer === viewer)) continue
      const [classId, name] =
        number < converting
          ? (['stickHd', 'Older stick'] as const)
          : isAway
            ? (['tablet', 'Tablet'] as const)
            : (['tv2020', 'Television'] as const)
      household = withEvening(household, viewer, {
        isAway,
        number,
        device: { class: classId, name: `${name} ${household.devices.length + 1}` },
      })
    }
  }
  return { ...plan, household }
}
