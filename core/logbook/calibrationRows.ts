import type { Correction, HeldTrial } from '../calibration/correction'
import { plannedRange } from '../calibration/correction'
import { driveRateCorrection } from '../calibration/effectiveCatalogue'
import { figureRules } from '../calibration/figureRules'
import type { Catalogue } from '../catalogue/catalogue'
import type { DrivesFacts } from '../drives/drivesFacts'
import { exactly, type Estimate } from '../figure'
import type { HeatFacts } from '../machine/fit/fitContext'
import type { MachineFacts } from '../machine/machineFacts'
import { wattCorrections } from '../machine/machinePower'
import { wallW } from '../machine/power/supplyCurve'
import { homeCapacity } from '../network/chain'
import { fillQuestion, type FillFacts } from '../network/fillQuestion'
import { firstFills, smallFilesFactor } from '../network/firstFill'
import { measuredNetwork } from '../network/measuredNetwork'
import type { NetworkFacts } from '../network/networkFacts'
import { planCatalogue } from '../plan/planCatalogue'
import type { Plan } from '../plan/planSchema'
import { calibratedFigures, type CalibratedFigure } from '../plan/trials'
import { engineRateBand } from '../catalogue/videoEngines'
import { enginesInUse } from '../streams/conversionMachine'
import { engineCorrection } from '../streams/measuredConversions'
import { capacityCorrection, measuredCapacity, scoredCapacity } from '../streams/plannedCapacity'

/** A figure that can be measured: what the plan thinks of it, and what measurements made of it. */
export interface CalibrationRow {
  /** of the figure, and which of several */
  readonly id: string
  readonly figure: CalibratedFigure
  readonly of: string
  readonly label: string
  readonly unit: string
  /** the plan's range; null where the plan says nothing of it */
  readonly planned: Estimate | null
  readonly correction: Correction | null
  readonly trials: readonly HeldTrial[]
  /** measurements of another machine, other drives or another line: kept, and not counted */
  readonly elsewhere: number
  /** figures of the assessment that it moves */
  readonly moves: readonly string[]
}

/** The facts that it follows from. */
export interface CalibrationFacts {
  readonly machine: MachineFacts
  readonly drives: DrivesFacts
  readonly network: NetworkFacts
  readonly fitting: FillFacts['fitting'] & {
    readonly context: {
      readonly heat: HeatFacts
      readonly surge: { readonly watts: number; readonly measured: Correction | null }
    }
  }
  readonly wiring: FillFacts['wiring']
}

interface RowParts {
  readonly figure: CalibratedFigure
  readonly of?: string
  readonly name?: string
  readonly planned: Estimate | null
  readonly correction: Correction | null
  readonly moves: readonly string[]
}

function conversionRows(
  plan: Plan,
  { machine: { hardware } }: CalibrationFacts,
  { workTable: table }: Catalogue,
): RowParts[] {
  const { choices } = plan
  const how = { ...choices, table }
  const before = scoredCapacity(hardware, how)
  const engines = [...new Set(enginesInUse(hardware, choices))]
  return [
    {
      figure: 'software',
      planned: measuredCapacity(hardware, 0) ?? before,
      correction: capacityCorrection(hardware, how),
      moves: ['streams.softwareReference', 'streams.possible'],
    },
    ...engines.map((engine): RowParts => ({
      figure: 'engine',
      of: engine.id,
      name: engine.label,
      planned: engineRateBand,
      correction: engineCorrection(
        engine,
        hardware.trials.filter(({ figure, of }) => figure === 'engine' && of === engine.id),
        {
          table,
          toneMapping: choices.toneMapping,
          processor: before?.likely ?? 0,
          systemMemoryMB: hardware.engineMemoryMB,
        },
      ),
      moves: ['streams.possible'],
    })),
  ]
}

/** What the machine takes by the plan alone, before any reading. */
function powerRows({ machine: { power, watts }, drives, fitting }: CalibrationFacts): RowParts[] {
  const { resting, converting } = wattCorrections(power, drives)
  const { surge, heat } = fitting.context
  const factor = surge.measured?.factor.likely ?? 1
  const hasDrives = drives.count > 0
  return [
    {
      figure: 'idleW',
      planned: resting?.planned ?? watts.idle,
      correction: resting,
      moves: ['machine.idleW', 'ownership.kWhPerYear'],
    },
    {
      figure: 'convertingW',
      planned: converting?.planned ?? watts.converting,
      correction: converting,
      moves: ['machine.loadW', 'ownership.kWhPerYear'],
    },
    {
      figure: 'startW',
      planned: hasDrives ? exactly(wallW(surge.watts / factor, power.losses)) : null,
      correction: surge.measured,
      moves: ['machine.startSurgeW'],
    },
    {
      figure: 'driveRise',
      planned: hasDrives ? (heat.rise?.planned ?? exactly(heat.driveRiseK)) : null,
      correction: heat.rise,
      moves: ['machine.warmestDriveC'],
    },
  ]
}

function networkRows(plan: Plan, facts: CalibrationFacts): RowParts[] {
  const { measured } = measuredNetwork(plan.network, plan.calibration)
  const question = fillQuestion(1, plan, facts)
  const { rateMBps } = firstFills({ ...question, copying: null }).find(({ way }) => way === 'home')!
  const entered = (mbps: number) => (mbps > 0 ? exactly(mbps) : null)
  return [
    {
      figure: 'homeLink',
      planned: measured?.home?.planned ?? homeCapacity(plan.network),
      correction: measured?.home ?? null,
      moves: ['network.homeLinkMbps', 'network.bottleneck'],
    },
    {
      figure: 'upload',
      planned: entered(plan.network.uploadMbps),
      correction: measured?.upload ?? null,
      moves: ['network.awayStreams'],
    },
    {
      figure: 'download',
      planned: entered(plan.network.downloadMbps),
      correction: measured?.download ?? null,
      moves: [],
    },
    {
      figure: 'copyRate',
      planned: rateMBps > 0 ? exactly(rateMBps) : null,
      correction: question.copying,
      moves: [],
    },
    {
      figure: 'smallFiles',
      planned: smallFilesFactor,
      correction: question.smallFiles,
      moves: [],
    },
  ]
}

function driveRows(
  plan: Plan,
  { drives }: CalibrationFacts,
  { driveModels }: Catalogue,
): RowParts[] {
  const { pool } = drives
  const hours = pool?.rebuildHours ?? null
  const ids = new Set(plan.drives.lots.map(({ model }) => model))
  const models = driveModels.filter(({ id }) => ids.has(id))
  return [
    ...models.map((model): RowParts => ({
      figure: 'driveMBps',
      of: model.id,
      name: model.label,
      planned: exactly(model.outerMBps),
      correction: driveRateCorrection(model, plan.calibration),
      moves: ['network.bottleneck', 'drives.rebuildHours'],
    })),
    {
      figure: 'rebuildHours',
      planned: pool?.rebuild?.planned ?? (hours === null ? null : exactly(hours)),
      correction: pool?.rebuild ?? null,
      moves: ['drives.rebuildHours'],
    },
  ]
}

/**
 * Every figure that can be measured, in the order in which the views go through them: the plan's
 * range, the measurements that count or were held apart, and the corrected range.
 */
export function calibrationRows(
  plan: Plan,
  facts: CalibrationFacts,
  shipped: Catalogue,
): CalibrationRow[] {
  const catalogue = planCatalogue(plan, shipped)
  return [
    ...conversionRows(plan, facts, catalogue),
    ...powerRows(facts),
    ...networkRows(plan, facts),
    ...driveRows(plan, facts, catalogue),
  ].flatMap(({ figure, of = '', name, planned, correction, moves }): CalibrationRow[] => {
    const trials = correction?.trials ?? []
    const all = plan.calibration.trials.filter(
      trial => trial.figure === figure && trial.of === of,
    ).length
    if (planned === null && all === 0) return []
    return [
      {
        id: of === '' ? figure : `${figure} ${of}`,
        figure,
        of,
        label: name ? `${calibratedFigures[figure]}: ${name}` : calibratedFigures[figure],
        unit: figureRules[figure].unit,
        planned: planned && plannedRange(figure, planned),
        correction,
        trials,
        elsewhere: all - trials.length,
        moves,
      },
    ]
  })
}
