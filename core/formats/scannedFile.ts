/** What a scan tells of one file; null where the tool left it out. */
export interface ScannedFile {
  readonly path: string
  readonly sizeBytes: number | null
  readonly durationS: number | null
  /** codec of the picture as the tool names it; null without a picture */
  readonly videoCodec: string | null
  readonly width: number | null
  readonly height: number | null
  readonly bitsPerSample: number
  readonly highDynamicRange: boolean
  readonly interlaced: boolean
  /** the nominal and the mean frame rate differ */
  readonly variableFrameRate: boolean
  /** null when the scan does not tell */
  readonly audioTracks: number | null
  /** mean of the whole file, Mb/s */
  readonly bitrateMbps: number | null
}
