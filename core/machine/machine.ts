import { defineDomain } from '../domain'
import type { DrivesFacts } from '../drives/drivesFacts'
import { machineFacts } from './machineFacts'
import { tellMachine } from './tellMachine'

/** What the machine is built of: does it take the drives, what does it draw. */
export const machine = defineDomain({
  id: 'machine',
  needs: ['drives'],
  read: ({ machine, choices: { convertingHoursPerDay } }, { machineBases, processors, videoEngines, memoryModules }, { drives }: { readonly drives: DrivesFacts }) => ({
    machine, convertingHoursPerDay, machineBases, processors, videoEngines, memoryModules,
    driveCount: drives.count, drivesIdleW: drives.idleW, drivesActiveW: drives.activeW,
  }),
  facts: machineFacts,
  tell: tellMachine,
})
