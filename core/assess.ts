import type { Catalogue } from './catalogue/catalogue'
import { CoreRangeError } from './errors'
import { assessDrives } from './drives/assessDrives'
import type { WaterfallStep } from './drives/waterfall'
import type { Figure } from './figure'
import type { Finding } from './finding'
import { assessHousehold } from './household/assessHousehold'
import { assessLibrary } from './library/assessLibrary'
import type { Forecast } from './library/forecast'
import { assessMachine } from './machine/assessMachine'
import { assessNetwork } from './network/assessNetwork'
import { assessOwnership } from './ownership/assessOwnership'
import type { Plan } from './plan/planSchema'
import { assessStreams } from './streams/assessStreams'
import type { MixPart } from './streams/libraryMix'
import type { Verdict } from './verdict'

export interface Assessment {
  /** by id */
  readonly figures: Readonly<Record<string, Figure>>
  /** in the order of the headroom line */
  readonly verdicts: readonly Verdict[]
  /** worst first */
  readonly findings: readonly Finding[]
  /** the series behind the pictures */
  readonly series: {
    readonly forecast: Forecast
    readonly waterfall: readonly WaterfallStep[]
    readonly mix: readonly MixPart[]
    /** what one dead drive costs, in a sentence */
    readonly deadDrive: string
  }
}

/**
 * One plan in, one assessment out: pure, deterministic, the same in the page and on the server.
 * @param plan a whole plan, as the schema gives it
 * @param catalogue the classes and models it draws on
 */
export function assess(plan: Plan, catalogue: Catalogue): Assessment {
  const { household, library, machine, drives, network, choices } = plan
  const people = assessHousehold(household, choices)
  const content = assessLibrary(library, choices, catalogue)
  const streams = assessStreams(machine, library, choices, catalogue, people.converting)
  const pool = assessDrives(drives, choices, catalogue, content)
  const wires = assessNetwork(network, library, catalogue, people.watchingHome, people.watchingAway)
  const box = assessMachine(machine, drives, catalogue)
  const money = assessOwnership(plan, box)
  const domains = [people, content, streams, pool, wires, box, money]
  const figures: Record<string, Figure> = {}
  for (const entry of domains.flatMap(domain => domain.figures)) {
    if (figures[entry.id]) throw new CoreRangeError('FIGURE_TWICE', { id: entry.id })
    figures[entry.id] = entry
  }
  const weight = { fail: 0, warning: 1, caution: 2 }
  return {
    figures,
    verdicts: domains.flatMap(domain => domain.verdicts),
    findings: domains.flatMap(domain => domain.findings).sort((a, b) => weight[a.severity] - weight[b.severity]),
    series: { forecast: content.forecast, waterfall: pool.waterfall, mix: streams.mix, deadDrive: pool.deadDrive },
  }
}
