import type { SupplyLosses } from '../../machine/power/supplyCurve'
import type { BoxRow } from '../buildRows'
import type { Frame, Chosen, Option } from './frame'
import type { PoolOffer } from './poolOffers'

/** What is chosen so far. */
export interface State {
  readonly frame: Frame | null
  readonly step: number
  readonly refs: readonly string[]
  readonly price: number
  /** over the years beside price and watts, at least */
  readonly overYears: number
  readonly idleW: number
  readonly loadW: number
  readonly losses: SupplyLosses | null
  readonly hasSupply: boolean
  readonly portMbps: number
  readonly chosen: Chosen
  readonly pool: PoolOffer | null
  /** the machine as far as it converts */
  readonly core: BoxRow | null
}

/** Nothing is chosen yet. */
export const nothingChosen: State = {
  frame: null,
  step: 0,
  refs: [],
  price: 0,
  overYears: 0,
  idleW: 0,
  loadW: 0,
  losses: null,
  hasSupply: false,
  portMbps: 0,
  chosen: { bays: 0, count: 0, turning: 0 },
  pool: null,
  core: null,
}

/** A frame as it comes. */
export function stateOfFrame(frame: Frame): State {
  const { refs = [], price, idleW, loadW, losses, hasSupply, portMbps, bays } = frame
  return {
    ...nothingChosen,
    frame,
    refs,
    price,
    idleW,
    loadW,
    losses,
    hasSupply,
    portMbps,
    chosen: { bays, count: 0, turning: 0 },
  }
}

/** The state with one more option chosen. */
export function withOption(state: State, option: Option, mainsVolts: 115 | 230): State {
  const { refs, price, idleW, loadW, processor, supply, housing, system } = option
  const { bays = 0, portMbps } = option
  const behind = supply && {
    hasSupply: true,
    losses: { ratingW: supply.ratingW, efficiency: supply.efficiency, mainsVolts },
  }
  return {
    ...state,
    step: state.step + 1,
    refs: refs.length ? [...state.refs, ...refs] : state.refs,
    price: state.price + price,
    overYears: state.overYears + (option.overYears ?? 0),
    idleW: state.idleW + idleW,
    loadW: state.loadW + loadW,
    ...behind,
    portMbps: portMbps === undefined ? state.portMbps : Math.max(state.portMbps, portMbps),
    chosen: {
      ...state.chosen,
      bays: state.chosen.bays + bays,
      ...(processor ? { processor } : {}),
      ...(supply ? { supply } : {}),
      ...(housing ? { housing } : {}),
      ...(system ? { system } : {}),
      ...(option.mends === 'coolDrives' ? { hasFan: true } : {}),
    },
  }
}
