import { defineDomain } from '../domain'
import type { DayFacts } from '../day/dayFacts'
import type { MachineFacts } from '../machine/machineFacts'
import { averagePricePerKWh } from '../plan/energyPrice'
import { ownershipFacts } from './ownershipFacts'
import { tellOwnership } from './tellOwnership'

/** What it costs to buy and to run. */
export const ownership = defineDomain({
  id: 'ownership',
  needs: ['machine', 'day'],
  read: (
    {
      brief: { budget },
      costs,
      choices: { horizonYears },
      drives: { lots, driveClass, failuresPerYear, outerMBps, shingled, sheetReadErrorBits },
    },
    { driveClasses, driveModels },
    { machine, day }: { readonly machine: MachineFacts; readonly day: DayFacts },
  ) => ({
    budget,
    extras: costs.extras,
    pricePerKWh: averagePricePerKWh(costs),
    horizonYears,
    drives: { lots, driveClass, failuresPerYear, outerMBps, shingled, sheetReadErrorBits },
    catalogue: { driveClasses, driveModels },
    prices: machine.prices,
    watts: machine.watts,
    hours: day.hours,
  }),
  facts: ownershipFacts,
  tell: tellOwnership,
})
