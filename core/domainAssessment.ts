import type { Figure } from './figure'
import type { Finding } from './finding'
import type { Verdict } from './verdict'

/** What one domain has to say of a plan. */
export interface DomainAssessment {
  readonly figures: readonly Figure[]
  readonly verdicts: readonly Verdict[]
  readonly findings: readonly Finding[]
}
