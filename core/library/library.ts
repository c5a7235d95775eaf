import { defineDomain } from '../domain'
import { libraryFacts } from './libraryFacts'
import { tellLibrary } from './tellLibrary'

/** What is kept, and how it grows. */
export const library = defineDomain({
  id: 'library',
  needs: [],
  read: (
    { library, choices: { horizonYears, ruleOfThumbFactor } },
    { qualities, otherQualities },
  ) => ({ library, horizonYears, ruleOfThumbFactor, qualities, otherQualities }),
  facts: libraryFacts,
  tell: tellLibrary,
})
