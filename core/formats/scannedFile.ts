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
  /** codec and channels of the first sound track; null when the scan does not tell */
  readonly soundCodec: string | null
  readonly channels: number | null
  /** codecs of the subtitles as the tool names them */
  readonly subtitleCodecs: readonly string[]
  /** format names as the tool gives them, such as 'matroska,webm' */
  readonly container: string | null
  readonly framesPerSecond: number | null
  /** mean of the whole file, Mb/s */
  readonly bitrateMbps: number | null
}
