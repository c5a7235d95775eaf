import { layouts } from '../drives/layouts/layouts'

/** Layouts that say that a kind of system can make them. */
const makes = (system: string): readonly string[] =>
  layouts.flatMap(({ id, systems }) => (systems.includes(system) ? [id] : []))

export type MemoryHabit = 'appliance' | 'plain'

/** A licence for so many drives, any number of them where null, and its price, once. */
export interface LicenceStep {
  readonly upToDrives: number | null
  readonly once: number
}

/** A kind of system for the machine: generic, no product. */
export interface SystemKind {
  readonly id: string
  readonly label: string
  readonly what: string
  readonly licence: {
    readonly perYear: number
    /** which drives are counted; '' where none are */
    readonly counts: string
    /** by the number of drives; one where they are not counted */
    readonly steps: readonly LicenceStep[]
  }
  readonly memory: MemoryHabit
  readonly bootsFrom: readonly ('ssd' | 'stick')[]
  /** ids of drive layouts that it can do; empty: those of its maker */
  readonly layouts: readonly string[]
  readonly mixedSizes: boolean
  readonly growsByOne: boolean
  readonly snapshots: boolean
  /** a drive put into another computer can be read by itself */
  readonly readableElsewhere: boolean
  readonly engine: 'yes' | 'guest' | 'no'
  readonly containers: boolean
  readonly guests: boolean
  readonly wifi: boolean
  readonly knowsServerCards: boolean
  /** 1 easy to 5 for those who know */
  readonly skill: 1 | 2 | 3 | 4 | 5
  readonly upkeepHoursPerYear: number
  readonly help: string
  /** what leaving it costs: nothing, or the pool has to be emptied */
  readonly leaving: 'free' | 'emptying'
  /** what it takes besides a plain server with nothing to do, W, DC: a planning value */
  readonly idleW: number
  /** starts without asking the internet for leave */
  readonly startsOffline: boolean
  /** runs on ARM chips too, not on x86 alone */
  readonly onArm: boolean
  /** goes only with machines of one class */
  readonly onlyOn: 'appliance' | null
}

const free = { perYear: 0, counts: '', steps: [{ upToDrives: null, once: 0 }] } as const

// prettier-ignore
export const systemKinds: readonly SystemKind[] = [
  { id: 'desktop', label: 'Desktop system kept', what: 'The system that you know, with a share and media software on it.', licence: free, memory: 'plain', bootsFrom: ['ssd'], layouts: makes('desktop'), mixedSizes: true, growsByOne: true, snapshots: false, readableElsewhere: true, engine: 'yes', containers: false, guests: false, wifi: true, knowsServerCards: false, skill: 1, upkeepHoursPerYear: 14, help: 'Whoever helps with your computer.', leaving: 'free', idleW: 3, startsOffline: true, onArm: true, onlyOn: null },
  { id: 'maker', label: 'The appliance maker\'s own', what: 'Comes with the appliance and is kept up by its maker.', licence: free, memory: 'appliance', bootsFrom: ['ssd'], layouts: makes('maker'), mixedSizes: true, growsByOne: true, snapshots: true, readableElsewhere: false, engine: 'yes', containers: true, guests: false, wifi: false, knowsServerCards: false, skill: 1, upkeepHoursPerYear: 5, help: 'The maker, as long as the model is supported.', leaving: 'emptying', idleW: 0, startsOffline: true, onArm: true, onlyOn: 'appliance' },
  { id: 'stick', label: 'Booted from a stick, dedicated parity', what: 'Drives of any size, one or two of them for parity; each data drive is readable by itself.', licence: { perYear: 0, counts: 'drives of every kind that are plugged in, the stick left out', steps: [{ upToDrives: 4, once: 0 }, { upToDrives: 8, once: 45 }, { upToDrives: 16, once: 80 }, { upToDrives: null, once: 140 }] }, memory: 'plain', bootsFrom: ['stick'], layouts: makes('stick'), mixedSizes: true, growsByOne: true, snapshots: false, readableElsewhere: true, engine: 'yes', containers: true, guests: true, wifi: false, knowsServerCards: true, skill: 2, upkeepHoursPerYear: 8, help: 'A forum of its users; many guides.', leaving: 'free', idleW: 0, startsOffline: true, onArm: false, onlyOn: null },
  { id: 'storage', label: 'Storage system on its own disk', what: 'Checksummed pools with snapshots, set up in the browser.', licence: free, memory: 'plain', bootsFrom: ['ssd'], layouts: makes('storage'), mixedSizes: false, growsByOne: false, snapshots: true, readableElsewhere: false, engine: 'yes', containers: true, guests: true, wifi: false, knowsServerCards: true, skill: 3, upkeepHoursPerYear: 10, help: 'A large forum, good documents.', leaving: 'emptying', idleW: 1, startsOffline: true, onArm: false, onlyOn: null },
  { id: 'server', label: 'Plain server system', what: 'Everything can be had; everything is set up by hand.', licence: free, memory: 'plain', bootsFrom: ['ssd', 'stick'], layouts: [], mixedSizes: true, growsByOne: true, snapshots: true, readableElsewhere: true, engine: 'yes', containers: true, guests: true, wifi: true, knowsServerCards: true, skill: 4, upkeepHoursPerYear: 16, help: 'Documents and many who know it.', leaving: 'free', idleW: 0, startsOffline: true, onArm: true, onlyOn: null },
  { id: 'hypervisor', label: 'Hypervisor with guests', what: 'Several systems on one machine; storage in one guest, media software in another.', licence: free, memory: 'plain', bootsFrom: ['ssd'], layouts: [], mixedSizes: true, growsByOne: true, snapshots: true, readableElsewhere: false, engine: 'guest', containers: true, guests: true, wifi: false, knowsServerCards: true, skill: 5, upkeepHoursPerYear: 20, help: 'Documents and a forum.', leaving: 'free', idleW: 2, startsOffline: true, onArm: false, onlyOn: null },
]
