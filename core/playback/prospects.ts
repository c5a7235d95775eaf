import type { WorkTable } from '../catalogue/workTable'
import { defineDomain, nothingToTell } from '../domain'
import type { ToneMapping } from '../streams/softwareWork'
import type { MatrixColumn } from './columns'
import { prospectOf, type Prospect } from './playability'
import { ConversionBook } from './conversionBook'
import type { ScreensFacts } from './screens'
import type { TitlesFacts } from './titles'
import type { TitleMakeup } from './titleTraits'

/**
 * One kind of title on one device, whatever the machine: without subtitles, and with them where
 * that differs.
 */
export interface CellProspect {
  readonly plain: Prospect
  readonly subtitled: Prospect | null
}

interface ProspectsSlice {
  readonly makeups: readonly TitleMakeup[]
  readonly screens: readonly Pick<MatrixColumn, 'device' | 'linkMbps' | 'capMbps'>[]
  readonly workTable: WorkTable
  readonly toneMapping: ToneMapping
}

/**
 * What each kind of title comes to on each screen before a machine is asked: by title, then by
 * screen.
 */
export interface ProspectsFacts {
  readonly cells: readonly (readonly CellProspect[])[]
}

function prospectsFacts({
  makeups,
  screens,
  workTable,
  toneMapping,
}: ProspectsSlice): ProspectsFacts {
  const book = new ConversionBook(workTable, toneMapping)
  return {
    cells: makeups.map(title =>
      screens.map((screen): CellProspect => {
        const session = { title, ...screen, subtitled: false }
        const shown =
          title.subtitles === 'none' || screen.device.subtitles.includes(title.subtitles)
        return {
          plain: prospectOf(session, book),
          subtitled: shown ? null : prospectOf({ ...session, subtitled: true }, book),
        }
      }),
    ),
  }
}

/**
 * What plays as it is and what would have to be converted, whatever the machine: it follows from
 * titles, devices and lines alone.
 */
export const prospects = defineDomain({
  id: 'prospects',
  needs: ['titles', 'screens'],
  read: (
    { choices: { toneMapping } },
    { workTable },
    needed: { readonly titles: TitlesFacts; readonly screens: ScreensFacts },
  ) => ({
    makeups: needed.titles.makeups,
    screens: needed.screens.columns.map(({ device, linkMbps, capMbps }) => ({
      device,
      linkMbps,
      capMbps,
    })),
    workTable,
    toneMapping,
  }),
  facts: prospectsFacts,
  tell: nothingToTell,
})
