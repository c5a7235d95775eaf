import { refusalText } from '../drives/refusalText'
import { systemRefusals } from '../machine/system/compareSystems'
import type { Format } from '../units/format'
import { backupPlan } from '../drives/backup/backupPlan'
import { lastRefusal, type LastRefusal } from './goesInLast'
import { hungDrives, type SetupSlice } from './setupSlice'

/** Why drives that hold data cannot go in last. */
function lastText(refusal: LastRefusal, format: Format): string {
  if (refusal.refused === 'noCopy')
    return (
      'Drives that hold data are to go in last, and the plan has no copy: make a copy first. ' +
      'Erasing them would leave every file once.'
    )
  return refusal.refused === 'notTaken'
    ? `Drives that hold data are to go in last, and the layout takes no such drives later: ` +
        `${refusal.layout}. Copy them elsewhere first.`
    : `Drives that hold data are to go in last, and the others have room for ` +
        `${format.quantity(refusal.roomTB, 'TB')}: the library would not go in before them.`
}

/** Why building should wait, in sentences; empty where nothing stands against it. */
export function whyWait({ plan, catalogue, facts }: SetupSlice, format: Format): string[] {
  const { machine, drives, fitting, library } = facts
  const { build, system } = machine
  const hasMachine = build.board !== null || build.base !== null || build.isFromParts
  const failing = fitting.judged.filter(({ state }) => state === 'fail').length
  const contentTB = library.contentTB.likely
  const roomTB = drives.pool?.roomTB ?? null
  const last = lastRefusal(plan.drives, {
    layoutId: drives.layoutId,
    contentTB,
    copies: backupPlan({ plan, qualities: catalogue, linkMBps: 1 }).places.length,
  })
  const refuses =
    system !== null &&
    systemRefusals(system, {
      context: fitting.context,
      wishes: plan.system,
      mixedSizes: new Set(plan.drives.lots.map(({ sizeTB }) => sizeTB)).size > 1,
      horizonYears: plan.choices.horizonYears,
    }).some(({ code }) => code === 'layout' || code === 'mixedSizes')
  const sentences: readonly (readonly [boolean, string])[] = [
    [!hasMachine, 'No machine is chosen yet: the steps stand here as far as they are known.'],
    [
      hungDrives(facts).all === 0,
      'No data drive is in the plan yet, so nothing is said of the pool.',
    ],
    [
      drives.refusal !== null && hungDrives(facts).all > 0,
      drives.refusal === null
        ? ''
        : `The drives cannot be put together: ${refusalText(drives.refusal, drives.layoutId, format)}`,
    ],
    [
      failing > 0,
      failing === 1
        ? 'One rule of fit fails: mend it before anything is put together.'
        : `${format.number(failing)} rules of fit fail: mend them before anything is put together.`,
    ],
    [
      roomTB !== null && contentTB > roomTB + 1e-9,
      `The library is ${format.quantity(contentTB, 'TB')} today, and the pool has room for ` +
        `${format.quantity(roomTB ?? 0, 'TB')}: it would not all go in.`,
    ],
    [last !== null, last ? lastText(last, format) : ''],
    [refuses, 'The system that is chosen cannot make this layout of drives.'],
  ]
  return sentences.flatMap(([holds, sentence]) => (holds ? [sentence] : []))
}
