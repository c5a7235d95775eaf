import type { Cable, HardwarePart, SystemDisk } from '../../catalogue/hardware/hardwarePart'
import type { FitContext } from '../fit/fitContext'
import { plugsOf } from '../fit/plugs'
import { drivesOnPorts } from '../assembly/assembly'
import { partsOfKind } from '../knownParts'
import { bestUps } from '../power/upsChoice'
import { licenceOnce, pluggedIn } from '../system/licence'

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
    | 'caddies'
    | 'spareDrive'
    | 'labels'
    | 'paste'
    | 'clockBattery'
  /** id in the catalogue; null where nothing of it is a part */
  readonly ref: string | null
  readonly label: string
  readonly count: number
  readonly price: number
}

export interface ForgottenQuestion {
  readonly hardware: readonly HardwarePart[]
  /** converting, at the wall */
  readonly loadWallW: number
  /** minutes that a UPS shall hold it */
  readonly upsMinutes: number
  readonly hasUps: boolean
  readonly rebuilds: boolean
  readonly driveCount: number
  /** drives for the copy of what cannot be replaced; null where it is not missing */
  readonly copy: { readonly label: string; readonly count: number; readonly price: number } | null
  /** the drive that the plan counts on to lie on the shelf; null where it counts on none */
  readonly spare: { readonly sizeTB: number; readonly price: number } | null
}

/**
 * Extras that the plan needs and its list does not have, from the machine as it is put together.
 */
export function forgottenExtras(context: FitContext, question: ForgottenQuestion): Forgotten[] {
  return [
    ...wiring(context, question),
    ...partsLeftOut(context, question),
    ...forOldParts(context, question),
    ...beside(question, context),
  ]
}

/** A part of the catalogue, where there is one and any of it is missing. */
function extra(
  id: Forgotten['id'],
  part: HardwarePart | undefined | null,
  count: number,
): Forgotten[] {
  return part && count > 0
    ? [{ id, ref: part.id, label: part.label, count, price: part.price * count }]
    : []
}

/** Data ports that a breakout cable gives. */
const portsOfBreakout = 4

/** Cables and plugs. */
function wiring(context: FitContext, { hardware }: ForgottenQuestion): Forgotten[] {
  const { build, housing, board, bays } = context
  const { parts, base } = build
  const cable = (use: Cable['use']) =>
    hardware.find(
      (part): part is Cable =>
        part.kind === 'cable' && part.use === use && !part.moulded && part.comesWith === undefined,
    )
  const has = (use: Cable['use']) =>
    partsOfKind(parts, 'cable')
      .filter(({ entry }) => entry.use === use)
      .reduce((sum, { part }) => sum + part.count, 0)
  // Front trays of a prebuilt machine are wired already.
  const isWired = base !== null && base.inside.case === housing && housing.hotSwap > 0
  const onPorts = Math.max(0, drivesOnPorts(context) + context.otherPorts)
  const onBoard = Math.min(context.boardPorts, onPorts)
  // Behind the board's ports come those of controllers: first the plain ones, a lead each.
  const controllers = partsOfKind(parts, 'controller')
  const portsOf = (byBreakout: boolean) =>
    controllers
      .filter(({ entry }) => entry.breakouts > 0 === byBreakout)
      .reduce((sum, { part, entry }) => sum + part.count * entry.ports, 0)
  const onPlain = Math.min(portsOf(false), onPorts - onBoard)
  const onBreakouts = Math.min(portsOf(true), onPorts - onBoard - onPlain)
  const leads = (isWired ? 0 : onBoard) + onPlain
  const plugs = plugsOf(context)
  const takesSplitters = context.supply && !isWired && (housing?.hotSwap ?? 0) < 12
  return [
    ...(board ? extra('dataCables', cable('data'), leads - has('data')) : []),
    ...extra(
      'breakouts',
      cable('breakout'),
      Math.ceil(onBreakouts / portsOfBreakout) - has('breakout'),
    ),
    ...extra('bayFrames', cable('driveFrame'), bays.framed - bays.frames),
    ...(takesSplitters
      ? extra('splitters', cable('splitter'), plugs.needed - plugs.own - plugs.split)
      : []),
  ]
}

/** A rise of the drives over the room, K, from which a case with many drives wants a fan more. */
const warmDrivesK = 6
const manyDrives = 4

/** A disk for the system, a fan, a UPS. */
function partsLeftOut(
  { build, housing, system, board, heat, drives }: FitContext,
  { hardware, hasUps, rebuilds, loadWallW, upsMinutes }: ForgottenQuestion,
): Forgotten[] {
  const { parts, base } = build
  const shape = system?.bootsFrom.includes('ssd') === false ? 'stick' : '2.5'
  const disk = hardware
    .filter((part): part is SystemDisk => part.kind === 'ssd' && part.shape === shape)
    .sort((a, b) => a.price - b.price)[0]
  const lacksDisk = !base?.systemDisk && board && partsOfKind(parts, 'ssd').length === 0
  const isWarm =
    housing !== null &&
    heat.driveRiseK > warmDrivesK &&
    drives.spinning >= manyDrives &&
    housing.fanMounts > housing.fans.length
  const fan = hardware.find(part => part.kind === 'fan')
  const lacksUps = !hasUps && rebuilds
  return [
    ...(lacksDisk ? extra('systemDisk', disk, 1) : []),
    ...(isWarm ? extra('fan', fan, 1) : []),
    ...(lacksUps ? extra('ups', bestUps(hardware, loadWallW, upsMinutes), 1) : []),
  ]
}

/** The battery of a board of this year or older is flat by now. */
export const flatBatterySince = 2016

/** What old parts want before they serve on: new coolers come with paste, boards with a battery. */
function forOldParts(
  { build: { base, parts, isReplaced }, board }: FitContext,
  { hardware }: ForgottenQuestion,
): Forgotten[] {
  const part = (use: Cable['use']) =>
    hardware.find(entry => entry.kind === 'cable' && entry.use === use)
  const lacks = (use: Cable['use']) =>
    !partsOfKind(parts, 'cable').some(({ entry }) => entry.use === use)
  const coolers = partsOfKind(parts, 'cooler')
  const liftsCooler =
    coolers.length > 0
      ? coolers.some(({ part: { condition } }) => condition === 'owned')
      : isReplaced && base !== null
  const boards = partsOfKind(parts, 'board')
  const isNew = boards.some(({ part: { condition } }) => condition === 'new')
  const isOld = board !== null && board.year <= flatBatterySince && !isNew
  return [
    ...(liftsCooler && lacks('paste') ? extra('paste', part('paste'), 1) : []),
    ...(isOld && lacks('clockBattery') ? extra('clockBattery', part('clockBattery'), 1) : []),
  ]
}

/** Of a front tray's caddy, in the plan's currency: used servers seldom come with all of them. */
export const caddyPrice = 8

/** What is no part of the machine. */
function beside(
  { copy, driveCount, spare }: ForgottenQuestion,
  { system, build, housing, bays }: FitContext,
): Forgotten[] {
  const line = (
    id: Forgotten['id'],
    label: string,
    { count = 1, price }: { readonly count?: number; readonly price: number },
  ): Forgotten => ({ id, ref: null, label, count, price })
  const licence = licenceOnce(system, pluggedIn(build, driveCount))
  const { base } = build
  const caddies =
    base?.class === 'rack' && base.inside.case === housing
      ? Math.min(housing.hotSwap, bays.turningInside + bays.flashInside)
      : 0
  return [
    ...(caddies > 0
      ? [
          line('caddies', 'Caddies for the front trays: used servers seldom come with all', {
            count: caddies,
            price: caddies * caddyPrice,
          }),
        ]
      : []),
    ...(spare
      ? [
          line('spareDrive', `${spare.sizeTB} TB drive for the shelf: the plan counts on it`, {
            price: spare.price,
          }),
        ]
      : []),
    ...(system && licence > 0
      ? [line('licence', `Licence: ${system.label.toLowerCase()}`, { price: licence })]
      : []),
    ...(copy
      ? [
          line('copyDrives', `For the copy of what is irreplaceable: ${copy.label}`, {
            count: copy.count,
            price: copy.price,
          }),
        ]
      : []),
    ...(driveCount > 1
      ? [line('labels', 'Labels with serial number and bay', { count: driveCount, price: 0 })]
      : []),
  ]
}
