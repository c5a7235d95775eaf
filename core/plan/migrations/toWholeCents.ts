import type { DocumentMigration, RawDocument } from './documentMigration'

const isRecord = (value: unknown): value is RawDocument =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Amounts of version 5 in the plan's currency; * stands for every entry of a list. */
const amounts = [
  'brief.budget',
  'machine.price',
  'machine.parts.*.price',
  'machine.ownParts.*.price',
  'machine.atHand.*.worth',
  'machine.diagnosisFee',
  'drives.lots.*.priceEach',
  'drives.copyPricePerTB',
  'drives.replacedWorth',
  'system.ownKinds.*.once',
  'system.ownKinds.*.perYear',
  'costs.tiers.*.cap',
  'costs.extras',
  'costs.linkBetween',
  'costs.licenceOnce',
  'costs.licencePerYear',
  'costs.upsBatteryPrice',
  'costs.hourValue',
  'costs.cloudSteps.*.pricePerMonth',
].map(path => path.split('.'))

function rounded(value: unknown, path: readonly string[]): unknown {
  const [key, ...rest] = path
  if (key === undefined) return typeof value === 'number' ? Math.round(value * 100) / 100 : value
  if (key === '*') return Array.isArray(value) ? value.map(entry => rounded(entry, rest)) : value
  return isRecord(value) && key in value ? { ...value, [key]: rounded(value[key], rest) } : value
}

/** Version 6: amounts of money are in whole cents; parts of one are rounded. */
export const toWholeCents: DocumentMigration = {
  from: 5,
  up: document =>
    amounts.reduce<RawDocument>((whole, path) => rounded(whole, path) as RawDocument, document),
}
