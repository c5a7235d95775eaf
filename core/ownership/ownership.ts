import { defineDomain } from '../domain'
import type { MachineFacts } from '../machine/machineFacts'
import { averagePricePerKWh } from '../plan/energyPrice'
import { ownershipFacts } from './ownershipFacts'
import { tellOwnership } from './tellOwnership'

/** What it costs to buy and to run. */
export const ownership = defineDomain({
  id: 'ownership',
  needs: ['machine'],
  read: (
    {
      brief: { budget },
      costs,
      choices: { horizonYears },
      drives: { lots, driveClass, failuresPerYear, outerMBps, shingled, sheetReadErrorBits },
    },
    { driveClasses, driveModels },
    { machine }: { readonly machine: MachineFacts },
  ) => ({
    budget,
    extras: costs.extras,
    pricePerKWh: averagePricePerKWh(costs),
    horizonYears,
    drives: { lots, driveClass, failuresPerYear, outerMBps, shingled, sheetReadErrorBits },
    catalogue: { driveClasses, driveModels },
    prices: machine.prices,
    states: machine.states,
  }),
  facts: ownershipFacts,
  tell: tellOwnership,
})
