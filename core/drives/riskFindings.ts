import { theYears } from '../units/counted'
import { finding, type Finding } from '../finding'
import { ageFactor, causeFactor, drivesUntilVibration } from './failureRate'
import type { DrivesTale } from './drivesTale'

/** What makes these drives fail more often than their class: heat, vibration, age. */
export function ageFindings({
  facts,
  slice: { drives, horizonYears },
  format: { number: n },
}: DrivesTale): Finding[] {
  const oldest = drives.ageYears === null ? 1 : ageFactor(drives.ageYears + horizonYears - 1)
  return [
    ...(drives.above45C
      ? [
          finding('warning', 'DRIVES_HOT', {
            sentence: `Drives warmer than 45 °C fail ${n(causeFactor)} times as often.`,
            from: ['drives.above45C'],
            fixes: [
              'Leave an empty bay between them, let a fan blow across them, or move the ' +
                'machine to a cooler place.',
            ],
          }),
        ]
      : []),
    ...(facts.isShaken
      ? [
          finding('warning', 'DRIVES_SHAKEN', {
            sentence:
              `More than ${drivesUntilVibration} spinning drives without vibration mounts ` +
              `shake each other and fail ${n(causeFactor)} times as often.`,
            from: ['drives.unmounted', 'drives.lots'],
            fixes: [
              'Fix every drive at every point on damped mounts, or use a case made for so many.',
            ],
          }),
        ]
      : []),
    ...(oldest > 1
      ? [
          finding('caution', 'DRIVES_OLD', {
            sentence:
              `By the end of ${theYears(horizonYears)} these drives fail ${n(oldest)} times ` +
              'as often as in their middle years.',
            from: ['drives.ageYears', 'choices.horizonYears'],
            fixes: ['Replace the oldest before then, and keep a spare drive on the shelf.'],
          }),
        ]
      : []),
  ]
}
