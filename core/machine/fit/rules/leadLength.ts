import { partsOfKind } from '../../knownParts'
import { fitRule } from '../fitRule'
import { plugsOf } from '../plugs'

/**
 * From plug to plug of a lead; and how far the last drive is, as a share of height and depth of the
 * case.
 */
export const plugToPlugMm = 150
export const wayShare = 0.7
/** The rule of thumb errs by so much: a lead is too short from there on. */
export const toleratedMm = 50

/** The supply's leads reach the farthest drive. */
export const leadLength = fitRule<{ readonly reachMm: number; readonly wayMm: number }>({
  id: 'leadLength',
  label: 'Leads long enough',
  group: 'power',
  otherwise: 'Put the drives into the nearer bays first.',
  judge(context) {
    const {
      supply,
      housing,
      build: { parts, base },
    } = context
    const { needed } = plugsOf(context)
    if (
      !supply ||
      !housing ||
      needed === 0 ||
      supply.form === 'brick' ||
      (base && base.inside.supply === supply)
    )
      return null
    const extended = partsOfKind(parts, 'cable').some(({ entry }) => entry.use === 'extension')
      ? 600
      : 0
    const reachMm =
      supply.leadMm + extended + plugToPlugMm * (Math.max(1, ...supply.driveLeads) - 1)
    const wayMm = Math.round(wayShare * (housing.heightMm + housing.depthMm))
    return { state: wayMm - reachMm < toleratedMm ? 'pass' : 'warning', values: { reachMm, wayMm } }
  },
  say: ({ reachMm, wayMm }, { number: n }, state) =>
    `The longest lead reaches ${n(reachMm)} mm; the farthest drive is about ${n(wayMm)} mm ` +
    `away${state === 'pass' ? '.' : '. A longer lead is needed.'}`,
  fixes: () => [
    { how: 'add', kind: 'cable', only: entry => 'use' in entry && entry.use === 'extension' },
    { how: 'replace', kind: 'supply' },
  ],
})
