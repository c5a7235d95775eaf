import { counted } from '../../../units/counted'
import { fitRule } from '../fitRule'
import { maxOnLead, plugsOf } from '../plugs'

/** A lead carries four drives, splitters or not. */
export const drivesOnLead = fitRule<{ readonly fullest: number; readonly leads: number }>({
  id: 'drivesOnLead',
  label: 'Drives on one lead',
  group: 'power',
  prunes: 'body',
  otherwise: 'Spread the drives over more leads, or use fewer, larger drives.',
  judge(context) {
    const { fullest, leads, needed } = plugsOf(context)
    if (!context.supply || needed === 0 || leads === 0 || (context.housing?.hotSwap ?? 0) >= 12)
      return null
    return { state: fullest > maxOnLead ? 'fail' : 'pass', values: { fullest, leads } }
  },
  say: ({ fullest, leads }, _, state) =>
    `${counted(leads, 'lead')} for drives, with at most ${counted(fullest, 'drive')} on ` +
    `one${state === 'pass' ? '.' : `: more than ${maxOnLead} overload it when they start.`}`,
  fixes: () => [{ how: 'replace', kind: 'supply' }],
})
