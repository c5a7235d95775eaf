/** Data drives by the place that they want: a 3.5" bay, a 2.5" bay, an M.2 place. */
export interface DriveForms {
  readonly count: number
  /** that turn and are 3.5" wide */
  readonly spinning: number
  /** SSDs that go into M.2 places; the other SSDs are 2.5" wide */
  readonly nvme: number
}
