/** What is otherwise than usual in an evening; all may be combined. */
export interface WhatIf {
  /** everybody who comes on busy days is there */
  readonly guests: boolean
  /** nothing is produced for ten minutes, at the moment with most there */
  readonly hang: boolean
  /** a drive is being rebuilt */
  readonly rebuilding: boolean
  /** a scrub reads the drives, or a copy in the house, which takes half of the port too */
  readonly busyDrives: 'none' | 'scrub' | 'copy'
  /** an upload takes its part of the line */
  readonly uploading: boolean
  /** the machine at an end of its band */
  readonly machine: 'low' | 'likely' | 'high'
}

export const asUsual: WhatIf = {
  guests: false,
  hang: false,
  rebuilding: false,
  busyDrives: 'none',
  uploading: false,
  machine: 'likely',
}
