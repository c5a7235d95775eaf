import { describe, expect, it } from 'vitest'
import { planAssessor } from '../../core/assess'
import { catalogue } from '../../core/catalogue/catalogue'
import { fitSlice } from '../../core/machine/fitting'
import { fitContext } from '../../core/machine/fit/assembleContext'
import { judgeFit } from '../../core/machine/fit/fitFacts'
import { planFitFixes } from '../../core/tiers/planFitFixes'
import { planSchema, type Plan } from '../../core/plan/planSchema'
import { drawFrom, type Draw } from '../plans/drawPlan'

const assessor = planAssessor()
const sliceOf = (plan: Plan) =>
  fitSlice(plan, assessor.facts(plan, catalogue, ['machine', 'drives', 'day', 'streams']))
const rank = { pass: 0, notKnown: 0, warning: 1, fail: 2 }
/** What the rules say of a plan that is assessed from its document on. */
const statesOf = (plan: Plan) =>
  new Map(
    judgeFit(fitContext(sliceOf(plan))).map(({ rule, judgement }) => [
      rule.id,
      rank[judgement.state],
    ]),
  )

/** Machines as people put them together, mistakes and all. */
function drawMachine({ below, pick, chance }: Draw): Plan {
  const { hardware, processors, memoryModules, videoEngines, machineBases } = catalogue
  const ofKind = (kind: string) => hardware.filter(part => part.kind === kind)
  const some = (share: number, entries: readonly { readonly id: string }[]) =>
    chance(share) ? [{ ref: pick(entries).id, count: 1 + below(2) }] : []
  const isKit = chance(0.5)
  const parts = [
    ...(isKit ? [{ ref: pick(ofKind('board')).id }] : []),
    ...some(isKit ? 0.9 : 0.2, processors),
    ...some(isKit ? 0.9 : 0.3, memoryModules),
    ...(chance(isKit ? 0.9 : 0.1) ? [{ ref: pick(ofKind('case')).id }] : []),
    ...(chance(isKit ? 0.9 : 0.1) ? [{ ref: pick(ofKind('supply')).id }] : []),
    ...(chance(isKit ? 0.8 : 0.1) ? [{ ref: pick(ofKind('cooler')).id }] : []),
    ...some(
      0.3,
      videoEngines.filter(({ kind }) => kind === 'card'),
    ),
    ...[
      'ssd',
      'controller',
      'networkCard',
      'enclosure',
      'breakout',
      'splitter',
      'fan',
      'adapter',
      'optical',
    ]
      .filter(kind => ofKind(kind).length > 0)
      .flatMap(kind => some(0.25, ofKind(kind))),
    // What lies on the shelf is offered first.
    ...['ssd', 'controller', 'supply', 'cooler', 'fan', 'cable']
      .flatMap(kind => some(0.15, ofKind(kind)))
      .map(part => ({ ...part, purpose: 'spare' as const })),
  ]
  return planSchema.parse({
    name: 'Drawn',
    machine: {
      base: isKit ? 'parts' : pick(machineBases).id,
      parts,
      wantsEcc: chance(0.2),
      monitorAtHand: chance(0.5),
    },
    drives: {
      lots: Array.from({ length: below(4) }, () => {
        const model = chance(0.6) ? pick(catalogue.driveModels) : null
        return {
          count: 1 + below(6),
          ...(model ? { model: model.id, sizeTB: model.sizeTB } : { sizeTB: pick([4, 8, 16]) }),
        }
      }),
    },
    household: { watchingHome: below(5) },
    choices: { hardwareConversion: chance(0.7) },
    brief: {
      place: pick(['livingRoom', 'cellar', 'cupboard'] as const),
      mainsVolts: pick([115, 230] as const),
    },
    network: { serverPortMbps: pick([1000, 2500, 10000]) },
    ...(chance(0.6) ? { system: { kind: pick(catalogue.systemKinds).id } } : {}),
  })
}

/** The whole run takes minutes: `FIXES_OF=2000 npx vitest run tests/fit`. */
const machines = Number(process.env.FIXES_OF ?? 90)

describe('every fix that is offered for machines drawn by lot', () => {
  it('makes its rule better and no other worse, once it is taken and all is assessed anew', () => {
    const slips: string[] = []
    let [applied, shelved] = [0, 0]
    for (let seed = 1; seed <= machines; seed++) {
      const plan = drawMachine(drawFrom(seed))
      const before = statesOf(plan)
      const rules = [...before].filter(([, state]) => state > 0).map(([rule]) => rule)
      for (const [rule, fixes] of Object.entries(planFitFixes(plan, rules, catalogue)))
        for (const { machine, ref, how, fromShelf } of fixes) {
          const after = statesOf(planSchema.parse({ ...plan, machine }))
          const told = `seed ${seed}: ${rule} by ${how} ${ref}`
          if ((after.get(rule) ?? 0) >= before.get(rule)!) slips.push(`${told} does not mend it`)
          for (const [id, now] of after)
            if (now > (before.get(id) ?? 0)) slips.push(`${told} makes ${id} worse`)
          applied++
          if (fromShelf) shelved++
        }
    }
    expect(slips).toEqual([])
    expect(applied).toBeGreaterThan(machines)
    expect(shelved).toBeGreaterThan(0)
  }, 600_000)
})
