import type { Quality } from '../catalogue/qualities'
import { defineDomain, nothingToTell } from '../domain'
import type { Library } from '../plan/library'
import { titleTraits, type TitleMakeup, type TitleTraits } from './titleTraits'

interface TitlesSlice {
  readonly holdings: Library['holdings']
  readonly qualities: readonly Quality[]
}

/** The library as kinds of titles. */
export interface TitlesFacts {
  readonly rows: readonly TitleTraits[]
  readonly keepsMusic: boolean
  /** the same by what they are made of alone: it stays the same when only their numbers change */
  readonly makeups: readonly TitleMakeup[]
}

function titlesFacts({ holdings, qualities }: TitlesSlice): TitlesFacts {
  const rows = titleTraits({ holdings }, qualities)
  return {
    rows,
    keepsMusic: holdings.some(
      ({ kind, titles, sizeGB }) => kind === 'music' && (titles > 0 || (sizeGB ?? 0) > 0),
    ),
    makeups: rows.map(
      ({ titles: _titles, holdings: _holdings, notOfferedTo: _notOfferedTo, ...makeup }) => makeup,
    ),
  }
}

/** What kinds of titles the library holds. */
export const titles = defineDomain({
  id: 'titles',
  needs: [],
  read: ({ library: { holdings } }, { qualities }) => ({ holdings, qualities }),
  facts: titlesFacts,
  tell: nothingToTell,
})
