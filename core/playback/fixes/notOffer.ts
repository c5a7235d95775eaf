import { isOffered } from '../matrix'
import { needsConversion } from '../playability'
import { rowGroups } from '../rowGroups'
import type { PlaybackFix, FixKind } from './playbackFix'

/** More pairs of titles and device are not proposed: those with most hours are. */
const maxPairs = 40

/**
 * Titles kept away from a device that cannot play them as they are: its viewers watch something
 * else of the same habit. It
 * is proposed where such a device has something else to offer.
 */
export const notOffer: FixKind = (_, matrix) => {
  const groups = rowGroups(matrix.rows)
  const pairs = matrix.columns.flatMap((column, at) => {
    const { deviceId } = column
    if (deviceId === null || column.habits.length === 0) return []
    const hours = groups.map(({ rows }) =>
      column.habits.reduce(
        (sum, habit) =>
          sum +
          matrix.sessions[habit]!.reduce(
            (own, { row: of, chance }) => (rows.includes(of) ? own + chance : own),
            0,
          ),
        0,
      ),
    )
    const offered = groups.filter(
      (row, index) => isOffered(row, deviceId) && hours[index]! > 0,
    ).length
    if (offered < 2) return []
    return groups.flatMap((row, index) => {
      const inTrouble = row.rows.some(rowAt => {
        const { offered: isOfferedHere, plain, subtitled } = matrix.cells[rowAt]![at]!
        return (
          isOfferedHere &&
          [plain, ...(subtitled ? [subtitled] : [])].some(
            play => needsConversion(play) || play.outcome === 'cannot',
          )
        )
      })
      return inTrouble && hours[index]! > 0
        ? [{ row, deviceId, name: column.deviceName, hours: hours[index]! }]
        : []
    })
  })
  return pairs
    .sort((a, b) => b.hours - a.hours)
    .slice(0, maxPairs)
    .map(({ row, deviceId, name }): PlaybackFix => ({
      id: `not-offered-${row.key}-${deviceId}`,
      group: `not-offered-${deviceId}`,
      price: 0,
      leavesOut: true,
      label: `Do not offer ${row.label} on ${name}`,
      change: plan => ({
        ...plan,
        library: {
          ...plan.library,
          holdings: plan.library.holdings.map((holding, index) =>
            row.holdings.includes(index) && !holding.notOfferedTo.includes(deviceId)
              ? { ...holding, notOfferedTo: [...holding.notOfferedTo, deviceId] }
              : holding,
          ),
        },
      }),
    }))
}
