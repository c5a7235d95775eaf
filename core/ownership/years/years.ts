import { defineDomain } from '../../domain'
import type { DayFacts } from '../../day/dayFacts'
import { hasUps } from '../../plan/hasUps'
import type { MachineFacts } from '../../machine/machineFacts'
import { cashFlow, type CashFlow, type CashQuestion } from '../cashFlow'
import { averageW } from '../../machine/machinePower'
import { pluggedIn } from '../../machine/system/licence'
import type { OwnershipFacts } from '../ownershipFacts'
import { tellYears } from './tellYears'
import { yearsQuestion, type YearsSlice } from './yearsQuestion'

/** The years in money. */
export interface YearsFacts {
  readonly question: CashQuestion
  readonly flow: CashFlow
}

/** What it costs over the years, payment by payment. */
export const years = defineDomain({
  id: 'years',
  needs: ['machine', 'day', 'ownership'],
  read: (
    { costs, library, drives, network, machine, system: wishes, choices: { horizonYears } },
    { driveClasses, driveModels, qualities, otherQualities, hardware },
    {
      machine: { build, system, watts },
      day,
      ownership,
    }: {
      readonly machine: MachineFacts
      readonly day: DayFacts
      readonly ownership: OwnershipFacts
    },
  ): YearsSlice => ({
    plan: { costs, library, drives, network, system: wishes },
    hasUps: hasUps({ machine }, hardware),
    catalogue: { driveClasses, driveModels, qualities, otherQualities },
    horizonYears,
    system,
    pluggedIn: pluggedIn(
      build,
      drives.lots.reduce((sum, { count }) => sum + count, 0),
    ),
    machineToPay: ownership.machineToPay,
    drivesToPay: ownership.drivesToPay,
    averageW: averageW(watts, day.hours),
  }),
  facts: (slice): YearsFacts => {
    const question = yearsQuestion(slice)
    return { question, flow: cashFlow(question) }
  },
  tell: tellYears,
})
