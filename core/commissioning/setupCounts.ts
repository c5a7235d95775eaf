import { backupPlan } from '../drives/backup/backupPlan'
import { rebuildShareOfOuter } from '../drives/rebuildHours'
import { fillQuestion } from '../network/fillQuestion'
import { copyHours, firstFills } from '../network/firstFill'
import { homePlace } from '../plan/constants'
import { accessOf } from './access/proposedAccess'
import { hardCells } from './hardCells'
import type { Counts } from './setup'
import {
  addedParts,
  buildsParityApart,
  computerClasses,
  hungDrives,
  phoneClasses,
  photosArrive,
  type SetupSlice,
} from './setupSlice'

const toMinutes = (hours: number | null | undefined) => 60 * (hours ?? 0)

/** Copying and comparing over the home network into the pool, minutes; its rate, MB/s. */
function fillWaits({ plan, facts }: SetupSlice) {
  const contentTB = facts.library.contentTB.likely
  const { irreplaceableTB } = facts.library
  const at = (sizeTB: number) =>
    firstFills(fillQuestion(sizeTB, plan, facts)).find(({ way }) => way === 'home')!
  const own = at(irreplaceableTB)
  return {
    irreplaceableMin: toMinutes(own.hours?.likely) + toMinutes(own.verifyHours),
    restMin: toMinutes(at(Math.max(0, contentTB - irreplaceableTB)).hours?.likely),
    compareMin: toMinutes(at(contentTB).verifyHours),
    rateMBps: own.rateMBps,
  }
}

/** What the owned drives hold at most, copied elsewhere first; minutes. */
function copyingMin({ plan, facts }: SetupSlice, rateMBps: number): number {
  const ownedTB = plan.drives.lots.reduce(
    (sum, { condition, count, sizeTB }) => (condition === 'owned' ? sum + count * sizeTB : sum),
    0,
  )
  const heldTB = Math.min(ownedTB, facts.library.contentTB.likely)
  return heldTB > 0 && rateMBps > 0
    ? toMinutes(copyHours(heldTB, { rateMBps, smallShare: plan.network.smallFilesShare }).likely)
    : 0
}

/** The long self-test of all drives at once: the largest at the rate of its surface. */
function testMin({ plan, facts: { drives } }: SetupSlice): number {
  const largestTB = Math.max(0, ...plan.drives.lots.map(({ sizeTB }) => sizeTB))
  return drives.slowestOuterMBps > 0
    ? (largestTB * 1e6) / (rebuildShareOfOuter * drives.slowestOuterMBps) / 60
    : 0
}

/** The longest first copy of those that are kept. */
function slowestCopyMin({ plan, catalogue }: SetupSlice, linkMBps: number): number {
  const { places } = backupPlan({ plan, qualities: catalogue, linkMBps })
  const hours = places.map(({ rows }) => rows.reduce((sum, { fullHours }) => sum + fullHours, 0))
  return toMinutes(Math.max(0, ...hours.filter(Number.isFinite)))
}

/** Lines of what is bought: the machine, its parts, drives, and extras where there are any. */
function boughtLines({ plan, facts: { machine } }: SetupSlice): number {
  const isBought = ({ condition }: { readonly condition: string }) => condition !== 'owned'
  return (
    machine.build.parts.filter(({ part }) => isBought(part)).length +
    (machine.build.base && isBought(plan.machine) ? 1 : 0) +
    plan.drives.lots.filter(isBought).length +
    (plan.costs.extras > 0 ? 1 : 0)
  )
}

/** What there is of what, for the minutes of a run-book. */
export function setupCounts(slice: SetupSlice): Counts {
  const { plan, catalogue, facts } = slice
  const { household } = plan
  const drives = hungDrives(facts)
  const { rateMBps, ...fill } = fillWaits(slice)
  const buildMin = toMinutes(facts.drives.pool?.firstBuild?.buildHours)
  const viewers = household.viewers.length || household.watchingHome + household.watchingAway
  const ofClass = (classes: readonly string[]) =>
    household.devices.filter(device => classes.includes(device.class)).length
  const away = household.viewers.filter(({ place }) => place !== homePlace)
  return {
    ...fill,
    lines: boughtLines(slice),
    drives: drives.all,
    inTrays: drives.inTrays,
    inBays: drives.inside - drives.inTrays,
    outside: drives.outside,
    added: addedParts(facts).reduce((sum, { part }) => sum + part.count, 0),
    viewers,
    shares: accessOf(plan).shares.length,
    computers: ofClass(computerClasses),
    devices: household.devices.length || viewers,
    phones: photosArrive(plan) ? ofClass(phoneClasses) : 0,
    services: plan.system.services.length,
    places:
      household.viewers.length > 0
        ? new Set(away.map(({ place }) => place)).size
        : Math.min(1, household.watchingAway),
    hardCells: hardCells(facts.playback),
    copies: backupPlan({ plan, qualities: catalogue, linkMBps: 1 }).places.length,
    memoryGB: facts.machine.build.memoryGB,
    testMin: testMin(slice),
    copyingMin: copyingMin(slice, rateMBps),
    parityFirstMin:
      buildsParityApart(facts) && facts.drives.pool!.writesParity && !plan.drives.parityAfterCopy
        ? buildMin
        : 0,
    buildMin,
    slowestCopyMin: slowestCopyMin(slice, rateMBps),
  }
}
