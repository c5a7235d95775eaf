import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { driveMap, stretchKinds, type MappedDrive, type StretchKind } from './driveMap'
import { fileSystems } from './fileSystem'
import { layouts } from './layouts/layouts'
import { poolOf, roomTB, type Pool } from './poolOf'
import { poolChoices } from '../../tests/stubs/poolChoices'

const sizes = [12, 8, 8, 4, 14, 8]
const { drives, choices } = planSchema.parse({
  name: 'x',
  drives: { lots: sizes.map(sizeTB => ({ sizeTB })), hotSpares: 1 },
})
function mapOf(layoutId: string, keptTB: number): MappedDrive[] | null {
  const pool = poolOf({ drives, choices: poolChoices(choices), catalogue, contentTB: 0, layoutId })
  return 'refused' in pool ? null : driveMap(pool as Pool, fileSystems.journalled, keptTB)
}
const sum = (map: readonly MappedDrive[], ...kinds: StretchKind[]) =>
  map.reduce((all, drive) => all + kinds.reduce((own, kind) => own + drive.stretches[kind], 0), 0)

describe('the map of the drives', () => {
  it.each(layouts.filter(({ id }) => id !== 'nightly-copy').map(({ id }) => id))(
    '%s: every drive is drawn whole, in its place, and the kinds add up to the figures',
    id => {
      const map = mapOf(id, 3)!
      expect(map.map(({ sizeTB }) => sizeTB)).toEqual(sizes)
      for (const drive of map)
        expect(stretchKinds.reduce((all, kind) => all + drive.stretches[kind], 0)).toBeCloseTo(
          drive.sizeTB,
          9,
        )
      const pool = poolOf({
        drives,
        choices: poolChoices(choices),
        catalogue,
        contentTB: 0,
        layoutId: id,
      }) as Pool
      const { usableTB, redundancyTB, mismatchTB } = pool.arrangement
      expect(sum(map, 'kept', 'free')).toBeCloseTo(roomTB(usableTB, drives), 9)
      expect(sum(map, 'kept')).toBeCloseTo(Math.min(3, roomTB(usableTB, drives)), 9)
      expect(sum(map, 'copy', 'parity')).toBeCloseTo(redundancyTB, 9)
      expect(sum(map, 'unused')).toBeCloseTo(mismatchTB, 9)
      expect(map.find(({ sizeTB }) => sizeTB === 14)!.stretches.spare).toBe(14)
    },
  )
  it('shows at most what fits, and the groups that fail together', () => {
    const map = mapOf('pairs', 1000)!
    expect(sum(map, 'free')).toBe(0)
    expect(map.map(({ group }) => group)).toEqual([0, 0, 1, null, null, 1])
  })
  it('knows nothing of drives that make no such layout', () =>
    expect(mapOf('nightly-copy', 3)).toBe(null))
})
