import type { Catalogue } from '../../catalogue/catalogue'
import { arrangeDrives } from '../../drives/arrangeDrives'
import { isRefusal, type SearchedLayout } from '../../drives/layouts/layout'
import { layouts } from '../../drives/layouts/layouts'
import { standsAlone } from '../../drives/layouts/standsAlone'
import { drivesOf, roomTB } from '../../drives/poolOf'
import { priceOfLot } from '../../drives/drivePrices'
import { driveTraits } from '../../drives/driveTraits'
import { costOverYears, replacementsOf } from '../../ownership/cashFlow'
import { failingLots } from '../../ownership/failingDrives'
import { hasUps } from '../../plan/hasUps'
import { yearsQuestion } from '../../ownership/years/yearsQuestion'
import type { Plan } from '../../plan/planSchema'
import { onceByKey } from '../../onceByKey'
import { adoptPool, ownedLots, type PoolChoice } from '../builds'

/** Drives that a search may buy, with what is known of them before anything is assessed. */
export interface PoolOffer {
  readonly choice: PoolChoice
  /** as a plan holds them */
  readonly drives: Plan['drives']
  readonly key: string
  readonly count: number
  /** of them those that turn and need a 3.5" bay, and those for M.2 places */
  readonly turning: number
  readonly nvme: number
  /**
   * paid now, and over the years without electricity: a build with these drives costs no less for
   * them
   */
  readonly price: number
  readonly yearsCost: number
  /** watts of all drives, DC */
  readonly idleW: number
  readonly activeW: number
  readonly roomTB: number
  readonly survives: number
  /** its drives do not need each other while they run */
  readonly standsAlone: boolean
  /** of unlike sizes */
  readonly isMixed: boolean
}

/** Layouts that a search goes through, each as it says itself. */
export const searchedLayouts = (): readonly (SearchedLayout & { readonly layout: string })[] =>
  layouts.flatMap(({ id, searched }) => (searched ? [{ ...searched, layout: id }] : []))
/** Most drives of one model that are bought. */
export const maxSearchedDrives = 12
/** Smaller drives are not looked at. */
export const minSearchedTB = 4

/** Models that a search buys: hard disks whose tracks do not overlap. */
export function searchedModels({
  driveModels,
}: Pick<Catalogue, 'driveModels'>): Catalogue['driveModels'] {
  return driveModels.filter(
    ({ recording, sizeTB, price }) =>
      recording === 'conventional' && sizeTB >= minSearchedTB && price >= 0,
  )
}

/**
 * What drives cost over the years: what is there whatever is bought, and each drive by its price
 * and failures.
 */
function yearsOf(plan: Plan, catalogue: Catalogue) {
  const { horizonYears } = plan.choices
  const question = (drives: Plan['drives'], drivesToPay: number) =>
    yearsQuestion({
      plan: { ...plan, drives },
      catalogue,
      hasUps: hasUps(plan, catalogue.hardware),
      horizonYears,
      system: null,
      hoursToBuild: 0,
      pluggedIn: 0,
      machineToPay: 0,
      drivesToPay,
      averageW: 0,
    })
  const none = question({ ...plan.drives, lots: [], purchases: [] }, 0)
  const fixed = costOverYears(none)
  // Replacements go with how many drives there are, how often they fail and what they cost.
  const unitOf = onceByKey<number>()
  const replaced = (drives: Plan['drives']) =>
    failingLots({ ...plan, drives }, catalogue).reduce(
      (sum, lot) =>
        sum +
        lot.count *
          lot.failuresPerHour *
          lot.price *
          unitOf.get(`${lot.ageYears} ${lot.warrantyMonths}`, () =>
            replacementsOf({
              ...none,
              drives: [{ ...lot, count: 1, failuresPerHour: 1, price: 1 }],
            }),
          ),
      0,
    )
  return { fixed, replaced, keptShare: 1 - plan.costs.resaleShare }
}

type OfferSpace = Pick<PoolOffer, 'roomTB' | 'survives'>

/** The space of drives, whatever their models; null where their layout does not take them. */
function offerSpace(layoutId: string, drives: Plan['drives']): OfferSpace | null {
  const layout = layouts.find(({ id }) => id === layoutId)
  const arrangement = layout && arrangeDrives(layout, drivesOf(drives), drives.hotSpares)
  if (!arrangement || isRefusal(arrangement)) return null
  return { roomTB: roomTB(arrangement.usableTB, drives), survives: arrangement.survives }
}

/**
 * Makes offers of a plan: what a set of drives costs and takes; null where its layout does not take
 * them.
 */
export function offerMaker(
  plan: Plan,
  catalogue: Catalogue,
): (choice: PoolChoice, drives: Plan['drives']) => PoolOffer | null {
  const { fixed, replaced, keptShare } = yearsOf(plan, catalogue)
  const spaces = onceByKey<OfferSpace | null>()
  const spaceOf = (layoutId: string, drives: Plan['drives']) =>
    spaces.get(
      `${layoutId} ${drives.fileSystem} ${drives.hotSpares} ${JSON.stringify(
        drives.lots.map(({ count, sizeTB, role, group }) => [count, sizeTB, role, group]),
      )}`,
      () => offerSpace(layoutId, drives),
    )
  return (choice, drives) => {
    const space = spaceOf(choice.layout, drives)
    if (!space) return null
    let [price, idleW, activeW] = [0, 0, 0]
    let [count, turning, nvme] = [0, 0, 0]
    for (const lot of drives.lots) {
      const traits = driveTraits(lot, drives, catalogue)
      const { toPay } = priceOfLot(lot, drives, catalogue)
      // What stands in a case of its own takes no bay.
      count += traits.inOwnCase ? 0 : lot.count
      turning += traits.spinning && !traits.inOwnCase ? lot.count : 0
      nvme += traits.nvme ? lot.count : 0
      price += toPay
      idleW += lot.count * traits.idleW.likely
      activeW += lot.count * traits.activeW.likely
    }
    const { model = '', sizeTB, layout: id, fileSystem, keepsOwned = false, takesOut = [] } = choice
    return {
      choice,
      drives,
      key: `${model} ${sizeTB} ${choice.count} ${id} ${fileSystem} ${keepsOwned} ${takesOut.join('-')}`,
      count,
      turning,
      nvme,
      price,
      yearsCost: fixed + price * keptShare + replaced(drives),
      idleW,
      activeW,
      ...space,
      standsAlone: standsAlone(drives.layout),
      isMixed: new Set(drives.lots.map(lot => lot.sizeTB)).size > 1,
    }
  }
}

/**
 * No drives at all, for a machine that converts beside one that stores: it adds what is paid
 * whatever is bought.
 */
export function noDrives(plan: Plan, catalogue: Catalogue): PoolOffer {
  return {
    choice: {
      driveClass: plan.drives.driveClass,
      sizeTB: 0,
      count: 0,
      layout: 'separate',
      fileSystem: 'journalled',
    },
    drives: { ...plan.drives, lots: [], purchases: [], fileSystem: 'journalled' },
    key: 'none',
    count: 0,
    turning: 0,
    nvme: 0,
    price: 0,
    yearsCost: yearsOf(plan, catalogue).fixed,
    idleW: 0,
    activeW: 0,
    roomTB: 0,
    survives: 0,
    standsAlone: true,
    isMixed: false,
  }
}

/**
 * Every set of drives that a search may end with: of one model, under each layout that so many make
 * sense of, by themselves and beside
 * those owned; owned ones alone too. Without those whose room, or whose redundancy, is too little
 * whatever else there is.
 */
export function poolOffers(
  plan: Plan,
  catalogue: Catalogue,
  need: { readonly roomTB: number; readonly survives: number },
): PoolOffer[] {
  const owned = ownedLots(plan)
  const ownedCount = owned.reduce((sum, { count }) => sum + count, 0)
  const found: PoolOffer[] = []
  const offer = offerMaker(plan, catalogue)
  const add = (choice: PoolChoice) => {
    const made = offer(choice, adoptPool(plan, choice).drives)
    if (made && made.roomTB >= need.roomTB - 1e-9 && made.survives >= need.survives)
      found.push(made)
  }
  for (const { layout, from, to = maxSearchedDrives, fileSystem } of searchedLayouts()) {
    for (const keepsOwned of ownedCount > 0 ? [false, true] : [false]) {
      const kept = keepsOwned ? ownedCount : 0
      if (keepsOwned && kept >= from && kept <= to)
        add({
          driveClass: plan.drives.driveClass,
          sizeTB: minSearchedTB,
          count: 0,
          layout,
          fileSystem,
          keepsOwned,
        })
      for (const { id, sizeTB, driveClass } of searchedModels(catalogue)) {
        for (let count = Math.max(1, from - kept); count + kept <= to; count++)
          add({
            driveClass: keepsOwned ? plan.drives.driveClass : driveClass,
            model: id,
            sizeTB,
            count,
            layout,
            fileSystem,
            keepsOwned,
          })
      }
    }
  }
  return found
}
