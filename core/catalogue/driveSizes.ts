/** Sizes that drives are commonly sold in, TB. */
export const commonDriveSizesTB: readonly number[] = [2, 4, 6, 8, 10, 12, 16, 20, 24]
