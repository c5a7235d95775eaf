import { defineDomain } from '../../domain'
import type { DayFacts } from '../../day/dayFacts'
import { hasUps } from '../../plan/hasUps'
import type { MachineFacts } from '../../machine/machineFacts'
import { cashFlow } from '../cashFlow'
import { averageW } from '../../machine/machinePower'
import { pluggedIn } from '../../machine/system/licence'
import type { LibraryFacts } from '../../library/libraryFacts'
import { carbonAfter, gridCarbon } from '../carbon'
import { cloudCourse, usualCloudSteps } from '../cloud'
import { hoursToBuild } from '../hoursToBuild'
import { madeFor } from '../madeFor'
import type { OwnershipFacts } from '../ownershipFacts'
import { tellYears } from './tellYears'
import { yearsQuestion, type YearsFacts, type YearsSlice } from './yearsQuestion'

/** What it costs over the years, payment by payment. */
export const years = defineDomain({
  id: 'years',
  needs: ['machine', 'day', 'ownership', 'library'],
  read: (
    {
      costs,
      library,
      drives,
      network,
      machine,
      calibration,
      system: wishes,
      choices: { horizonYears },
    },
    { driveClasses, driveModels, qualities, otherQualities, hardware },
    {
      machine: { build, system, watts },
      day,
      ownership,
      library: kept,
    }: {
      readonly machine: MachineFacts
      readonly day: DayFacts
      readonly ownership: OwnershipFacts
      readonly library: LibraryFacts
    },
  ): YearsSlice => ({
    plan: { costs, library, drives, network, calibration, system: wishes },
    hasUps: hasUps({ machine }, hardware),
    catalogue: { driveClasses, driveModels, qualities, otherQualities },
    horizonYears,
    system,
    hoursToBuild: hoursToBuild(build),
    pluggedIn: pluggedIn(
      build,
      drives.lots.reduce((sum, { count }) => sum + count, 0),
    ),
    machineToPay: ownership.machineToPay,
    drivesToPay: ownership.drivesToPay,
    averageW: averageW(watts, day.hours),
    made: madeFor({ machine, drives }, build, { driveClasses, driveModels }),
    keptTB: kept.forecast.months,
  }),
  facts: (slice): YearsFacts => {
    const question = yearsQuestion(slice)
    const flow = cashFlow(question)
    const { costs } = slice.plan
    return {
      question,
      flow,
      carbonKg: carbonAfter(
        { made: slice.made, averageW: slice.averageW, kgPerKWh: gridCarbon(costs) },
        slice.horizonYears,
      ),
      cloudCrossesMonth: cloudCourse({
        steps: costs.cloudSteps.length > 0 ? costs.cloudSteps : usualCloudSteps,
        contentTB: slice.keptTB.map(({ likely }) => likely),
        egressPerTB: costs.cloudEgressPerTB,
        risePerYear: costs.cloudRisePerYear,
        own: flow.cumulative,
      }).crossesMonth,
    }
  },
  tell: tellYears,
})
