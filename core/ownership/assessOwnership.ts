import { band, mapEstimate } from '../band'
import type { DomainAssessment } from '../domainAssessment'
import { exactly, figure, type Estimate } from '../figure'
import type { Brief } from '../plan/brief'
import type { Choices } from '../plan/choices'
import type { Costs } from '../plan/costs'
import type { Drives } from '../plan/drives'
import type { Machine } from '../plan/machine'
import { formatNumber as n } from '../units/formatNumber'
import { kWhPerWattYear } from '../units/time'
import { headroomShare, headroomState } from '../verdict'

/**
 * kWh a year of a box that idles and, for some hours a day, converts: mean watts × 8.766.
 * @example kWhPerYear(30, 30, 0) // 263
 */
export function kWhPerYear(idleW: number, loadW: number, convertingHoursPerDay: number): number {
  return (idleW + (loadW - idleW) * convertingHoursPerDay / 24) * kWhPerWattYear
}

/** What is paid now, and what the socket costs in a year. */
export function assessOwnership(
  { brief, machine, drives, costs, choices }: { brief: Brief, machine: Machine, drives: Drives, costs: Costs, choices: Choices },
  power: { idleW: Estimate, loadW: Estimate },
): DomainAssessment {
  const drivesPrice = drives.lots.reduce((sum, lot) => sum + lot.count * lot.priceEach, 0)
  const purchase = Math.round((machine.price + drivesPrice + costs.extras) * 100) / 100
  const hours = choices.convertingHoursPerDay
  // The drives are the same in both figures, so their band is counted once.
  const busyExtraW = power.loadW.likely - power.idleW.likely
  const kWh = band({ idleW: power.idleW }, ({ idleW }) => kWhPerYear(idleW, idleW + busyExtraW, hours), 'linear')
  const electricity = mapEstimate(kWh, value => value * costs.pricePerKWh)
  const asked = exactly(purchase)
  const possible = brief.budget === null ? null : exactly(brief.budget)
  const left = possible ? possible.likely - purchase : null
  return {
    figures: [
      figure(purchase, {
        id: 'ownership.purchase', label: 'To pay now', unit: 'money', inputs: ['machine.price', 'drives.lots', 'costs.extras'],
        formula: `box ${n(machine.price, 7)} + drives ${n(drivesPrice, 7)} + extras ${n(costs.extras, 7)} = ${n(purchase, 7)}`,
      }),
      figure(kWh, {
        id: 'ownership.kWhPerYear', label: 'Electricity used in a year', unit: 'kWh', inputs: ['machine.idleW', 'machine.loadW', 'choices.convertingHoursPerDay'],
        formula: `(${n(power.idleW.likely, 3)} W + ${n(busyExtraW, 3)} W × ${n(hours)} ÷ 24 h) × 8.766 = ${n(kWh.likely, 3)} kWh`,
      }),
      figure(electricity, {
        id: 'ownership.electricityPerYear', label: 'Electricity in a year', unit: 'money', inputs: ['ownership.kWhPerYear', 'costs.pricePerKWh'],
        formula: `${n(kWh.likely, 3)} kWh × ${n(costs.pricePerKWh)} = ${n(electricity.likely, 3)}`,
      }),
      figure(mapEstimate(electricity, value => value * choices.horizonYears), {
        id: 'ownership.electricityAtHorizon', label: `Electricity in ${choices.horizonYears} years`, unit: 'money', inputs: ['ownership.electricityPerYear', 'choices.horizonYears'],
        formula: `${n(electricity.likely, 3)} a year × ${choices.horizonYears} = ${n(electricity.likely * choices.horizonYears, 3)}`,
        note: 'At today\'s price, every year alike.',
      }),
    ],
    verdicts: [{
      id: 'money', label: 'Money', domain: 'ownership', unit: 'money', asked, possible,
      share: headroomShare(asked, possible),
      state: possible ? (purchase > 0 && possible.likely === 0 ? 'impossible' : moneyState(asked, possible)) : 'unknown',
      sentence: left === null
        ? `${n(purchase, 6)} ${brief.currency} to pay now; enter a budget to see whether it is enough.`
        : left >= 0
          ? `${n(purchase, 6)} ${brief.currency} to pay now; ${n(left, 6)} of the budget are left.`
          : `${n(purchase, 6)} ${brief.currency} to pay now: ${n(-left, 6)} over the budget.`,
      figures: ['ownership.purchase', 'ownership.electricityPerYear'],
    }],
    findings: left !== null && left < 0
      ? [{ severity: 'warning', code: 'OVER_BUDGET', sentence: `The plan costs ${n(-left, 6)} ${brief.currency} more than the budget.`, from: ['brief.budget', 'ownership.purchase'], cures: [{ sentence: 'Compare the ways of building under Tiers, or buy part of the drives later.' }] }]
      : [],
  }
}

function moneyState(asked: Estimate, possible: Estimate) {
  const state = headroomState(asked, possible)
  return state === 'impossible' ? 'short' : state
}
