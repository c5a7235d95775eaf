/*
 * The words of parts that are needed before any schema is loaded: forms, classes, and what each
 * kind is called.
 */

/** Sizes of boards, mm, from the smallest; 'own' fits one case only, its maker's. */
export const boardForms = {
  'mini-ITX': [170, 170],
  microATX: [244, 244],
  ATX: [305, 244],
  extended: [305, 330],
  own: [200, 200],
} as const
export type BoardForm = keyof typeof boardForms

export const efficiencyClasses = [
  'none',
  'white',
  'bronze',
  'silver',
  'gold',
  'platinum',
  'titanium',
  'brick',
] as const
export type EfficiencyClass = (typeof efficiencyClasses)[number]

/** What people call each kind of part, those with lists of their own among them, in their order. */
export const partKinds = {
  board: 'Board',
  case: 'Case',
  supply: 'Power supply',
  processor: 'Processor',
  cooler: 'Cooler',
  memory: 'Memory',
  card: 'Video card',
  controller: 'Controller card',
  networkCard: 'Network card',
  ssd: 'System SSD',
  fan: 'Fan',
  cable: 'Cables and adapters',
  optical: 'Disc drive',
  enclosure: 'Drive enclosure',
  ups: 'UPS',
} as const
