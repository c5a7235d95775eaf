import type { Estimate } from '../figure'
import type { VideoCodec } from './qualities'
import type { Sold } from './sold'

/** A fixed-function video engine: separate units, each with a rate in Mpx/s. */
export interface VideoEngine {
  readonly id: string
  readonly label: string
  readonly years: string
  readonly kind: 'built-in' | 'card' | 'board'
  /** source pixels by codec; a codec that is missing falls to software */
  readonly decode: Readonly<Partial<Record<VideoCodec, number>>>
  /** output pixels, H.264 */
  readonly encodeH264: number
  /** source pixels; null when tone mapping falls to the processor */
  readonly toneMap: number | null
  /** conversions at once that the driver allows; null without a limit */
  readonly sessionCap: Estimate | null
  /** memory of its own, GB; null when it takes the system's */
  readonly memoryGB: number | null
  /** some workloads hang it, or its picture is poor */
  readonly flagged: boolean
  /** share of sessions that end in software on such engines unless the plan says otherwise */
  readonly usualFallback: number
  /** a card that sleeps while no screen is plugged in, or a plug that stands in for one */
  readonly wantsScreen: boolean
  /** planning value for a card, in the plan's currency; null when it comes with a processor */
  readonly price: number | null
  /** watts that it adds at rest, and while converting */
  readonly idleW: number
  readonly loadW: number
  readonly notes: string
  /** a card by itself; an engine is sold with its processor */
  readonly sold: Sold
  /** how far its rates are known, where it was measured; the usual range otherwise */
  readonly rateBand?: Estimate
}

/**
 * H.264, MPEG-2 and VC-1 share a rate; HEVC in 8 bits and, where the engine can, in 10; the third
 * rate is AV1 and VP9.
 */
function decodes(
  h264: number,
  {
    hevc8 = 0,
    hevc10 = 0,
    av1 = 0,
    vp9 = av1,
  }: Partial<Record<'hevc8' | 'hevc10' | 'av1' | 'vp9', number>> = {},
): VideoEngine['decode'] {
  const all = { h264, mpeg2: h264, vc1: h264, hevc8, hevc10, av1, vp9 }
  return Object.fromEntries(Object.entries(all).filter(([, rate]) => rate > 0))
}

const builtIn = {
  kind: 'built-in',
  sold: 'new',
  sessionCap: null,
  memoryGB: null,
  flagged: false,
  usualFallback: 0,
  wantsScreen: false,
  price: null,
  idleW: 0,
  loadW: 8,
} as const
const card = {
  kind: 'card',
  sold: 'used',
  sessionCap: null,
  flagged: false,
  usualFallback: 0,
  wantsScreen: false,
} as const

/** Generic classes; planning values ±40 %, to be replaced by measurement. */
// prettier-ignore
export const videoEngines: readonly VideoEngine[] = [
  { ...builtIn, id: 'builtInA', label: 'Built-in A', years: '2011–13', decode: decodes(700), encodeH264: 350, toneMap: null, flagged: true, usualFallback: 0.1, notes: 'Poor picture; some workloads hang it.' },
  { ...builtIn, id: 'builtInB', label: 'Built-in B', years: '2013–15', decode: decodes(1000), encodeH264: 700, toneMap: null, usualFallback: 0.1, notes: 'H.264 only.' },
  { ...builtIn, id: 'builtInC', label: 'Built-in C', years: '2015–16', decode: decodes(1200, { hevc8: 1000 }), encodeH264: 1000, toneMap: null, usualFallback: 0.1, notes: 'HEVC in 8 bits; 10-bit titles are converted in software.' },
  { ...builtIn, id: 'builtInD', label: 'Built-in D', years: '2017–20', decode: decodes(1500, { hevc8: 1800, hevc10: 1800, vp9: 1500 }), encodeH264: 1200, toneMap: 600, notes: 'HEVC in 10 bits, tone mapping; no AV1.' },
  { ...builtIn, id: 'builtInE', label: 'Built-in E, small chip', years: '2021–24', decode: decodes(1800, { hevc8: 2000, hevc10: 2000, av1: 1600 }), encodeH264: 1300, toneMap: 600, notes: 'Runs on one memory channel; its rates already allow for that.' },
  { ...builtIn, id: 'builtInF', label: 'Built-in F', years: '2021–24', decode: decodes(3600, { hevc8: 4000, hevc10: 4000, av1: 3200 }), encodeH264: 2600, toneMap: 1600, notes: 'Two encode units.' },
  { ...builtIn, id: 'builtInG', label: 'Built-in G', years: '2024–', decode: decodes(4000, { hevc8: 4500, hevc10: 4500, av1: 3600 }), encodeH264: 2800, toneMap: 2000, notes: 'Encodes AV1 too.' },
  { ...card, id: 'cardEntry', label: 'Card, entry', years: '2016–19', decode: decodes(1400, { hevc8: 1500, hevc10: 1500 }), encodeH264: 1300, toneMap: 800, sessionCap: { low: 3, likely: 5, high: 8 }, memoryGB: 4, price: 90, idleW: 8, loadW: 25, notes: 'The driver allows 3 to 8 sessions.' },
  { ...card, id: 'cardWorkstation', label: 'Card, small workstation', years: '2017–20', decode: decodes(1400, { hevc8: 1500, hevc10: 1500 }), encodeH264: 1400, toneMap: 1000, memoryGB: 5, price: 140, idleW: 8, loadW: 28, notes: 'No session limit; fed by the slot, 75 W.' },
  { ...card, id: 'cardModern', sold: 'new', label: 'Card, modern', years: '2022–', decode: decodes(2000, { hevc8: 2800, hevc10: 2800, av1: 2000 }), encodeH264: 2200, toneMap: 3000, memoryGB: 8, price: 260, idleW: 12, loadW: 40, notes: 'Encodes AV1 too.' },
  { ...card, id: 'cardOldGaming', wantsScreen: true, label: 'Card, older gaming', years: '2016–18', decode: decodes(700, { hevc8: 900 }), encodeH264: 500, toneMap: 200, memoryGB: 6, price: 60, idleW: 14, loadW: 40, notes: 'Weaker than a built-in D; HEVC in 8 bits.' },
  { ...builtIn, id: 'boardArm', kind: 'board', label: 'ARM board', years: '2019–23', decode: decodes(250, { hevc8: 500, hevc10: 500 }), encodeH264: 100, toneMap: null, idleW: 0, loadW: 4, notes: 'Plan for titles that play as they are.' },
]

/** An engine's rates are good to this factor either way. */
export const engineRateBand: Estimate = { low: 0.6, likely: 1, high: 1.4 }

/** What a session leaves to the processor beside the engine, reference streams: sound, packing. */
export const hostWorkPerSession: Estimate = { low: 0.03, likely: 0.06, high: 0.1 }
/** More of it when subtitles are burned in by the processor. */
export const hostWorkOfBurning = 0.3
/** Of a unit's rate, what can be counted on. */
export const usableRateShare = 0.85
