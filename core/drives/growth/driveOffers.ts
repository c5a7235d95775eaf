import { commonDriveSizesTB } from '../../catalogue/driveSizes'
import { driveClassOf, type CommonDrives, type DriveCatalogue } from '../driveTraits'
import { boughtModels, usualPrice } from '../usualPrice'

/** A size that drives can be bought in, and what one costs today in the plan's currency. */
export interface DriveOffer {
  readonly sizeTB: number
  readonly price: number
  /** id of its model; null where the price is that of a terabyte of its class */
  readonly model: string | null
}

/**
 * What can be bought of the plan's class of drive: the cheapest model of each size; where the
 * catalogue has no model of the class, the common sizes at its price of a terabyte. Smallest first.
 */
export function driveOffers(drives: CommonDrives, catalogue: DriveCatalogue): DriveOffer[] {
  const driveClass = driveClassOf(drives, catalogue)
  const models = boughtModels(driveClass, catalogue.driveModels)
  return models.length === 0
    ? commonDriveSizesTB.map(sizeTB => ({
        sizeTB,
        price: usualPrice(sizeTB, driveClass, catalogue.driveModels),
        model: null,
      }))
    : models.map(({ sizeTB, price, id }) => ({ sizeTB, price, model: id }))
}
