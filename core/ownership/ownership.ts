import { defineDomain } from '../domain'
import type { DayFacts } from '../day/dayFacts'
import type { DrivesFacts } from '../drives/drivesFacts'
import type { MachineFacts } from '../machine/machineFacts'
import { averagePricePerKWh } from '../plan/energyPrice'
import { ownershipFacts } from './ownershipFacts'
import { tellOwnership } from './tellOwnership'

/** What it costs to buy and to run. */
export const ownership = defineDomain({
  id: 'ownership',
  needs: ['machine', 'day', 'drives'],
  read: (
    {
      brief: { budget },
      costs,
      choices: { horizonYears },
      drives: { lots, driveClass, failuresPerYear, outerMBps, shingled, sheetReadErrorBits },
    },
    { driveClasses, driveModels, hardware },
    {
      machine,
      day,
      drives: { pool, inOwnCase },
    }: {
      readonly machine: MachineFacts
      readonly day: DayFacts
      readonly drives: DrivesFacts
    },
  ) => ({
    budget,
    extras: costs.extras,
    pricePerKWh: averagePricePerKWh(costs),
    horizonYears,
    drives: { lots, driveClass, failuresPerYear, outerMBps, shingled, sheetReadErrorBits },
    catalogue: { driveClasses, driveModels, hardware },
    usableTB: pool?.arrangement.usableTB ?? 0,
    inOwnCase,
    prices: machine.prices,
    watts: machine.watts,
    hours: day.hours,
  }),
  facts: ownershipFacts,
  tell: tellOwnership,
})
