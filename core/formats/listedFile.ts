/** What a list tells of one file; what it does not tell is null. */
export interface ListedFile {
  /** as it was found, with / between folders */
  readonly path: string
  readonly sizeBytes: number | null
  readonly width: number | null
  readonly height: number | null
  /** day and time at which it was taken, local, 2026-08-14T15:32:07 or the day alone */
  readonly taken: string | null
  readonly checksum: string | null
  readonly tags: Tags | null
}

/** Tags of a piece of music. */
export interface Tags {
  readonly artist: string
  readonly albumArtist: string
  readonly album: string
  readonly year: string
  readonly disc: string
  readonly track: string
  readonly title: string
}

/** A file of which only the path is known. */
export const listedFile = (path: string, more: Partial<ListedFile> = {}): ListedFile => ({
  path,
  sizeBytes: null,
  width: null,
  height: null,
  taken: null,
  checksum: null,
  tags: null,
  ...more,
})
