/*
 * Names and limits of the plan that the computing and the pages need by themselves. They stand
 * apart from the schema,
 * so that a page can be drawn and a plan assessed before the schema with its validation has been
 * loaded.
 */

/** Name by which viewers and devices refer to the house itself. */
export const homePlace = 'home'

export const weekdays = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
} as const
export type Weekday = keyof typeof weekdays

/** Inks of the viewers in the week. */
export const viewerColours = {
  moss: 'Moss',
  rust: 'Rust',
  slate: 'Slate',
  plum: 'Plum',
  ochre: 'Ochre',
  teal: 'Teal',
  rose: 'Rose',
  umber: 'Umber',
} as const
export type ViewerColour = keyof typeof viewerColours

/** How something comes into the house. */
export const conditions = { new: 'New', refurbished: 'Refurbished', owned: 'Owned' } as const
export type Condition = keyof typeof conditions

/** A base, a processor or an engine of one's own, entered by its figures. */
export const ownEntry = 'own'
/** A machine that is put together from the parts of the plan. */
export const fromParts = 'parts'
/** The kind of system follows the machine. */
export const automaticSystem = 'byMachine'
/** The lowest quality that a viewer accepts, Mb/s, where nothing else is said; so do guests. */
export const usualLowestMbps = 2.8
/** Most computers that are at hand. */
export const maxAtHand = 12
/** Most tiers of a plan, and those of a plan that has none of its own. */
export const maxTiers = 6
export const usualTiers = [
  { name: 'Lean', cap: 700 },
  { name: 'Middle', cap: 1700 },
  { name: 'Large', cap: 2900 },
] as const
/** Most steps of a cloud store. */
export const maxCloudSteps = 20
/** Most kinds of system of one's own. */
export const maxOwnSystems = 12
/** Most services of a machine. */
export const maxServices = 40
/** Most parts of a machine, and most parts of one's own. */
export const maxParts = 60
export const maxOwnParts = 5000
/** The built-in engine is the one that the processor has. */
export const engineOfProcessor = 'byProcessor'

/** Warranty of refurbished drives where none is entered. */
export const refurbishedWarrantyMonths = 12
/** Most drives one plan can hold, over all its lots. */
export const maxDrives = 60
/** Most groups that the drives of one pool can form. */
export const maxGroups = 12
/** From so many drives in a group on, two of them must be survived unless chosen otherwise. */
export const wideGroupFrom = 6
/** Most purchases of drives that a plan holds. */
export const maxPurchases = 30
/**
 * The layout of a plan in which none was chosen: it follows the number of drives and what must
 * survive.
 */
export const automaticLayout = 'auto'

/**
 * Chances in a year of what can happen to data besides failing drives: planning values, right
 * within a factor of two or so.
 */
export const usualPerils = {
  sectorChance: 0.01,
  deletionChance: 0.03,
  malwareChance: 0.01,
  surgeChance: 0.005,
  theftChance: 0.005,
  boardChance: 0.03,
  /** several drives at once, by what they hang on: also where that is an enclosure over USB */
  severalChance: 0.005,
  severalOnUsbChance: 0.02,
} as const

/** The fastest line or link that a plan holds, Mb/s. */
export const maxLinkMbps = 100_000

/**
 * Until it is replaced, a drive whose reports say that it cannot read some places, or that it has
 * to go, fails so many times as often; planning values.
 */
export const failsMoreOften = { watch: 4, replace: 15 } as const
