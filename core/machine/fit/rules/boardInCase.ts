import { fitRule, passIf } from '../fitRule'

/** The case has holes for a board of this form. */
export const boardInCase = fitRule<{ readonly form: string; readonly housing: string | null }>({
  id: 'boardInCase',
  label: 'Board in the case',
  group: 'parts',
  prunes: 'machine',
  stops: true,
  otherwise: 'Board and case have to be chosen together.',
  judge({ board, housing, build: { base, isFromParts } }) {
    if (!board)
      return isFromParts
        ? { state: 'fail', values: { form: '', housing: housing?.label ?? null } }
        : null
    if (!housing) return { state: 'fail', values: { form: board.form, housing: null } }
    const together = base !== null && base.inside.board === board && base.inside.case === housing
    return {
      state: passIf(together || (board.form !== 'own' && housing.forms.includes(board.form))),
      values: { form: board.form, housing: housing.label },
    }
  },
  say({ form, housing }, _, state) {
    if (!form) return 'There is no board.'
    if (housing === null) return 'There is no case.'
    if (form === 'own')
      return state === 'pass'
        ? 'The board and the case are made for each other.'
        : "The board is its maker's own shape and goes into its own case only."
    return state === 'pass'
      ? `The ${form} board goes into the ${housing}.`
      : `The ${housing} does not take a ${form} board.`
  },
  fixes: ({ board }) =>
    board
      ? [
          { how: 'replace', kind: 'case' },
          { how: 'replace', kind: 'board' },
        ]
      : [],
})
