import type { StretchKind } from '~~/core/drives/driveMap'

/** What lies on a drive, as it is called. */
export const stretchWords: Readonly<Record<StretchKind, string>> = {
  kept: 'Library',
  free: 'Free',
  full: 'Left empty (fill limit)',
  reserve: 'File-system reserve',
  copy: 'Copies',
  parity: 'Parity',
  unused: 'Cannot be used',
  spare: 'Hot spare',
}
