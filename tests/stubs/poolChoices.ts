import type { PoolChoices } from '../../core/drives/poolOf'
import type { Choices } from '../../core/plan/choices'

/** Choices with the hours that somebody watches, as entered, else five; every drive on its own. */
export function poolChoices(choices: Choices): Choices & PoolChoices {
  return {
    ...choices,
    watchedHoursPerDay: choices.watchingHoursPerDay ?? 5,
    sharedLinks: [],
    rebuilds: [],
    ailing: [],
  }
}
