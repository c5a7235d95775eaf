/**
 * Data drives by the place that they want: a 3.5" bay, a 2.5" bay, an M.2 place. What stands beside
 * the machine in a case of its own is not among them.
 */
export interface DriveForms {
  readonly count: number
  /** that turn and are 3.5" wide */
  readonly spinning: number
  /** SSDs that go into M.2 places; the other SSDs are 2.5" wide */
  readonly nvme: number
}

/** The forms of a pool's drives, without those in cases of their own. */
export function formsOf({
  count,
  inOwnCase,
  spinning,
  nvme,
}: DriveForms & { readonly inOwnCase: number }): DriveForms {
  return { count: count - inOwnCase, spinning, nvme }
}
