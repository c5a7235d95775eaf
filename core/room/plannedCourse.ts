import { arrangeDrives } from '../drives/arrangeDrives'
import { lotsAfter } from '../drives/growth/lotsAfter'
import { roomOfDrives, type RoomRule } from '../drives/growth/plannedRoom'
import type { Purchase } from '../drives/growth/purchases'
import { isRefusal, type LayoutRefusal } from '../drives/layouts/layout'
import { drivesOf } from '../drives/poolOf'
import type { JudgedFacts } from '../machine/fit/fitFacts'
import { onceByKey } from '../onceByKey'
import { ownEntry } from '../plan/constants'
import type { DriveLot } from '../plan/drives'

/** A drive, or several alike, as far as space and places go. */
export type PlannedLot = Pick<DriveLot, 'count' | 'sizeTB' | 'role' | 'model' | 'group'>

/** Why drives of a purchase do not count. */
export type NotCounted =
  | { readonly by: 'machine'; readonly rule: JudgedFacts }
  | { readonly by: 'layout'; readonly refusal: LayoutRefusal }
  /** its groups take no single drives */
  | { readonly by: 'growth' }
  /** the layout would use less of each drive then */
  | { readonly by: 'size' }

export interface PlannedStep {
  readonly purchase: Purchase
  /** of its drives those that have a place and make room */
  readonly counted: number
  /** null where all of them count */
  readonly why: NotCounted | null
}

export interface PlannedCourse {
  /** by month, today first, TB */
  readonly roomTB: readonly number[]
  /** in the order in which the purchases were given */
  readonly steps: readonly PlannedStep[]
}

export interface CourseQuestion {
  readonly rule: RoomRule
  /** a parity group can take a further drive */
  readonly expandsParity: boolean
  /** single drives */
  readonly lots: readonly PlannedLot[]
  readonly purchases: readonly Purchase[]
  /** how many from today on, today with them */
  readonly months: number
  readonly modelOf: (sizeTB: number) => string | null
  /** what of the machine fails with drives that come in; null where they fit */
  readonly failing: (
    before: readonly PlannedLot[],
    after: readonly PlannedLot[],
  ) => JudgedFacts | null
}

/**
 * The room month by month as planned drives come in. A drive counts from its month on where the
 * machine has a bay, a port and power for it then and the layout takes it; otherwise it stays out,
 * as if it had not been bought.
 */
export function plannedCourse(question: CourseQuestion): PlannedCourse {
  const { rule, purchases, months } = question
  let present = question.lots
  let room = roomOf(rule, present)
  const roomTB: number[] = []
  let known = onceByKey<Counted>()
  let lookedAt = present
  const steps: { readonly at: number; readonly step: PlannedStep }[] = []
  const inOrder = purchases
    .map((purchase, at) => ({ purchase, at }))
    .sort((a, b) => a.purchase.month - b.purchase.month || a.at - b.at)
  for (const { purchase, at } of inOrder) {
    while (roomTB.length < Math.min(purchase.month, months)) roomTB.push(room)
    // Where nothing came in since, a purchase like one that was looked at ends as it did.
    const { count, sizeTB, how } = purchase
    if (present !== lookedAt) known = onceByKey()
    lookedAt = present
    const { counted, why, after } = known.get(`${count} ${sizeTB} ${how}`, () =>
      mostThatCount(question, present, purchase),
    )
    present = after
    room = roomOf(rule, present)
    steps.push({ at, step: { purchase, counted, why } })
  }
  while (roomTB.length < months) roomTB.push(room)
  return { roomTB, steps: steps.sort((a, b) => a.at - b.at).map(({ step }) => step) }
}

const roomOf = (rule: RoomRule, lots: readonly PlannedLot[]) =>
  roomOfDrives(rule, drivesOf({ lots }))

/** How many drives of a purchase count, and what there is then. */
type Counted = Pick<PlannedStep, 'counted' | 'why'> & { readonly after: readonly PlannedLot[] }

/** As many drives of a purchase as count, and what there is then. */
function mostThatCount(
  question: CourseQuestion,
  present: readonly PlannedLot[],
  purchase: Purchase,
): Counted {
  const { sizeTB } = purchase
  const model = question.modelOf(sizeTB) ?? ownEntry
  const withSome = (count: number) =>
    lotsAfter(present, { ...purchase, count }, group => ({
      count: 1,
      sizeTB,
      role: 'any' as const,
      model,
      group,
    }))
  const whole = withSome(purchase.count)
  const why =
    machineSays(question, present, whole) ??
    layoutSays(question, purchase, { before: present, after: whole })
  if (why === null) return { counted: purchase.count, why, after: whole }
  // What takes the place of all smaller drives does so at once.
  if (purchase.how === 'allSmaller') return { counted: 0, why, after: present }
  // One drive more never has a place where one fewer has none.
  let [fits, most] = [0, purchase.count]
  while (fits < most) {
    const middle = Math.ceil((fits + most) / 2)
    if (machineSays(question, present, withSome(middle)) === null) fits = middle
    else most = middle - 1
  }
  for (let counted = fits; counted > 0; counted--) {
    const after = withSome(counted)
    if (layoutSays(question, purchase, { before: present, after }) === null)
      return { counted, why, after }
  }
  return { counted: 0, why, after: present }
}

function machineSays(
  { failing }: CourseQuestion,
  before: readonly PlannedLot[],
  after: readonly PlannedLot[],
): NotCounted | null {
  const rule = failing(before, after)
  return rule && { by: 'machine', rule }
}

function layoutSays(
  { rule, expandsParity }: CourseQuestion,
  { how }: Purchase,
  { before, after }: Readonly<Record<'before' | 'after', readonly PlannedLot[]>>,
): NotCounted | null {
  const arranged = (lots: readonly PlannedLot[]) =>
    arrangeDrives(rule.layout, drivesOf({ lots }), rule.hotSpares)
  const isMade = !isRefusal(arranged(before))
  if (isMade && how === 'added' && rule.layout.grows === 'parityGroup' && !expandsParity)
    return { by: 'growth' }
  const arrangement = arranged(after)
  if (!isRefusal(arrangement))
    return roomOf(rule, after) < roomOf(rule, before) ? { by: 'size' } : null
  // Drives of a pool that is still to be made gather until there are enough.
  return arrangement.refused === 'TOO_FEW_DRIVES' && !isMade
    ? null
    : { by: 'layout', refusal: arrangement }
}
