/** What a file system keeps for itself, and how full it may become before it slows down. */
export interface FileSystem {
  readonly reserveShare: number
  readonly ceilingShare: number
}

export const fileSystems: Readonly<Record<'journalled' | 'copyOnWrite', FileSystem>> = {
  /** 2 % once the default reservation of 5 % for root is lowered at set-up */
  journalled: { reserveShare: 0.02, ceilingShare: 0.85 },
  copyOnWrite: { reserveShare: 0.03, ceilingShare: 0.8 },
}
