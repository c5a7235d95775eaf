import type { Catalogue } from './catalogue/catalogue'
import { CoreRangeError } from './errors'
import { assessDrives } from './drives/assessDrives'
import type { WaterfallStep } from './drives/waterfall'
import type { Figure } from './figure'
import type { Finding } from './finding'
import { assessHousehold, type HouseholdAssessment } from './household/assessHousehold'
import { watchingWeek, type WatchingWeek } from './household/watchingWeek'
import { assessLibrary } from './library/assessLibrary'
import type { Forecast } from './library/forecast'
import { assessMachine } from './machine/assessMachine'
import { assessNetwork } from './network/assessNetwork'
import { assessOwnership } from './ownership/assessOwnership'
import type { Plan } from './plan/planSchema'
import { assessPlayback } from './playback/assessPlayback'
import type { PlayabilityMatrix } from './playback/matrix'
import { rememberLast } from './rememberLast'
import type { ConversionMachine } from './streams/conversionMachine'
import { catalogueOf } from './streams/catalogueOf'
import { assessStreams } from './streams/assessStreams'
import type { Demand, MixPart } from './streams/demand'
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
    /** whether the numbers follow from habits; else from the answers of the busy evening */
    readonly fromHabits: boolean
    readonly week: WatchingWeek
    readonly expected: HouseholdAssessment['expected']
    readonly matrix: PlayabilityMatrix
    readonly demand: Demand
    /** the machine as far as conversions go */
    readonly converter: ConversionMachine
  }
}

// While one section is edited the others are the very same values: what depends on them alone is not worked out again.
const weekOf = rememberLast(watchingWeek)
const peopleOf = rememberLast(assessHousehold)
const contentOf = rememberLast(assessLibrary)
const poolOf = rememberLast(assessDrives)
const playOf = rememberLast((
  household: Plan['household'], library: Plan['library'], network: Plan['network'], machine: Plan['machine'], choices: Plan['choices'], catalogue: Catalogue, week: WatchingWeek, home: number, away: number,
) => assessPlayback({ household, library, network, machine, choices }, catalogue, week, { home, away }))
const streamsOf = rememberLast(assessStreams)

/**
 * One plan in, one assessment out: pure, deterministic, the same in the page and on the server.
 * @param plan a whole plan, as the schema gives it
 * @param shipped the classes and models it draws on
 */
export function assess(plan: Plan, shipped: Catalogue): Assessment {
  const catalogue = catalogueOf(plan, shipped)
  const { household, library, machine, drives, network, choices } = plan
  const week = weekOf(household)
  const people = peopleOf(household, choices, week)
  const content = contentOf(library, choices, catalogue)
  const play = playOf(household, library, network, machine, choices, catalogue, week, people.atOnce.home, people.atOnce.away)
  const streams = streamsOf(machine, library, household, choices, catalogue, people.fromHabits ? play.demand : null)
  const pool = poolOf(drives, choices, catalogue, content)
  const wires = assessNetwork(network, library, catalogue, people.atOnce.home, people.atOnce.away)
  const box = assessMachine(machine, drives, catalogue)
  const money = assessOwnership(plan, box)
  const domains = [people, content, play, streams, pool, wires, box, money]
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
    series: {
      forecast: content.forecast, waterfall: pool.waterfall, mix: streams.mix, deadDrive: pool.deadDrive,
      fromHabits: people.fromHabits, week, expected: people.expected, matrix: play.matrix, demand: play.demand, converter: streams.converter,
    },
  }
}
