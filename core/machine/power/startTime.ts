import { startCourse, type StartQuestion } from './startSurge'

/** From the press of the button to a page that answers, minutes, drives not waited for. */
export const plainStartMin = { low: 0.7, likely: 1.5, high: 3 } as const
/** A controller looks for its drives before the system starts. */
export const controllerStartMin = { low: 0.2, likely: 0.5, high: 1.5 } as const
/** A server board tests its memory and its cards first. */
export const serverStartMin = { low: 1, likely: 2, high: 4 } as const

/** Seconds until the last group of drives has spun up; 0 where none turns. */
export function lastDriveUpS(question: StartQuestion): number {
  return question.surges.length === 0 ? 0 : startCourse(question).at(-2)!.s
}
