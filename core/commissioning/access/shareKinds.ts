import type { HoldingKindId } from '../../catalogue/holdingKinds'

/** Shares that are proposed, by name; what watching people read, and what is fed by holdings. */
interface ShareKind {
  readonly id: string
  readonly holds: readonly HoldingKindId[]
  readonly folders: 'one' | 'people' | 'computers'
  /** the worst of what is kept in it, where no holding says so */
  readonly loss: 'replaceable' | 'irreplaceable'
  /** there with or without a holding */
  readonly always: boolean
}

export const shareKinds: readonly ShareKind[] = [
  { id: 'films', holds: ['film'], folders: 'one', loss: 'replaceable', always: false },
  { id: 'series', holds: ['series'], folders: 'one', loss: 'replaceable', always: false },
  { id: 'music', holds: ['music'], folders: 'one', loss: 'replaceable', always: false },
  { id: 'photos', holds: ['photos'], folders: 'one', loss: 'irreplaceable', always: false },
  { id: 'own-video', holds: ['homeVideo'], folders: 'one', loss: 'irreplaceable', always: false },
  { id: 'projects', holds: ['projects'], folders: 'one', loss: 'irreplaceable', always: false },
  { id: 'people', holds: [], folders: 'people', loss: 'irreplaceable', always: true },
  { id: 'household', holds: ['documents'], folders: 'one', loss: 'irreplaceable', always: true },
  {
    id: 'computers',
    holds: ['computerBackups'],
    folders: 'computers',
    loss: 'replaceable',
    always: false,
  },
  { id: 'inbox', holds: [], folders: 'one', loss: 'replaceable', always: true },
]

/** What guests may read: nothing else. */
export const forGuests: readonly string[] = ['films', 'series', 'music']
/** What people bring, moved on at night by the machine: the phone keeps its own until then. */
export const inbox = 'inbox'
/** What software that shows pictures reads, and nobody else opens to delete. */
export const mediaShares: readonly string[] = ['films', 'series', 'music']
