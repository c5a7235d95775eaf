import type { AccessContext, AccessProblem, AccessRule } from './accessRule'
import { administrators } from './rules/administrators'
import { computers } from './rules/computers'
import { fromAway } from './rules/fromAway'
import { guests } from './rules/guests'
import { paths } from './rules/paths'
import { services } from './rules/services'
import { unmeant } from './rules/unmeant'
import { watching } from './rules/watching'
import { writers } from './rules/writers'

/** All rules of who may do what; a rule is a file and a line here. */
export const accessRules: readonly AccessRule[] = [
  guests,
  fromAway,
  services,
  computers,
  administrators,
  paths,
  writers,
  unmeant,
  watching,
]

/** A problem with the rule that it is against. */
export interface AccessFinding extends AccessProblem {
  readonly rule: AccessRule
}

export function accessFindings(context: AccessContext): AccessFinding[] {
  return accessRules.flatMap(rule => rule.find(context).map(problem => ({ ...problem, rule })))
}
