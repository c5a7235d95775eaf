import { band } from '../band'
import type { Catalogue } from '../catalogue/catalogue'
import type { DomainAssessment } from '../domainAssessment'
import { exactly, figure, noFigure, type Estimate, type Figure } from '../figure'
import type { Finding } from '../finding'
import { monthFull } from '../library/forecast'
import type { LibraryAssessment } from '../library/assessLibrary'
import type { Choices } from '../plan/choices'
import type { Drives } from '../plan/drives'
import { tebibytes } from '../units/dataSize'
import { formatNumber as n } from '../units/formatNumber'
import { shareText } from '../units/shareText'
import { monthsPerYear } from '../units/time'
import { headroomShare, headroomState, type Verdict, type VerdictState } from '../verdict'
import { deadDriveSentence, hoursText } from './deadDrive'
import { fileSystems } from './fileSystem'
import { longestRebuildHours, poolLossChance } from './layoutRisk'
import { drivesOf, poolOf, snapshotsTB, type Pool } from './poolOf'
import { spaceWaterfall, type WaterfallStep } from './waterfall'

export interface DrivesAssessment extends DomainAssessment {
  readonly waterfall: readonly WaterfallStep[]
  readonly roomTB: number | null
  /** what one dead drive costs */
  readonly deadDrive: string
}

/** Real failure rates of one model lie between half and twice the usual figure of its class. */
const failureRateBand = { low: 0.5, likely: 1, high: 2 }
const chainSource = 'Markov chain over the number of dead drives; failure rates by class of drive, half to twice as many.'

/** Space, survival and rebuild of the plan's drives. */
export function assessDrives(drives: Drives, choices: Choices, catalogue: Catalogue, library: LibraryAssessment): DrivesAssessment {
  const pool = poolOf(drives, choices, catalogue, library.contentAtHorizonTB.likely)
  const rawTB = drivesOf(drives).reduce((sum, drive) => sum + drive.sizeTB, 0)
  const raw = figure(rawTB, {
    id: 'drives.rawTB', label: 'Raw', unit: 'TB', inputs: ['drives.lots'],
    formula: `${drives.lots.map(lot => `${lot.count} × ${n(lot.sizeTB)} TB`).join(' + ') || 'no drives'} = ${n(rawTB)} TB`,
  })
  if ('refused' in pool) return withoutPool(drives, choices, library, raw, pool.refused)
  const space = spaceFigures(drives, pool, library, choices)
  const risk = riskFigures(drives, pool, choices)
  const room = space.waterfall.at(-1)!.sizeTB
  const survives = pool.layout.survives(pool.arrangement.members)
  const rebuild = longestRebuildHours(pool.layout, pool.arrangement, pool.conditions)
  const deadDrive = deadDriveSentence(pool.layout, pool.arrangement.members, rebuild)
  return {
    waterfall: space.waterfall,
    roomTB: room,
    deadDrive,
    figures: [raw, ...space.figures, ...risk.figures],
    verdicts: [
      spaceVerdict(library, room, choices.horizonYears),
      survivalVerdict(survives, choices.survivesAtLeast, deadDrive, risk.atHorizon, choices.horizonYears),
    ],
    findings: findingsOf(drives, pool, choices, rebuild, survives),
  }
}

function spaceFigures(drives: Drives, pool: Pool, library: LibraryAssessment, choices: Choices): { figures: Figure[], waterfall: WaterfallStep[] } {
  const { arrangement, layout } = pool
  const { usableTB } = arrangement
  const fileSystem = fileSystems[drives.fileSystem]
  const heldTB = snapshotsTB(drives)
  const waterfall = spaceWaterfall(arrangement, fileSystem, heldTB)
  const room = waterfall.at(-1)!.sizeTB
  const neededTB = (library.contentAtHorizonTB.likely + heldTB) / (fileSystem.ceilingShare * (1 - fileSystem.reserveShare))
  const full = monthFullFigure(library, room)
  return {
    waterfall,
    figures: [
      figure(usableTB, {
        id: 'drives.usableTB', label: 'Usable', unit: 'TB', inputs: ['drives.rawTB', 'drives.lots', 'drives.layout', 'drives.hotSpares'],
        formula: `${n(arrangement.rawTB)} TB raw${arrangement.sparesTB.length ? ` − ${n(arrangement.sparesTB.reduce((a, b) => a + b, 0))} hot spares` : ''} − ${n(arrangement.redundancyTB)} copies and parity − ${n(arrangement.mismatchTB)} unused = ${n(usableTB)} TB`,
        source: layout.label,
      }),
      figure(tebibytes(usableTB), {
        id: 'drives.usableTiB', label: 'Usable, binary', unit: 'TiB', inputs: ['drives.usableTB'],
        formula: `${n(usableTB)} · 10¹² / 2⁴⁰ = ${n(tebibytes(usableTB))} TiB`,
        note: 'Many systems show this number and call it TB.',
      }),
      figure(room, {
        id: 'drives.roomTB', label: 'Room for content', unit: 'TB', inputs: ['drives.usableTB', 'drives.fileSystem', 'drives.changedGBPerMonth', 'drives.snapshotMonths'],
        formula: `${n(usableTB)} TB × (1 − ${n(fileSystem.reserveShare)}) × ${n(fileSystem.ceilingShare)} − ${n(heldTB)} TB of snapshots = ${n(room)} TB`,
        source: 'Reserve 2 % and ceiling 85 % on a journalled file system, 3 % and 80 % on copy-on-write.',
      }),
      figure(neededTB, {
        id: 'drives.usableNeededTB', label: `Usable needed for ${choices.horizonYears} years`, unit: 'TB', inputs: ['library.contentAtHorizonTB', 'drives.fileSystem', 'drives.changedGBPerMonth', 'drives.snapshotMonths'],
        formula: `(${n(library.contentAtHorizonTB.likely)} + ${n(heldTB)}) ÷ (${n(fileSystem.ceilingShare)} × (1 − ${n(fileSystem.reserveShare)})) = ${n(neededTB)} TB`,
      }),
      full,
    ],
  }
}

function monthFullFigure(library: LibraryAssessment, room: number): Figure {
  const { months } = library.forecast
  const at = (end: keyof Estimate) => monthFull(months.map(month => month[end]), room)
  const last = months.length - 1
  const likely = at('likely')
  const soonest = at('high')
  const latest = at('low')
  const parts = {
    id: 'drives.monthFull', label: 'Full', unit: 'month', inputs: ['drives.roomTB', 'library.contentTB', 'library.growthTBPerMonth', 'library.additionsChangePerYear'],
    source: 'First month whose content exceeds the room; 0 is already.',
  }
  if (likely === null) {
    return noFigure(soonest === null
      ? `Not within ${last / monthsPerYear} years, even with fast growth.`
      : `Not within ${last / monthsPerYear} years at the likely growth; with fast growth in month ${soonest}.`, { ...parts, formula: `content stays below ${n(room)} TB` })
  }
  return figure({ low: soonest ?? likely, likely, high: latest ?? last }, {
    ...parts,
    formula: likely === 0 ? `${n(months[0]!.likely)} TB today > ${n(room)} TB` : `month ${likely}: ${n(months[likely]!.likely)} TB > ${n(room)} TB; month ${likely - 1}: ${n(months[likely - 1]!.likely)} TB`,
    ...(latest === null ? { note: `With slow growth not within ${last / monthsPerYear} years.` } : {}),
  })
}

function riskFigures(drives: Drives, pool: Pool, choices: Choices): { figures: Figure[], atHorizon: Estimate } {
  const { arrangement, conditions, layout } = pool
  const chanceWithin = (years: number, endsRebuild = choices.readErrorEndsRebuild) => band(
    { rate: failureRateBand },
    ({ rate }) => poolLossChance(arrangement, { ...conditions, failuresPerYear: Math.min(0.95, conditions.failuresPerYear * rate) }, years, endsRebuild),
    'linear',
  )
  const inputs = ['drives.lots', 'drives.layout', 'drives.driveClass', 'drives.failuresPerYear', 'drives.oneBatch', 'drives.replacement', 'drives.hotSpares', 'drives.rebuildHours', 'choices.readErrorEndsRebuild']
  const rebuild = longestRebuildHours(layout, arrangement, conditions)
  const perYear = chanceWithin(1)
  const atHorizon = chanceWithin(choices.horizonYears)
  const group = arrangement.groups[0]!
  const groupsText = arrangement.groups.length > 1 ? `${arrangement.groups.length} groups, each ` : ''
  const chainText = `${groupsText}${group.sizesTB.length} drives, ${n(conditions.failuresPerYear * 100)} % a year each${conditions.batchFactor > 1 ? ' (× 3 once one of the batch is dead)' : ''}, survives ${group.survives}${rebuild === null ? '' : `, repaired in ${n(conditions.leadHours)} + ${n(rebuild, 3)} h`}`
  const fileLoss = band({ rate: failureRateBand }, ({ rate }) => {
    const swung = { ...conditions, failuresPerYear: Math.min(0.95, conditions.failuresPerYear * rate) }
    return Math.max(0, poolLossChance(arrangement, swung, choices.horizonYears, true) - poolLossChance(arrangement, swung, choices.horizonYears, false))
  }, 'linear')
  const lossNote = layout.loss === 'everything' ? {} : { note: 'This is the chance that some files are lost, not all of them.' }
  return {
    atHorizon,
    figures: [
      rebuild === null
        ? noFigure('Without redundancy there is nothing to rebuild from.', { id: 'drives.rebuildHours', label: 'Rebuild', unit: 'h', inputs: ['drives.layout'], formula: 'size ÷ rate' })
        : figure(rebuild, {
            id: 'drives.rebuildHours', label: 'Rebuild', unit: 'h', inputs: ['drives.lots', 'drives.layout', 'drives.outerMBps', 'drives.shingled', 'choices.watchingHoursPerDay', 'drives.fileSystem'],
            formula: `${n(Math.max(...arrangement.groups.map(part => part.rebuiltTB)))} TB${conditions.usedShare < 1 ? ` × ${n(conditions.usedShare, 3)} used` : ''}${conditions.shingledFactor > 1 ? ` × ${conditions.shingledFactor} shingled` : ''} ÷ ${n(conditions.rebuildMBps)} MB/s = ${n(rebuild, 3)} h`,
            source: 'Rate: three quarters of the outer-track rate, slower while somebody watches.',
          }),
      figure(perYear, {
        id: 'drives.lossChancePerYear', label: 'Loss in a year', unit: 'share', inputs, source: chainSource,
        formula: `${chainText}: ${n(perYear.likely, 3)} in 1 year`, ...lossNote,
      }),
      figure(atHorizon, {
        id: 'drives.lossChanceAtHorizon', label: `Loss in ${choices.horizonYears} years`, unit: 'share', inputs: [...inputs, 'choices.horizonYears'], source: chainSource,
        formula: `${chainText}: ${n(atHorizon.likely, 3)} in ${choices.horizonYears} years`, ...lossNote,
      }),
      figure(fileLoss, {
        id: 'drives.fileLossChanceAtHorizon', label: 'A file lost in a rebuild', unit: 'share', inputs: [...inputs, 'drives.sheetReadErrorBits', 'choices.horizonYears'], source: chainSource,
        formula: `loss if a read error ended the rebuild − loss if not = ${n(fileLoss.likely, 3)} in ${choices.horizonYears} years`,
        note: 'An unreadable sector found while no redundancy is left costs a file on modern file systems.',
      }),
    ],
  }
}

function spaceVerdict(library: LibraryAssessment, room: number, horizonYears: number): Verdict {
  const asked = library.contentAtHorizonTB
  const possible = exactly(room)
  const full = monthFull(library.forecast.months.map(month => month.likely), room)
  const soonest = monthFull(library.forecast.months.map(month => month.high), room)
  const horizonMonths = horizonYears * monthsPerYear
  const share = headroomShare(asked, possible)
  const common = { id: 'space', label: 'Space', domain: 'drives', unit: 'TB', asked, possible, share, figures: ['library.contentAtHorizonTB', 'drives.roomTB', 'drives.monthFull'] }
  if (library.empty) return { ...common, state: 'unknown', sentence: 'Nothing is kept yet: enter the library to see how long the space lasts.' }
  if (full === 0) return { ...common, state: 'impossible', sentence: `Today's ${n(library.contentTB.likely, 3)} TB do not fit into the room of ${n(room, 3)} TB.` }
  const state: VerdictState = headroomState(asked, possible)
  if (full !== null && full <= horizonMonths) {
    return { ...common, state: 'short', sentence: `Full in month ${full} (${yearsText(full)}), before the ${horizonYears} years are over.` }
  }
  if (soonest !== null && soonest <= horizonMonths) {
    return { ...common, state: 'tight', sentence: `Lasts the ${horizonYears} years at the likely growth; with fast growth it is full in month ${soonest} (${yearsText(soonest)}).` }
  }
  return { ...common, state, sentence: full === null ? `Room for more than ${horizonYears} years, and not full within fifteen.` : `Room for ${horizonYears} years and more: full in month ${full} (${yearsText(full)}).` }
}

function yearsText(months: number): string {
  return months < 24 ? `${months} months` : `${n(months / 12, 2)} years`
}

function survivalVerdict(survives: number, asked: number, deadDrive: string, atHorizon: Estimate, horizonYears: number): Verdict {
  const likelyLost = atHorizon.likely > 0.05
  const state: VerdictState = survives < asked ? 'short' : likelyLost ? 'tight' : survives > asked ? 'ample' : 'enough'
  const chance = `Chance of loss through drives in ${horizonYears} years: ${chanceText(atHorizon)}.`
  return {
    id: 'survival', label: 'Survival', domain: 'drives', unit: 'dead drives',
    asked: exactly(asked), possible: exactly(survives), share: headroomShare(exactly(asked), exactly(survives)), state,
    sentence: `${survives < asked ? `It must survive ${asked === 1 ? 'one dead drive' : `${asked} dead drives`}, and survives ${survives === 0 ? 'none' : survives}. ` : ''}If one drive dies: ${deadDrive.charAt(0).toLowerCase()}${deadDrive.slice(1)} ${chance}`,
    figures: ['drives.lossChanceAtHorizon', 'drives.rebuildHours', 'drives.lossChancePerYear'],
  }
}

function chanceText({ low, high }: Estimate): string {
  return shareText(low) === shareText(high) ? shareText(low) : `${shareText(low)} to ${shareText(high)}`
}

function findingsOf(drives: Drives, pool: Pool, choices: Choices, rebuild: number | null, survives: number): Finding[] {
  const findings: Finding[] = []
  const { arrangement, layout } = pool
  if (arrangement.mismatchTB > 0.05 * arrangement.rawTB) {
    findings.push({
      severity: 'caution', code: 'SPACE_UNUSED',
      sentence: `${n(arrangement.mismatchTB, 3)} TB stay unused because the drives differ in size.`,
      from: ['drives.lots', 'drives.layout'],
      cures: [{ sentence: 'Take drives of one size, or a layout that uses mixed sizes: dedicated parity, sliced hybrid or duplication.' }],
    })
  }
  if (drives.shingled && layout.parity) {
    findings.push({
      severity: 'warning', code: 'SHINGLED_PARITY',
      sentence: `Shingled drives rebuild parity ${pool.conditions.shingledFactor} times slower${rebuild === null ? '' : `: about ${hoursText(rebuild)}`}.`,
      from: ['drives.shingled', 'drives.layout'], cures: [{ sentence: 'Take conventional (CMR) drives for parity.' }],
    })
  }
  if (rebuild !== null && rebuild > 24 && survives === 1) {
    findings.push({
      severity: 'caution', code: 'LONG_REBUILD',
      sentence: `A rebuild takes about ${hoursText(rebuild)}, and nothing protects the data meanwhile; a power cut can start it again.`,
      from: ['drives.rebuildHours'], cures: [{ sentence: 'An uninterruptible supply, a drive on the shelf, or a layout that survives two.' }],
    })
  }
  findings.push({
    severity: 'caution', code: 'NO_BACKUP',
    sentence: 'Redundancy is no backup: deletion, malware, theft, fire and lightning take every copy in the box.',
    from: ['drives.layout'], cures: [{ sentence: 'Keep a copy away from the house of all that cannot be replaced, and try once whether it can be read back.' }],
  })
  if (layout.caveat) {
    findings.push({ severity: 'caution', code: 'LAYOUT_CAVEAT', sentence: `${layout.label}: ${layout.caveat}`, from: ['drives.layout'], cures: [] })
  }
  return findings
}

function withoutPool(drives: Drives, choices: Choices, library: LibraryAssessment, raw: Figure, refused: string): DrivesAssessment {
  const none = drives.lots.length === 0
  const why = none ? 'No drives are chosen yet.' : refused
  const ids = [
    ['drives.usableTB', 'Usable', 'TB'], ['drives.usableTiB', 'Usable, binary', 'TiB'], ['drives.roomTB', 'Room for content', 'TB'],
    ['drives.usableNeededTB', `Usable needed for ${choices.horizonYears} years`, 'TB'], ['drives.monthFull', 'Full', 'month'],
    ['drives.rebuildHours', 'Rebuild', 'h'], ['drives.lossChancePerYear', 'Loss in a year', 'share'],
    ['drives.lossChanceAtHorizon', `Loss in ${choices.horizonYears} years`, 'share'], ['drives.fileLossChanceAtHorizon', 'A file lost in a rebuild', 'share'],
  ] as const
  const state: VerdictState = none ? 'unknown' : 'impossible'
  const verdict = (id: string, label: string, unit: string, asked: Estimate, figures: string[]): Verdict =>
    ({ id, label, domain: 'drives', unit, asked, possible: null, share: null, state, sentence: none ? 'Add drives to see this.' : why, figures })
  return {
    waterfall: [],
    roomTB: null,
    deadDrive: why,
    figures: [raw, ...ids.map(([id, label, unit]) => noFigure(why, { id, label, unit, inputs: ['drives.lots', 'drives.layout'], formula: 'needs a layout that these drives can make' }))],
    verdicts: [
      verdict('space', 'Space', 'TB', library.contentAtHorizonTB, ['library.contentAtHorizonTB', 'drives.roomTB', 'drives.monthFull']),
      verdict('survival', 'Survival', 'dead drives', exactly(choices.survivesAtLeast), ['drives.lossChanceAtHorizon', 'drives.rebuildHours']),
    ],
    findings: none ? [] : [{ severity: 'fail', code: 'LAYOUT_REFUSED', sentence: why, from: ['drives.lots', 'drives.layout'], cures: [{ sentence: 'Change the number of drives or choose another layout.' }] }],
  }
}
