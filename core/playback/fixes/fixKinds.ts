import { keepSmallCopies } from './keepSmallCopies'
import { keepTextSubtitles } from './keepTextSubtitles'
import { layCable } from './layCable'
import { notOffer } from './notOffer'
import { raiseRemoteCap } from './raiseRemoteCap'
import type { FixKind } from './playbackFix'
import { replaceDevice } from './replaceDevice'

/** Every kind of fix; another is a file and a line here. */
export const fixKinds: readonly FixKind[] = [
  replaceDevice,
  keepTextSubtitles,
  raiseRemoteCap,
  keepSmallCopies,
  layCable,
  notOffer,
]
