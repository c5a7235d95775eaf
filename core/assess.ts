import { createAssessor, type Assessor, type AssessmentOf } from './assessor'
import type { Catalogue } from './catalogue/catalogue'
import { day } from './day/day'
import { drives } from './drives/drives'
import { fitting } from './machine/fitting'
import { hanging } from './machine/hanging'
import { household } from './household/household'
import { library } from './library/library'
import { machine } from './machine/machine'
import { network } from './network/network'
import { wiring } from './network/wiring'
import { night } from './night/night'
import { ownership } from './ownership/ownership'
import { years } from './ownership/years/years'
import { playback } from './playback/playback'
import { prospects } from './playback/prospects'
import { screens } from './playback/screens'
import { titles } from './playback/titles'
import type { Plan } from './plan/planSchema'
import { room } from './room/room'
import { streams } from './streams/streams'
import type { Format } from './units/format'

/**
 * Every domain; they are run by their needs, and told in this order. Another one is a file and a
 * line here.
 */
export const domains = [
  household,
  library,
  titles,
  screens,
  prospects,
  playback,
  streams,
  day,
  hanging,
  drives,
  network,
  machine,
  fitting,
  room,
  wiring,
  night,
  ownership,
  years,
] as const

export type Assessment = AssessmentOf<typeof domains>
export type PlanAssessor = Assessor<typeof domains>

/** An assessor of plans with a memory of its own. */
export function planAssessor(remember?: number): PlanAssessor {
  return createAssessor(domains, remember)
}

/**
 * One plan in, one assessment out: pure, deterministic, the same in the page and on the server,
 * without a memory.
 * @param plan a whole plan, as the schema gives it
 * @param catalogue the classes and models that ship
 * @param format how numbers are written; English with the plan's currency unless given
 */
export function assess(plan: Plan, catalogue: Catalogue, format?: Format): Assessment {
  return planAssessor(1).assess(plan, catalogue, format)
}
