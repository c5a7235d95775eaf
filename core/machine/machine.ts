import { defineDomain } from '../domain'
import type { DrivesFacts } from '../drives/drivesFacts'
import { machineFacts } from './machineFacts'
import { dayHours } from './power/dayHours'
import { tellMachine } from './tellMachine'

/** What the machine is built of: does it take the drives, what does it draw. */
export const machine = defineDomain({
  id: 'machine',
  needs: ['drives'],
  read: (
    {
      machine,
      brief: { mainsVolts },
      system: { kind: systemKind, services },
      drives: { fileSystem },
      choices,
    },
    { machineBases, processors, videoEngines, memoryModules, hardware, systemKinds },
    { drives }: { readonly drives: DrivesFacts },
  ) => ({
    machine,
    mainsVolts,
    systemKind,
    systemKinds,
    copyOnWrite: fileSystem === 'copyOnWrite',
    servicesLoad: services.reduce((sum, { load }) => sum + load, 0),
    hours: dayHours(choices),
    watchingHoursPerDay: choices.watchingHoursPerDay,
    machineBases,
    processors,
    videoEngines,
    memoryModules,
    hardware,
    driveForms: { count: drives.count, spinning: drives.spinning, nvme: drives.nvme },
    drivesIdleW: drives.idleW,
    drivesActiveW: drives.activeW,
    drivesAsleepW: drives.asleepW,
  }),
  facts: machineFacts,
  tell: tellMachine,
})
