import type { Input } from '../../expressions/node'
import type { FitSlice } from './fitSlice'
import type { FitFacts } from './fitFacts'
import type { Format } from '../../units/format'

/** What the machine is put together of, and the drives in it. */
export const built: readonly Input[] = [
  'machine.base',
  'machine.processor',
  'machine.parts',
  'machine.ownParts',
  'drives.lots',
  'drives.driveClass',
]

export interface Told {
  readonly facts: FitFacts
  readonly slice: FitSlice
  readonly format: Format
}
