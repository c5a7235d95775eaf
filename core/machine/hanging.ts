import type { Catalogue } from '../catalogue/catalogue'
import { defineDomain, nothingToTell } from '../domain'
import { driveLoads } from '../drives/driveLoads'
import type { CommonDrives, DriveCatalogue } from '../drives/driveTraits'
import { traitsOf, unpricedLots, type PoolDrives } from '../drives/poolOf'
import type { SharedLink } from '../drives/sharedLinks'
import type { Plan } from '../plan/planSchema'
import { assembly } from './assembly/assembly'
import { formsOf, type DriveForms } from './assembly/driveForms'
import { linksOfDrives } from './assembly/linksOfDrives'
import type { PartLists } from './knownParts'
import { machineBuild, type BuiltOf, type MachineBuild } from './machineBuild'

interface HangingSlice extends PartLists, DriveCatalogue {
  readonly machine: BuiltOf
  readonly drives: CommonDrives & Pick<PoolDrives, 'lots'>
}

/** How the data drives hang. */
export interface HangingFacts {
  /** the links that several of them share, or that may be narrower than they are */
  readonly sharedLinks: readonly SharedLink[]
}

/** Drives that hang on the board share nothing that is narrower than they are. */
export function sharesLinks(
  { parts }: Pick<MachineBuild, 'parts'>,
  { nvme }: Pick<DriveForms, 'nvme'>,
): boolean {
  return nvme > 0 || parts.some(({ kind }) => kind === 'enclosure' || kind === 'controller')
}

/** The links that data drives of such forms share in a machine. */
export function sharedLinksOf(build: MachineBuild, forms: DriveForms): readonly SharedLink[] {
  return sharesLinks(build, forms) ? linksOfDrives(assembly(build, forms)) : []
}

/** What the data drives hang on, before anything is known of their pool. */
export const hanging = defineDomain({
  id: 'hanging',
  needs: [],
  read: (
    { machine, drives }: Plan,
    {
      driveClasses,
      driveModels,
      hardware,
      machineBases,
      memoryModules,
      processors,
      videoEngines,
    }: Catalogue,
  ): HangingSlice => ({
    machine: {
      base: machine.base,
      parts: machine.parts,
      processor: machine.processor,
      engine: machine.engine,
      cores: machine.cores,
      memoryGB: machine.memoryGB,
      bays: machine.bays,
      passivelyCooled: machine.passivelyCooled,
    },
    drives: {
      driveClass: drives.driveClass,
      failuresPerYear: drives.failuresPerYear,
      outerMBps: drives.outerMBps,
      shingled: drives.shingled,
      sheetReadErrorBits: drives.sheetReadErrorBits,
      lots: unpricedLots(drives),
    },
    driveClasses,
    driveModels,
    hardware,
    machineBases,
    memoryModules,
    processors,
    videoEngines,
  }),
  facts: ({
    machine,
    drives,
    driveClasses,
    driveModels,
    ...lists
  }: HangingSlice): HangingFacts => ({
    sharedLinks: sharedLinksOf(
      machineBuild(machine, lists),
      formsOf(driveLoads(traitsOf(drives, { driveClasses, driveModels }))),
    ),
  }),
  tell: nothingToTell,
})
