import type { Estimate } from '../figure'

/** Kinds of things that are kept. */
export interface HoldingKind {
  readonly id: string
  readonly label: string
  /** what one of them is called */
  readonly one: string
  /**
   * what its size follows from: picture bitrate, sound bitrate, megabytes each, or gigabytes given
   * directly
   */
  readonly sized: 'video' | 'sound' | 'each' | 'direct'
  /** whether people play it */
  readonly watched: boolean
  /** whether it can usually be had again: ripped, bought, or copied from where it came */
  readonly replaceable: boolean
}

// prettier-ignore
export const holdingKinds = [
  { id: 'film', label: 'Films', one: 'film', sized: 'video', watched: true, replaceable: true },
  { id: 'series', label: 'Series', one: 'episode', sized: 'video', watched: true, replaceable: true },
  { id: 'homeVideo', label: 'Home video', one: 'recording', sized: 'video', watched: true, replaceable: false },
  { id: 'music', label: 'Music', one: 'album', sized: 'sound', watched: true, replaceable: true },
  { id: 'photos', label: 'Photos', one: 'picture', sized: 'each', watched: false, replaceable: false },
  { id: 'documents', label: 'Documents', one: 'file', sized: 'direct', watched: false, replaceable: false },
  { id: 'computerBackups', label: 'Backups of computers', one: 'computer', sized: 'direct', watched: false, replaceable: true },
  { id: 'projects', label: 'Projects and archives', one: 'project', sized: 'direct', watched: false, replaceable: false },
] as const satisfies readonly HoldingKind[]
export type HoldingKindId = (typeof holdingKinds)[number]['id']
export type WatchedKindId = Extract<(typeof holdingKinds)[number], { watched: true }>['id']

/** The kind of this id. */
export function holdingKind(id: HoldingKindId): HoldingKind {
  return holdingKinds.find(kind => kind.id === id)!
}

/** Sizes of what is no video: sound in Mb/s, pictures in MB each, both as 80 % bands. */
export interface OtherQuality {
  readonly id: string
  readonly label: string
  readonly sized: 'sound' | 'each'
  readonly amount: Estimate
}

// prettier-ignore
export const otherQualities: readonly OtherQuality[] = [
  { id: 'music-lossless', label: 'Lossless stereo', sized: 'sound', amount: { low: 0.7, likely: 0.9, high: 1.1 } },
  { id: 'music-lossy', label: 'Lossy stereo', sized: 'sound', amount: { low: 0.25, likely: 0.28, high: 0.32 } },
  { id: 'photo', label: 'Photos', sized: 'each', amount: { low: 4, likely: 5, high: 6 } },
  { id: 'photo-raw', label: 'Raw photos', sized: 'each', amount: { low: 25, likely: 35, high: 45 } },
]
