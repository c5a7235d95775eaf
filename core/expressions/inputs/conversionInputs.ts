import type { Input } from '../node'

/** What decides which streams have their picture converted: viewers, devices, links and titles. */
export const whatConverts: readonly Input[] = [
  'household.habits',
  'household.viewers',
  'household.devices',
  'household.places',
  'household.capabilitySets',
  'household.subtitlesShare',
  'household.forcedSubtitlesShare',
  'library.holdings',
  'network.uploadMbps',
  'network.uploadReserveShare',
  { figure: 'network.editingMbps' },
  'network.awayRungMbps',
  'network.meshWithoutWire',
  'network.routerMbps',
  { figure: 'network.homeLinkMbps' },
  { figure: 'household.watchingHomeAtOnce' },
  { figure: 'household.watchingAwayAtOnce' },
  'choices.toneMapping',
]

/** Which engines convert, and what they may take of the machine. */
export const whichEngines: readonly Input[] = [
  'calibration.trials',
  'calibration.countsFrom',
  'machine.engine',
  'machine.parts',
  'machine.base',
  'machine.processor',
  'machine.oneEngineAtATime',
  'machine.usedHoursPerDay',
  'machine.usedEngineToo',
  'machine.memoryGB',
  'drives.fileSystem',
  'system.kind',
  'system.ownKinds',
  'choices.hardwareConversion',
  'choices.fallbackShare',
]
