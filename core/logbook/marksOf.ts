import { lineMark } from '../calibration/measuredLines'
import { drivesMark } from '../drives/poolOf'
import { homeLinkMark } from '../network/measuredNetwork'
import type { Plan } from '../plan/planSchema'
import type { Marks } from './entry'

/** What of an assessment says which machine and which drives there are. */
interface MarkedFacts {
  readonly machine: { readonly mark: string }
  readonly drives: { readonly layoutId: string }
}

/** Marks of what there is now: a measurement that is made now counts for nothing else. */
export function marksOf({ network, drives }: Plan, facts: MarkedFacts): Marks {
  return {
    machine: facts.machine.mark,
    home: homeLinkMark(network),
    upload: lineMark(network.uploadMbps),
    download: lineMark(network.downloadMbps),
    drives: drivesMark(facts.drives.layoutId, drives),
  }
}
