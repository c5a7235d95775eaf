import type { FitRule } from './fitRule'
import { airAtDrives } from './rules/airAtDrives'
import { bays } from './rules/bays'
import { boardInCase } from './rules/boardInCase'
import { bootDevice } from './rules/bootDevice'
import { bootFromSlot } from './rules/bootFromSlot'
import { cardInCase } from './rules/cardInCase'
import { cardPlug } from './rules/cardPlug'
import { closedCase } from './rules/closedCase'
import { coldDrives } from './rules/coldDrives'
import { consoleAtHand } from './rules/console'
import { coolerFits } from './rules/coolerFits'
import { coolerHeat } from './rules/coolerHeat'
import { dampAndDust } from './rules/dampAndDust'
import { dataPorts } from './rules/dataPorts'
import { discDrive } from './rules/discDrive'
import { display } from './rules/display'
import { driveFrames } from './rules/driveFrames'
import { driveReach } from './rules/driveReach'
import { drivesOnLead } from './rules/drivesOnLead'
import { eccMemory } from './rules/eccMemory'
import { engineThere } from './rules/engineThere'
import { fanPlaces } from './rules/fanPlaces'
import { fixedParts } from './rules/fixedParts'
import { growthLeft } from './rules/growthLeft'
import { knownCards } from './rules/knownCards'
import { laneWidth } from './rules/laneWidth'
import { leadLength } from './rules/leadLength'
import { madeCase } from './rules/madeCase'
import { memoryEnough } from './rules/memoryEnough'
import { memoryMaximum } from './rules/memoryMaximum'
import { memoryPairs } from './rules/memoryPairs'
import { memorySlots } from './rules/memorySlots'
import { memoryType } from './rules/memoryType'
import { mouldedPlugs } from './rules/mouldedPlugs'
import { namedPlaces } from './rules/namedPlaces'
import { networkSpeed } from './rules/networkSpeed'
import { noise } from './rules/noise'
import { outsideSockets } from './rules/outsideSockets'
import { passiveLoad } from './rules/passiveLoad'
import { picturePlug } from './rules/picturePlug'
import { portPower } from './rules/portPower'
import { powerPlugs } from './rules/powerPlugs'
import { rackPlace } from './rules/rackPlace'
import { raidCard } from './rules/raidCard'
import { shelfPlace } from './rules/shelfPlace'
import { singleParts } from './rules/singleParts'
import { slotsForCards } from './rules/slotsForCards'
import { socket } from './rules/socket'
import { ssdPlaces } from './rules/ssdPlaces'
import { supplyAmps } from './rules/supplyAmps'
import { supplyForm } from './rules/supplyForm'
import { supplyRunning } from './rules/supplyRunning'
import { supplyStart } from './rules/supplyStart'
import { switchedOff } from './rules/switchedOff'
import { upsSize } from './rules/upsSize'
import { usbParity } from './rules/usbParity'
import { warmDrives } from './rules/warmDrives'
import { wifiOnly } from './rules/wifiOnly'
import { wifiThere } from './rules/wifiThere'

/**
 * Every rule of fit, in the order of the report. Another one is a file in rules/ and a line here.
 */
export const fitRules: readonly FitRule[] = [
  singleParts,
  socket,
  boardInCase,
  memoryType,
  memorySlots,
  memoryMaximum,
  memoryPairs,
  eccMemory,
  coolerFits,
  coolerHeat,
  cardInCase,
  supplyForm,
  fixedParts,
  slotsForCards,
  namedPlaces,
  switchedOff,
  laneWidth,
  ssdPlaces,
  dataPorts,
  outsideSockets,
  bays,
  driveFrames,
  fanPlaces,
  discDrive,
  growthLeft,
  supplyStart,
  supplyAmps,
  supplyRunning,
  powerPlugs,
  drivesOnLead,
  leadLength,
  cardPlug,
  mouldedPlugs,
  portPower,
  upsSize,
  memoryEnough,
  bootDevice,
  bootFromSlot,
  display,
  consoleAtHand,
  picturePlug,
  engineThere,
  passiveLoad,
  networkSpeed,
  wifiOnly,
  wifiThere,
  raidCard,
  usbParity,
  knownCards,
  noise,
  closedCase,
  warmDrives,
  coldDrives,
  airAtDrives,
  driveReach,
  rackPlace,
  shelfPlace,
  dampAndDust,
  madeCase,
]
