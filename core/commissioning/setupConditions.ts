import { howSold } from '../drives/howSold'
import { layouts } from '../drives/layouts/layouts'
import { lastRefusal } from './goesInLast'
import { isIrreplaceable } from '../library/holdingSizes'
import { licenceOnce, pluggedIn } from '../machine/system/licence'
import { homePlace } from '../plan/constants'
import { hasUps } from '../plan/hasUps'
import type { ConditionId, Counts } from './setup'
import { addedParts, buildsParityApart, hungDrives, type SetupSlice } from './setupSlice'

type Holds = Partial<Record<ConditionId, boolean>>

const isOld = (sold: string) => sold !== 'new'

/** Whether a base, board, processor or memory was in use before. */
function isUsed({ plan, facts: { machine } }: SetupSlice): boolean {
  const { base, isFromParts, parts } = machine.build
  const core: readonly string[] = ['board', 'processor', 'memory']
  const ofParts = parts.some(
    ({ kind, part, entry }) =>
      core.includes(kind) &&
      (isOld(part.condition) || ('sold' in entry && isOld(entry.sold as string))),
  )
  return (
    ofParts ||
    (!isFromParts && (isOld(plan.machine.condition) || (base ? isOld(base.sold) : false)))
  )
}

function ofMachine(slice: SetupSlice): Holds {
  const { plan, catalogue, facts } = slice
  const { build } = facts.machine
  const { housing } = facts.fitting.context
  const { inside, inTrays, outside } = hungDrives(facts)
  const beside: readonly string[] = ['ups', 'enclosure']
  const built = build.isFromParts || build.base?.class === 'kit'
  return {
    built,
    opened: built || build.parts.some(({ kind }) => !beside.includes(kind)) || inside > inTrays,
    outside: outside > 0,
    used: isUsed(slice),
    adds: addedParts(facts).length > 0,
    behind:
      inside > 0 &&
      inTrays === 0 &&
      (housing?.reach === 'behind' || housing?.reach === 'dismantle'),
    ups: hasUps(plan, catalogue.hardware),
  }
}

function ofSystem({ plan, facts }: SetupSlice): Holds {
  const { system, build } = facts.machine
  const { board } = facts.fitting.context
  const maker = system?.id === 'maker'
  const desktop = system?.id === 'desktop'
  const isSeen = plan.machine.monitorAtHand || (board?.remoteManagement ?? false)
  return {
    maker,
    desktop,
    installed: !maker && !desktop,
    stick: system !== null && !system.bootsFrom.includes('ssd'),
    licence:
      licenceOnce(system, pluggedIn(build, facts.drives.count)) > 0 ||
      (system?.licence.perYear ?? 0) > 0,
    console: !maker && (plan.brief.anotherHome || !isSeen),
  }
}

function ofDrives({ plan, catalogue, facts }: SetupSlice, { copies }: Counts): Holds {
  const { pool, layoutId } = facts.drives
  const contentTB = facts.library.contentTB.likely
  const { lots } = plan.drives
  const layout = layouts.find(({ id }) => id === layoutId)
  return {
    drives: hungDrives(facts).all > 0,
    ownedDrives: lots.some(({ condition }) => condition === 'owned'),
    last:
      lots.some(({ goesInLast }) => goesInLast) &&
      lastRefusal(plan.drives, { layoutId, contentTB, copies }) === null,
    testWrites: lots.some(lot => isOld(howSold(lot, plan.drives, catalogue))),
    survives: pool !== null && pool.survives > 0 && (layout?.runsOn ?? false),
    parityAfter: buildsParityApart(facts) && plan.drives.parityAfterCopy,
  }
}

function ofPeople({ plan, facts }: SetupSlice, counts: Counts): Holds {
  const { household, system, brief, drives, library } = plan
  const { viewers } = household
  const folders = viewers.some(({ chooses }) => chooses === 'folders')
  const converts = facts.streams.needed.needed > 0
  const { hardwareConversion, build } = facts.fitting.context
  const isWatchedAway =
    viewers.length > 0
      ? viewers.some(({ place }) => place !== homePlace)
      : household.watchingAway > 0
  const awayAny =
    isWatchedAway || brief.anotherHome || system.services.some(({ reach }) => reach === 'away')
  const named: readonly string[] = ['film', 'series', 'music', 'homeVideo', 'photos']
  return {
    folders,
    media:
      viewers.length > 0
        ? viewers.some(({ chooses }) => chooses !== 'folders')
        : counts.viewers > 0,
    shares:
      folders ||
      system.services.some(({ loss }) => loss !== 'nothing') ||
      library.holdings.some(({ kind }) => kind === 'computerBackups'),
    converts,
    engine: converts && hardwareConversion && (build.cards.length > 0 || build.builtIn !== null),
    services: counts.services > 0,
    phones: counts.phones > 0,
    names: library.holdings.some(({ kind }) => named.includes(kind)),
    irreplaceable: library.holdings.some(isIrreplaceable),
    awayAny,
    awayLine: awayAny || (drives.awayCopy !== 'nothing' && drives.awayBy !== 'carried'),
    copies: counts.copies > 0,
  }
}

/** Which of the conditions hold that steps of a run-book ask for. */
export function setupConditions(slice: SetupSlice, counts: Counts): Set<ConditionId> {
  const holds: Holds = {
    ...ofMachine(slice),
    ...ofSystem(slice),
    ...ofDrives(slice, counts),
    ...ofPeople(slice, counts),
  }
  return new Set((Object.keys(holds) as ConditionId[]).filter(id => holds[id]))
}
