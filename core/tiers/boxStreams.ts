import type { Catalogue } from '../catalogue/catalogue'
import type { MachineFacts } from '../machine/machineFacts'
import type { Plan } from '../plan/planSchema'
import { sameValue } from '../sameValue'
import { conversionMachine } from '../streams/conversionMachine'
import {
  conversionsAtOnce,
  minutesOf,
  streamsState,
  type StreamsSlice,
} from '../streams/streamsFacts'
import type { ShortMinutes } from '../streams/shortMinutes'
import type { BoxRow } from './buildRows'

/** What a machine converts, as a row tells it. */
export type BoxStreams = Pick<BoxRow, 'needs' | 'streams' | 'possible' | 'minutesShort'>

/**
 * What machines convert. It follows from their hardware; where that is the same, so is the rest,
 * and it is worked out once.
 * @param readStreams what the streams domain depends on for a plan with the machine in it
 * @returns for a plan that has the machine; like: a row whose hardware may be the same
 */
export function createBoxStreams(
  plan: Plan,
  { workTable }: Pick<Catalogue, 'workTable'>,
  readStreams: (adopted: Plan) => StreamsSlice,
): (
  adopted: Plan,
  machine: Pick<MachineFacts, 'hardware'>,
  like: BoxRow | undefined,
) => BoxStreams {
  const byHardware = new Map<string, BoxStreams>()
  return (adopted, { hardware }, like) => {
    if (like && sameValue(like.machine.hardware, hardware)) return like
    const {
      table: _table,
      systemMemoryMB,
      ...converts
    } = conversionMachine(hardware, plan.choices, workTable)
    // Playback and streams see of the hardware what converts; the machine's memory only where an
    // engine takes its sessions from it.
    const key = JSON.stringify([
      converts,
      converts.engines.some(({ memoryGB }) => memoryGB === null) ? systemMemoryMB : null,
    ])
    const known = byHardware.get(key)
    if (known) return known
    const found = streamsFor(readStreams(adopted))
    byHardware.set(key, found)
    return found
  }
}

function streamsFor(slice: StreamsSlice): BoxStreams {
  const atOnce = conversionsAtOnce(slice)
  // Minutes short take longest to work out, and cannot better what falls short already.
  let minutes: ShortMinutes | null | undefined
  const minutesShort = () =>
    minutes === undefined ? (minutes = minutesOf(atOnce, slice)) : minutes
  const falls = atOnce.headroom === 'short' || atOnce.headroom === 'impossible'
  return {
    needs: { needed: { needed: atOnce.needed.needed }, engineGB: atOnce.engineGB },
    streams: falls ? atOnce.headroom! : streamsState(atOnce, minutesShort(), slice),
    possible: atOnce.possible?.likely ?? 0,
    get minutesShort() {
      return minutesShort()?.perMonth.likely ?? 0
    },
  }
}
