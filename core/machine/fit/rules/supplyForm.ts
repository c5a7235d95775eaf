import { supplyGoesIn } from '../../power/supplyForms'
import { fitRule, passIf } from '../fitRule'

const forms = { ATX: 'ATX', SFX: 'SFX', rack: 'rack', brick: 'brick', own: 'own' } as const

/** The supply has the case's form, and there is one. */
export const supplyForm = fitRule<{
  readonly supply: string | null
  readonly form: string
  readonly wanted: string
}>({
  id: 'supplyForm',
  label: 'Supply in the case',
  group: 'parts',
  prunes: 'body',
  stops: true,
  otherwise: 'Choose case and supply together.',
  judge({ supply, housing, build: { base, isFromParts } }) {
    if (!supply)
      return isFromParts
        ? {
            state: 'fail',
            values: { supply: null, form: '', wanted: housing?.supplyForm ?? 'ATX' },
          }
        : null
    if (!housing) return null
    const together = base !== null && base.inside.supply === supply && base.inside.case === housing
    return {
      state: passIf(together || supplyGoesIn(supply.form, housing.supplyForm)),
      values: { supply: supply.label, form: forms[supply.form], wanted: forms[housing.supplyForm] },
    }
  },
  say: ({ supply, form, wanted }, _, state) =>
    supply === null
      ? 'There is no power supply.'
      : state === 'pass'
        ? form === 'SFX' && wanted === 'ATX'
          ? 'The supply goes into the case by the frame that comes with small ones.'
          : 'The supply goes into the case.'
        : form === 'brick' || wanted === 'brick'
          ? 'The case takes ' +
            `${wanted === 'brick' ? 'an external brick' : `a supply of form ${wanted}`}; the ` +
            `${supply} is ${form === 'brick' ? 'a brick' : `of form ${form}`}.`
          : `The case takes a supply of form ${wanted}; the ${supply} is of form ${form}.`,
  fixes: ({ supply }) => [{ how: supply ? 'replace' : 'add', kind: 'supply' }],
})
