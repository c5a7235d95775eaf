/** What can be printed of a run-book. */
export const printKinds = {
  book: 'The whole run-book',
  next: 'What is next',
  labels: 'Labels for the drives',
  card: 'Card for the inside of the door',
  envelope: 'Sheet for the envelope',
} as const
export type PrintKind = keyof typeof printKinds
