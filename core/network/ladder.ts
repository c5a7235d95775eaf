/** The rungs a converted stream is sent at, best first. */
export const ladder = [
  { rungMbps: 20, lines: 2160 },
  { rungMbps: 10, lines: 1080 },
  { rungMbps: 8, lines: 1080 },
  { rungMbps: 6, lines: 1080 },
  { rungMbps: 4, lines: 720 },
  { rungMbps: 3, lines: 720 },
  { rungMbps: 1.8, lines: 480 },
  { rungMbps: 0.9, lines: 360 },
] as const

export type Rung = typeof ladder[number]
