import type { ScanProblem } from '~~/core/formats/libraryScan'
import type { ScanSummary } from '~~/core/library/scanGroups'

/**
 * Largest scan that is read, in bytes; a hundred thousand files make about 600 MB of ffprobe JSON.
 */
export const scanLimitBytes = 1_500_000_000

export type ScanMessage =
  | { readonly kind: 'progress'; readonly readBytes: number; readonly files: number }
  | {
      readonly kind: 'done'
      readonly summary: ScanSummary
      readonly problems: readonly ScanProblem[]
      readonly problemCount: number
    }
  | { readonly kind: 'failed'; readonly message: string }
