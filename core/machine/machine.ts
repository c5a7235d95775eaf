import { defineDomain } from '../domain'
import type { DrivesFacts } from '../drives/drivesFacts'
import type { HouseholdFacts } from '../household/householdFacts'
import { formsOf } from './assembly/driveForms'
import { machineFacts } from './machineFacts'
import { tellMachine } from './tellMachine'

/** What the machine is built of: does it take the drives, what does it draw. */
export const machine = defineDomain({
  id: 'machine',
  needs: ['household', 'drives'],
  read: (
    {
      machine,
      brief: { mainsVolts },
      system: { kind: systemKind, services },
      drives: { fileSystem },
      choices,
      calibration: { trials, countsFrom },
    },
    { machineBases, processors, videoEngines, memoryModules, hardware, systemKinds },
    { drives, household }: { readonly drives: DrivesFacts; readonly household: HouseholdFacts },
  ) => ({
    machine,
    mainsVolts,
    systemKind,
    systemKinds,
    copyOnWrite: fileSystem === 'copyOnWrite',
    servicesLoad: services.reduce((sum, { load }) => sum + load, 0),
    wakesOnCall: choices.wakesOnCall,
    watchedHoursPerDay: household.watched.perDay,
    machineBases,
    processors,
    videoEngines,
    memoryModules,
    hardware,
    driveForms: formsOf(drives),
    inOwnCase: drives.inOwnCase,
    drivesW: {
      idleW: drives.idleW,
      readW: drives.readW,
      activeW: drives.activeW,
      asleepW: drives.asleepW,
      count: drives.count,
    },
    trials: { trials, countsFrom },
  }),
  facts: machineFacts,
  tell: tellMachine,
})
