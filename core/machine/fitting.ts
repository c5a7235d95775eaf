import { standsAlone } from '../drives/layouts/standsAlone'
import { defineDomain } from '../domain'
import type { DrivesFacts } from '../drives/drivesFacts'
import type { Plan } from '../plan/planSchema'
import { fitFacts } from './fit/fitFacts'
import type { FitSlice } from './fit/fitSlice'
import { tellFit } from './fit/tellFit'
import type { MachineFacts } from './machineFacts'
import type { DayHours } from './power/dayHours'

/** What fit needs of others; of streams only how much has to be converted. */
export interface FitNeeds {
  readonly machine: MachineFacts
  readonly drives: DrivesFacts
  readonly day: { readonly hours: DayHours }
  readonly streams: { readonly needed: { readonly needed: number }; readonly engineGB: number }
}

/** What the fit of a plan follows from. */
export function fitSlice(
  {
    machine: { startTogether, memoryGB, monitorAtHand, wantsEcc },
    brief,
    system,
    drives: { fileSystem },
    choices,
    network: { serverPortMbps, serverLink },
  }: Plan,
  { machine: facts, drives, day, streams }: FitNeeds,
): FitSlice {
  const {
    place,
    opensTo,
    earDistanceM,
    roomLowC,
    roomHighC,
    cupboardM2,
    cupboardVented,
    damp,
    dusty,
    mainsVolts,
    shelfWidthMm,
    shelfHeightMm,
    shelfDepthMm,
  } = brief
  return {
    machine: { startTogether, memoryGB, onWifi: serverLink === 'wifi', monitorAtHand, wantsEcc },
    brief: {
      place,
      opensTo,
      earDistanceM,
      roomLowC,
      roomHighC,
      cupboardM2,
      cupboardVented,
      damp,
      dusty,
      mainsVolts,
      shelfWidthMm,
      shelfHeightMm,
      shelfDepthMm,
    },
    build: facts.build,
    power: facts.power,
    watts: facts.watts,
    hours: day.hours,
    system: facts.system,
    services: system.services,
    copyOnWrite: fileSystem === 'copyOnWrite',
    freeBays: facts.freeBays,
    drives: {
      count: drives.count - drives.inOwnCase,
      inOwnCase: drives.inOwnCase,
      ownCaseIdleW: drives.ownCaseIdleW,
      ownCaseActiveW: drives.ownCaseActiveW,
      spinning: drives.spinning,
      fast: drives.fast,
      nvme: drives.nvme,
      idleW: drives.idleW.likely,
      turningIdleW: drives.turningIdleW,
      turningActiveW: drives.turningActiveW,
      surges: drives.surges,
      readW: drives.readW.likely,
      activeW: drives.activeW.likely,
      asleepW: drives.asleepW.likely,
      rawTB: drives.rawTB,
    },
    redundant: drives.pool !== null && drives.count > 1 && !standsAlone(drives.layoutId),
    layoutId: drives.layoutId,
    conversionsNeeded: streams.needed.needed,
    engineGB: streams.engineGB,
    hardwareConversion: choices.hardwareConversion,
    serverPortMbps,
  }
}

/** Does it all go together, does it start, and does it stand well where it stands. */
export const fitting = defineDomain({
  id: 'fitting',
  needs: ['machine', 'drives', 'day', 'streams'],
  read: (plan, _, needed: FitNeeds) => fitSlice(plan, needed),
  facts: fitFacts,
  tell: tellFit,
})
