import type { ViewId } from './views'

/** Where something is shown: a view, and one of its sections. */
export interface FieldPlace {
  readonly view: ViewId
  readonly section?: string
}

/**
 * Where the fields of a plan are set, by the beginning of their path; the first that fits counts.
 */
const places: readonly (readonly [RegExp, FieldPlace])[] = [
  [/^household\.(viewers|places)/, { view: 'household', section: 'viewers' }],
  [/^household\.(devices|capabilitySets)/, { view: 'household', section: 'devices' }],
  [/^household\.(watchingHome|watchingAway|converted)/, { view: 'household', section: 'evening' }],
  [/^(household|choices\.school|choices\.minutesShortTarget)/, { view: 'household' }],
  [/^library\.events/, { view: 'library', section: 'events' }],
  [/^conditions/, { view: 'tiers' }],
  [/^choices\.horizonYears/, { view: 'library' }],
  [/^(library|choices\.ruleOfThumbFactor)/, { view: 'library', section: 'holdings' }],
  [
    /^calibration\.(trials|countsFrom|countsSimulated)/,
    { view: 'logbook', section: 'calibration' },
  ],
  [/^calibration\.dismissed/, { view: 'logbook', section: 'drift' }],
  [/^drives\.verdictsRaiseRisk/, { view: 'logbook', section: 'drives' }],
  [/^(calibration|machine\.measured)/, { view: 'streams', section: 'measure' }],
  [
    /^choices\.(pointsPerStream|systemReserveShare|toneMapping|hardwareConversion|fallbackShare)/,
    { view: 'streams', section: 'mix' },
  ],
  [
    /^commissioning\.(poolName|accounts|groups|shares|rights|guestsBring|nfsNetwork|proved)/,
    { view: 'commissioning', section: 'people' },
  ],
  [
    /^(commissioning\.(intervals|exported)|drives\.register)/,
    { view: 'commissioning', section: 'fill' },
  ],
  [
    /^commissioning\.(signedOn|measured|signatures|stillOpen)/,
    { view: 'commissioning', section: 'sign-off' },
  ],
  [
    /^(commissioning|brief\.anotherHome|drives\.parityAfterCopy)/,
    { view: 'commissioning', section: 'run-book' },
  ],
  [/^rehearsal/, { view: 'rehearsal', section: 'thousands' }],
  [/^drives\.(lots|layout|fileSystem|hotSpares|driveClass)/, { view: 'drives' }],
  [/^choices\.survivesAtLeast/, { view: 'drives', section: 'layouts' }],
  [
    /^drives\.(secondBox(EveryDays|Kept|W)|offline(Every|Kept|Medium|Sets)|away(By|Every|Kept|Medium|Sets|Upload|Night)|store|copyPrice)/,
    { view: 'drives', section: 'backup' },
  ],
  [
    /^drives\.(ups|secondBox|offlineCopy|awayCopy|copiesWithVersions|coverages|\w+Chance$)/,
    { view: 'drives', section: 'perils' },
  ],
  [
    /^drives\.(ssd|system|index|scratch|cache|work|daysBetween|arrivals)/,
    { view: 'drives', section: 'fast' },
  ],
  [
    /^drives\.(purchases|priceFallPerYear|replacedWorth|expandsParity)/,
    { view: 'drives', section: 'growing' },
  ],
  [
    /^(drives|choices\.(readErrorEndsRebuild|watchingHoursPerDay))/,
    { view: 'drives', section: 'risk' },
  ],
  [/^network\.(fill|small|downloadCap|rip)/, { view: 'network', section: 'first-fill' }],
  [
    /^network\.(upload|download|awayRung|dataCap|needsOutside)/,
    { view: 'network', section: 'away' },
  ],
  [/^network/, { view: 'network' }],
  [/^machine\.base/, { view: 'machine' }],
  [/^machine\.(atHand|diagnosisFee)/, { view: 'machine', section: 'at-hand' }],
  [/^machine\.(parts|ownParts)/, { view: 'machine', section: 'parts' }],
  [/^(machine\.startTogether|brief\.mainsVolts)/, { view: 'machine', section: 'power' }],
  [/^machine/, { view: 'machine', section: 'figures' }],
  [/^brief\.(opensTo|ear|room|cupboard|vents|damp|dusty)/, { view: 'machine', section: 'place' }],
  [/^system/, { view: 'machine', section: 'system' }],
  [/^costs\.(tiers|linkBetween)/, { view: 'tiers', section: 'search' }],
  [
    /^(costs\.(pricePerKWh|electricity|night|solar|ups)|choices\.(converting|asleep|off|wakes))/,
    { view: 'ownership', section: 'power' },
  ],
  [/^costs\.cloud/, { view: 'ownership', section: 'cloud' }],
  [/^costs\.grid/, { view: 'ownership', section: 'carbon' }],
  [/^costs/, { view: 'ownership' }],
  [/^(brief|name)/, { view: 'brief', section: 'answers' }],
]

/** Where a plan field is set. */
export function placeOfPath(path: string): FieldPlace {
  return places.find(([start]) => start.test(path))?.[1] ?? { view: 'brief' }
}

/** The view that a plan field or a figure belongs to. */
export function viewOfPath(path: string): ViewId {
  return placeOfPath(path).view
}
