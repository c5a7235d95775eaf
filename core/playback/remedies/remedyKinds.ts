import { keepSmallCopies } from './keepSmallCopies'
import { keepTextSubtitles } from './keepTextSubtitles'
import { layCable } from './layCable'
import { notOffer } from './notOffer'
import { raiseRemoteCap } from './raiseRemoteCap'
import type { RemedyKind } from './remedy'
import { replaceDevice } from './replaceDevice'

/** Every kind of remedy; another is a file and a line here. */
export const remedyKinds: readonly RemedyKind[] = [
  replaceDevice,
  keepTextSubtitles,
  raiseRemoteCap,
  keepSmallCopies,
  layCable,
  notOffer,
]
