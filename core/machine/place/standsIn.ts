import type { Brief } from '../../plan/brief'

/** Whether it is said where the machine stands: noise and warmth are judged by nothing else. */
export function isPlaceSaid({ place }: Pick<Brief, 'place'>): boolean {
  return place !== 'notSaid'
}

/** Whether figures count with a cupboard: they do until another place is said. */
export function isInCupboard({ place }: Pick<Brief, 'place'>): boolean {
  return place === 'cupboard' || place === 'notSaid'
}

/** Whether vents would help: in a cupboard that is said, and has none. */
export function mayVent(brief?: Pick<Brief, 'place' | 'cupboardVented'>): boolean {
  return brief?.place === 'cupboard' && !brief.cupboardVented
}
