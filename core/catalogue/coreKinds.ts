/** Kinds of processor cores, by what they make of a clock. */
export const coreKinds = {
  fast: 'Desktop or mobile cores',
  efficiency: 'Efficiency cores',
  armSmall: 'ARM, small cores',
  armMiddle: 'ARM, middle cores',
  armBig: 'ARM, big cores',
} as const
export type CoreKind = keyof typeof coreKinds
