import { boards } from './boards'
import { cases } from './cases'
import type { HardwarePart } from './hardwarePart'
import {
  cables,
  controllers,
  coolers,
  enclosures,
  fans,
  networkCards,
  opticalDrives,
  systemDisks,
  upsUnits,
} from './smallParts'
import { supplies } from './supplies'

/** Everything that is sold to put a machine together from, by kind. */
export const hardware: readonly HardwarePart[] = [
  ...boards,
  ...cases,
  ...supplies,
  ...coolers,
  ...controllers,
  ...networkCards,
  ...systemDisks,
  ...fans,
  ...cables,
  ...enclosures,
  ...upsUnits,
  ...opticalDrives,
]
