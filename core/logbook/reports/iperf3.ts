import { draft, type EntryDraft } from '../entry'
import { countAt, listAt, momentOf, numberAt, part, textAt, type Understood } from './understood'

const tool = 'iperf3'
/** Shorter runs end before a link is at its rate. */
export const minNetworkSeconds = 5
/** Above this the processor, and not the link, was the limit, %. */
export const busyProcessor = 90

export const isIperf3 = (document: unknown): boolean =>
  part(document, 'start', 'test_start') !== undefined ||
  /^iperf 3/.test(textAt(document, 'start', 'version')) ||
  (typeof part(document, 'error') === 'string' && part(document, 'start') !== undefined)

/** Why a run says nothing of a link; '' where it does. */
function leftOutOf(document: unknown, seconds: number): string {
  const ends = listAt(document, 'start', 'connected').map(
    end => [textAt(end, 'local_host'), textAt(end, 'remote_host')] as const,
  )
  if (ends.some(([local, remote]) => local !== '' && local === remote))
    return 'Both ends have one address: it measured the computer, and not the network.'
  if ((numberAt(document, 'start', 'test_start', 'target_bitrate') ?? 0) > 0)
    return 'The rate was asked for, so it says nothing of what the link carries.'
  if (seconds < minNetworkSeconds)
    return `It ran for ${seconds.toFixed(1)} s; under ${minNetworkSeconds} s say little.`
  const busy = numberAt(document, 'end', 'cpu_utilization_percent', 'host_total') ?? 0
  return busy > busyProcessor
    ? `The processor was ${Math.round(busy)} % busy: it, and not the link, was the limit.`
    : ''
}

interface Sum {
  readonly mbps: number
  readonly seconds: number
  readonly retransmits: number | null
  readonly lostPercent: number | null
}

/** What arrived; null where nothing did. */
function sumOf(document: unknown, protocol: string, received: string): Sum | null {
  const sum = part(document, 'end', protocol === 'UDP' ? 'sum' : received)
  const rate = numberAt(sum, 'bits_per_second')
  const seconds = numberAt(sum, 'seconds')
  return rate === null || rate <= 0 || seconds === null
    ? null
    : {
        mbps: rate / 1e6,
        seconds,
        retransmits: countAt(document, 'end', 'sum_sent', 'retransmits'),
        lostPercent: protocol === 'UDP' ? numberAt(sum, 'lost_percent') : null,
      }
}

/** Rates of links, `iperf3 -J`. */
export function readIperf3(document: unknown): Understood {
  const version = textAt(document, 'start', 'version').replace(/^iperf /, '')
  const error = textAt(document, 'error')
  const found = (entries: readonly EntryDraft[], notes: readonly string[] = []): Understood => ({
    tool,
    version,
    entries,
    notes,
  })
  if (error) {
    const began = listAt(document, 'intervals').length > 0
    return found(
      [],
      [
        began
          ? `The run was cut short: ${error}. It is shown here, and no value is taken from it.`
          : `The run failed: ${error}. No value is taken from it.`,
      ],
    )
  }
  const start = part(document, 'start', 'test_start')
  const protocol = textAt(start, 'protocol')
  const reverse = numberAt(start, 'reverse') === 1
  const forth = sumOf(document, protocol, 'sum_received')
  if (!forth) return found([], ['There is no rate in it.'])
  const back =
    part(document, 'end', 'sum_received_bidir_reverse') === undefined
      ? null
      : sumOf(document, protocol, 'sum_received_bidir_reverse')
  const leftOut = leftOutOf(document, forth.seconds)
  // As seen by the one who ran it: what it sent is the way up.
  const up = reverse ? (back?.mbps ?? null) : forth.mbps
  const down = reverse ? forth.mbps : (back?.mbps ?? null)
  return found([
    draft('network', {
      at: momentOf(numberAt(document, 'start', 'timestamp', 'timesecs')),
      values: {
        between: 'home',
        ranOn: 'notSaid',
        upMbps: up,
        downMbps: down,
        streams: countAt(start, 'num_streams') ?? 1,
        retransmits: forth.retransmits,
        lostPercent: forth.lostPercent,
        seconds: forth.seconds,
        protocol: protocol === 'UDP' ? 'udp' : 'tcp',
        busyHour: null,
      },
      ...(leftOut ? { leftOut } : {}),
    }),
  ])
}
