import { fitRule, passIf } from '../fitRule'

/** A disc drive inside needs a 5.25" bay, and takes a port and a plug with it. */
export const discDrive = fitRule<{ readonly drives: number; readonly bays: number }>({
  id: 'discDrive',
  label: 'Disc drive',
  group: 'places',
  otherwise: 'Use a disc drive by USB, or read discs on another computer.',
  judge({ build: { parts }, housing }) {
    const inside = parts.reduce(
      (sum, { kind, entry, part }) =>
        kind === 'optical' && entry.link === 'data' ? sum + part.count : sum,
      0,
    )
    if (inside === 0 || !housing) return null
    return {
      state: passIf(inside <= housing.bays525),
      values: { drives: inside, bays: housing.bays525 },
      clash: { parts: parts.filter(({ kind }) => kind === 'optical').map(({ index }) => index) },
    }
  },
  say: ({ drives, bays }, _, state) =>
    state === 'pass'
      ? 'The disc drive has its bay; it takes a data port and a plug that a drive could have had.'
      : `${drives === 1 ? 'A disc drive needs' : `${drives} disc drives need`} 5.25" bays; ` +
        `the case has ${bays === 0 ? 'none' : bays}.`,
  fixes: () => [
    { how: 'replace', kind: 'optical' },
    { how: 'replace', kind: 'case' },
  ],
})
