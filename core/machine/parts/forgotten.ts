import type {
  Cable,
  HardwarePart,
  SystemDisk,
  UpsUnit,
} from '../../catalogue/hardware/hardwarePart'
import type { FitContext } from '../fit/fitContext'
import { plugsOf } from '../fit/plugs'
import { drivesOnPorts } from '../assembly/assembly'
import { partsOfKind } from '../machineBuild'

/** What is easily forgotten: an entry of the catalogue, or something that none holds. */
export interface Forgotten {
  readonly id:
    | 'dataCables'
    | 'breakouts'
    | 'splitters'
    | 'bayFrames'
    | 'systemDisk'
    | 'fan'
    | 'ups'
    | 'licence'
    | 'copyDrives'
    | 'labels'
  /** id in the catalogue; null where nothing of it is a part */
  readonly ref: string | null
  readonly label: string
  readonly count: number
  readonly price: number
}

/** Wall watts that a UPS must carry, with the router: the rating in VA and in W. */
export const upsFactors = { vaPerW: 1 / 0.6, wattsFactor: 1.25, routerW: 10 } as const

export interface ForgottenQuestion {
  readonly hardware: readonly HardwarePart[]
  /** converting, at the wall */
  readonly loadWallW: number
  readonly hasUps: boolean
  readonly rebuilds: boolean
  readonly driveCount: number
  /** irreplaceable TB that no second copy holds */
  readonly uncopiedTB: number
  readonly pricePerTB: number
}

/** The smallest UPS that carries so many watts at the wall, with the router. */
export function smallestUps(hardware: readonly HardwarePart[], wallW: number): UpsUnit | null {
  const watts = wallW + upsFactors.routerW
  return (
    hardware
      .filter(
        (part): part is UpsUnit =>
          part.kind === 'ups' &&
          part.ratingVA >= watts * upsFactors.vaPerW &&
          part.ratingW >= watts * upsFactors.wattsFactor,
      )
      .sort((a, b) => a.price - b.price)[0] ?? null
  )
}

/**
 * Extras that the plan needs and its list does not have, from the machine as it is put together.
 */
export function forgottenExtras(
  context: FitContext,
  { hardware, loadWallW, hasUps, rebuilds, driveCount, uncopiedTB, pricePerTB }: ForgottenQuestion,
): Forgotten[] {
  const {
    build: { parts, base },
    housing,
    system,
    board,
  } = context
  const found: Forgotten[] = []
  const cable = (use: Cable['use']) =>
    hardware.find(
      (part): part is Cable =>
        part.kind === 'cable' && part.use === use && !part.moulded && part.comesWith === undefined,
    )
  const has = (use: Cable['use']) =>
    partsOfKind(parts, 'cable')
      .filter(({ entry }) => entry.use === use)
      .reduce((sum, { part }) => sum + part.count, 0)
  const add = (id: Forgotten['id'], part: HardwarePart | undefined | null, count: number) => {
    if (part && count > 0)
      found.push({ id, ref: part.id, label: part.label, count, price: part.price * count })
  }
  // Front trays of a prebuilt machine are wired already.
  const isWired = base !== null && base.inside.case === housing && housing.hotSwap > 0
  const breakouts = partsOfKind(parts, 'controller').reduce(
    (sum, { part, entry }) => sum + part.count * entry.breakouts,
    0,
  )
  if (board && !isWired) {
    const onBoard = Math.max(
      0,
      Math.min(context.boardPorts, drivesOnPorts(context) + context.otherPorts),
    )
    add('dataCables', cable('data'), onBoard - has('data'))
  }
  add('breakouts', cable('breakout'), breakouts - has('breakout'))
  const plugs = plugsOf(context)
  if (context.supply && !isWired && (housing?.hotSwap ?? 0) < 12)
    add('splitters', cable('splitter'), plugs.needed - plugs.own - plugs.split)
  if (!base?.hasSystemDisk && board && partsOfKind(parts, 'ssd').length === 0) {
    const shape = system?.bootsFrom.includes('ssd') === false ? 'stick' : '2.5'
    add(
      'systemDisk',
      hardware
        .filter((part): part is SystemDisk => part.kind === 'ssd' && part.shape === shape)
        .sort((a, b) => a.price - b.price)[0],
      1,
    )
  }
  if (
    housing &&
    context.heat.driveRiseK > 6 &&
    context.drives.spinning >= 4 &&
    housing.fanMounts > housing.fans.length
  )
    add(
      'fan',
      hardware.find(part => part.kind === 'fan'),
      1,
    )
  if (!hasUps && partsOfKind(parts, 'ups').length === 0 && rebuilds)
    add('ups', smallestUps(hardware, loadWallW), 1)
  if (system && system.licence.once > 0)
    found.push({
      id: 'licence',
      ref: null,
      label: `Licence: ${system.label.toLowerCase()}`,
      count: 1,
      price: system.licence.once,
    })
  if (uncopiedTB > 0.05)
    found.push({
      id: 'copyDrives',
      ref: null,
      label: `A drive of ${Math.ceil(uncopiedTB * 1.2)} TB for the copy of what is irreplaceable`,
      count: 1,
      price: Math.ceil(uncopiedTB * 1.2) * pricePerTB,
    })
  if (driveCount > 1)
    found.push({
      id: 'labels',
      ref: null,
      label: 'Labels with serial number and bay',
      count: driveCount,
      price: 0,
    })
  return found
}
