/** Conditions of a need, in the order in which they are shown. */
export const conditionIds = [
  'survives',
  'loss',
  'copyAway',
  'noUsbLayouts',
  'quiet',
  'shelf',
  'coolDrives',
  'fullRate',
  'newMachine',
  'newDrives',
  'noExternalCases',
  'skill',
  'systemApart',
  'madeForConversion',
  'spareBays',
] as const
export type ConditionId = (typeof conditionIds)[number]

/**
 * What a condition is at a build: tight where it just holds; off where nobody asks for it; not
 * asked where there is nothing it could be about; not known where the plan does not say enough.
 */
export const conditionStates = ['met', 'tight', 'fails', 'off', 'notAsked', 'notKnown'] as const
export type ConditionState = (typeof conditionStates)[number]
