import type { Figure } from '../figure'
import type { Format } from '../units/format'
import { fillOrder } from './fill/fillOrder'
import type { PlannedSlice } from './signOff/planned'
import { plannedOf } from './signOff/planned'
import { hungDrives } from './setupSlice'

/**
 * What the plan says at a step, in sentences: ports, bays, watts, space and hours as the other
 * views show them, by the step's id. Nothing of it is worked out here.
 */
export function quotesOf(slice: PlannedSlice, format: Format): Map<string, string> {
  const { figures, facts, plan } = slice
  const { quantity, number, hours } = format
  const planned = plannedOf(slice)
  const valueOf = (id: string): Figure['value'] => figures[id]?.value ?? null
  const { inside, inTrays, outside, all } = hungDrives(facts)
  const freeBays = valueOf('machine.freeBays')
  const freePorts = valueOf('machine.freePorts')
  const usableTB = valueOf('drives.usableTB')
  const usableTiB = valueOf('drives.usableTiB')
  const fill = fillOrder(slice)
  const copying = fill.reduce((sum, { copyHours }) => sum + (copyHours ?? 0), 0)
  const drives = (count: number) => `${number(count)} ${count === 1 ? 'drive' : 'drives'}`
  const said: readonly (readonly [id: string, holds: boolean, says: string])[] = [
    [
      'before.sharing',
      freePorts !== null,
      `With these places filled, ${quantity(freePorts ?? 0, 'ports')} for data are left over.`,
    ],
    [
      'assembly.drives',
      inside > 0,
      `${drives(inside)} inside, ${number(inTrays)} of them in trays; ` +
        `${quantity(freeBays ?? 0, 'bays')} are left.`,
    ],
    ['assembly.outside', outside > 0, `${drives(outside)} outside the case.`],
    [
      'assembly.start',
      planned.peakW !== null,
      `At the wall at most ${quantity(planned.peakW ?? 0, 'W')} while all drives start, and ` +
        `${number(planned.idleW?.low ?? 0, 3)} to ${quantity(planned.idleW?.high ?? 0, 'W')} at ` +
        'rest.',
    ],
    [
      'pool.make',
      usableTB !== null && all > 0,
      `${drives(all)}, usable ${quantity(usableTB ?? 0, 'TB')}, which a system may show as ` +
        `${quantity(usableTiB ?? 0, 'TiB')}. The name of the pool: ${plan.commissioning.poolName}.`,
    ],
    [
      'fill.speed',
      planned.copyMBps !== null,
      `Large files should copy at ${quantity(planned.copyMBps ?? 0, 'MB/s')} or a fifth less.`,
    ],
    [
      'fill.rest',
      fill.length > 0 && copying > 0,
      `In this order: ${fill.map(({ name }) => name).join(', ')}; ${hours(copying)} of copying.`,
    ],
    [
      'sign.watts',
      planned.idleW !== null,
      `Planned at rest: ${number(planned.idleW?.low ?? 0, 3)} to ` +
        `${quantity(planned.idleW?.high ?? 0, 'W')}.`,
    ],
    [
      'sign.load',
      planned.conversions !== null,
      `Needed: ${number(planned.conversions?.needed ?? 0)}; held possible: ` +
        `${number(planned.conversions?.possible.low ?? 0)} to ` +
        `${number(planned.conversions?.possible.high ?? 0)}.`,
    ],
  ]
  return new Map(said.filter(([, holds]) => holds).map(([id, , says]) => [id, says]))
}
