import type { Catalogue } from '../../core/catalogue/catalogue'

const drives = [
  'sluice-4',
  'sluice-8',
  'sluice-12',
  'sluice-16',
  'sluice-20',
  'ebb-8',
  'ebb-16',
  'rivulet-2',
  'pond-8',
]
const bases = [
  'wherry-2',
  'wherry-4',
  'pebble-18',
  'pebble-21',
  'clerk-17',
  'coracle',
  'folio-18',
  'eddy-21',
  'crane-14',
  'towpath',
  'culvert-20',
  'crane-10',
]

/**
 * A catalogue with a few drives and machines of each way of building: what a view does with an
 * answer can be seen on it, in a tenth of the time that the search of the whole one takes. That
 * one is searched by the tests of the core.
 */
export const fewModels = (all: Catalogue): Catalogue => ({
  ...all,
  driveModels: all.driveModels.filter(({ id }) => drives.includes(id)),
  machineBases: all.machineBases.filter(({ id }) => bases.includes(id)),
})
