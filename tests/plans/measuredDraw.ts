import { assess } from '../../core/assess'
import { catalogue } from '../../core/catalogue/catalogue'
import { drivesMark } from '../../core/drives/poolOf'
import { lineMark } from '../../core/calibration/measuredLines'
import { homeLinkMark } from '../../core/network/measuredNetwork'
import { planSchema, type Plan } from '../../core/plan/planSchema'
import type { Trial } from '../../core/plan/trials'
import { drawFrom } from './drawPlan'

/** A plan with measurements of all that it has, near what it thinks, or far off. */
export function measuredDraw(plan: Plan, seed: number): Plan {
  const { domains, figures } = assess(plan, catalogue)
  const draw = drawFrom(seed)
  const { mark } = domains.machine
  const near = (value: number) => value * (0.75 + draw.below(60) / 100)
  const planned = (id: string) => figures[id]?.value ?? null
  const trials: Partial<Trial>[] = []
  const add = (figure: Trial['figure'], value: number | null, parts: Partial<Trial> = {}) => {
    if (value === null || !(value > 0) || draw.chance(0.2)) return
    for (let again = 1 + draw.below(3); again > 0; again--)
      trials.push({
        id: `m${trials.length}`,
        figure,
        value: Math.min(1e7, near(value)),
        day: '2026-11-20',
        ...parts,
      })
  }
  add('idleW', planned('machine.idleW'), { mark })
  add('convertingW', planned('machine.loadW'), { mark })
  add('startW', planned('machine.startSurgeW'), { mark, reads: 'atLeast' })
  add('driveRise', domains.fitting.context.heat.driveRiseK, { mark })
  const capacity = domains.streams.converter.processor?.likely ?? null
  add('software', capacity, { mark, reads: draw.pick(['exact', 'atLeast']) })
  for (const { id } of domains.streams.converter.engines)
    add('engine', 8, {
      mark,
      of: id,
      converted: planSchema.parse({
        name: 'x',
        calibration: { trials: [{ id: 'x', converted: {} }] },
      }).calibration.trials[0]!.converted,
    })
  add('homeLink', planned('network.homeLinkMbps'), { mark: homeLinkMark(plan.network) })
  add('upload', plan.network.uploadMbps, { mark: lineMark(plan.network.uploadMbps) })
  add('download', plan.network.downloadMbps, { mark: lineMark(plan.network.downloadMbps) })
  const { layoutId } = domains.drives
  add('rebuildHours', planned('drives.rebuildHours'), {
    mark: drivesMark(layoutId, plan.drives),
  })
  for (const model of new Set(plan.drives.lots.map(lot => lot.model)))
    add('driveMBps', 190, { of: model })
  return planSchema.parse({ ...plan, calibration: { ...plan.calibration, trials } })
}
