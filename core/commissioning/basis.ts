import { chapterOf, type Chapter } from './step'
import { markOf } from '../markOf'
import type { SetupSlice } from './setupSlice'

/** What a step may have been ticked for. */
const subjects = ['board', 'drives', 'layout', 'system'] as const
type Subject = (typeof subjects)[number]

/** What the steps of a chapter say something about: when it changes they are looked at again. */
const about: Readonly<Record<Chapter, readonly Subject[]>> = {
  before: ['board', 'drives'],
  bench: ['board'],
  assembly: ['board', 'drives'],
  system: ['board', 'system'],
  pool: ['drives', 'layout', 'system'],
  people: ['system'],
  services: ['board', 'system'],
  folders: ['system'],
  fill: ['drives', 'layout'],
  away: ['system'],
  copies: ['layout', 'system'],
  sign: ['board', 'drives', 'layout', 'system'],
}

/** Marks of board, drives, layout and system, as they are kept with a tick. */
export function basisOf({ plan, facts }: SetupSlice): string {
  const { machine, drives } = plan
  const { build, system } = facts.machine
  const texts: Readonly<Record<Subject, unknown>> = {
    board: [machine.base, build.board?.id ?? '', build.processor?.id ?? ''],
    drives: drives.lots.map(({ count, sizeTB, model, condition }) => [
      count,
      sizeTB,
      model,
      condition,
    ]),
    layout: facts.drives.layoutId,
    system: system?.id ?? '',
  }
  return subjects.map(subject => markOf(JSON.stringify(texts[subject]))).join('.')
}

/** Whether a step has to be looked at again: what it says something about is another now. */
export function isOutdated(stepId: string, tickedFor: string, now: string): boolean {
  if (tickedFor === '') return false
  const [then, today] = [tickedFor.split('.'), now.split('.')]
  return about[chapterOf(stepId)].some(subject => {
    const at = subjects.indexOf(subject)
    return then[at] !== today[at]
  })
}
