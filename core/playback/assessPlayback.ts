import type { Catalogue } from '../catalogue/catalogue'
import type { DomainAssessment } from '../domainAssessment'
import { figure, noFigure, type Figure } from '../figure'
import type { Finding } from '../finding'
import type { WatchingWeek } from '../household/watchingWeek'
import type { Plan } from '../plan/planSchema'
import { singleConversionCapacity } from '../streams/capacity'
import { conversionMachine, machineTakes } from '../streams/conversionMachine'
import { habitConvertingId } from '../streams/conversionsAsked'
import type { Demand } from '../streams/demand'
import { plannedCapacity } from '../streams/plannedCapacity'
import { workFigure } from '../streams/workFigure'
import { formatNumber as n } from '../units/formatNumber'
import { matrixColumns, type AtOnce } from './columns'
import { hourShares, outcomeShares, playabilityMatrix, type PlayabilityMatrix } from './matrix'
import { ConversionBook } from './playability'
import { playbackDemand, workFigureId } from './playbackDemand'
import { titleTraits } from './titleTraits'

export interface PlaybackAssessment extends DomainAssessment {
  readonly matrix: PlayabilityMatrix
  readonly demand: Demand
}

/** What of a plan decides how its titles play. */
export type PlaybackPlan = Pick<Plan, 'household' | 'library' | 'network' | 'machine' | 'choices'>

/** The matrix of a plan, and the kinds of conversion in it. */
export function matrixOf(plan: PlaybackPlan, catalogue: Catalogue, week: WatchingWeek, atOnce: AtOnce): { matrix: PlayabilityMatrix, book: ConversionBook } {
  const { household, library, network, machine, choices } = plan
  const capacity = plannedCapacity(machine, choices)
  const converter = conversionMachine(machine, choices, catalogue.workTable, capacity)
  const book = new ConversionBook({
    table: catalogue.workTable, toneMapping: choices.toneMapping,
    takes: (task, work) => machineTakes(task, work, converter),
    aloneCapacity: capacity ? singleConversionCapacity(capacity.likely, machine.cores) : Infinity,
  })
  const subtitledShare = Math.min(1, household.subtitlesShare + household.forcedSubtitlesShare)
  return { matrix: playabilityMatrix(titleTraits(library, catalogue.qualities), matrixColumns(household, network, week, atOnce), week, subtitledShare, book), book }
}

/** Which titles play untouched on which device, what must be converted, and why. */
export function assessPlayback(plan: PlaybackPlan, catalogue: Catalogue, week: WatchingWeek, atOnce: AtOnce): PlaybackAssessment {
  const { matrix, book } = matrixOf(plan, catalogue, week, atOnce)
  const demand = playbackDemand(matrix, week)
  return {
    matrix, demand, verdicts: [],
    figures: [...columnFigures(matrix), ...classFigures(matrix, book, catalogue), ...habitFigures(matrix, week), ...shareFigures(matrix, week)],
    findings: cannotFindings(matrix),
  }
}

/** Id of the figure of what a column's link carries. */
export function linkFigureId(columnKey: string): string {
  return `playback.link.${columnKey}`
}

function columnFigures({ columns }: PlayabilityMatrix): Figure[] {
  return columns.map(column => figure(column.linkMbps, {
    id: linkFigureId(column.key), label: `${column.deviceName}, ${column.placeName}: for each session`, unit: 'Mb/s',
    inputs: column.linkInputs, formula: `${column.linkFormula}`,
    ...(column.capMbps === Infinity ? {} : { note: `What is sent is limited to ${n(column.capMbps)} Mb/s besides.` }),
  }))
}

function classFigures(matrix: PlayabilityMatrix, book: ConversionBook, { workTable }: Catalogue): Figure[] {
  const rowOf = new Map(matrix.rows.flatMap((row, at) => matrix.cells[at]!.flatMap(({ plain, subtitled }) => [plain, subtitled]).flatMap(play => play?.conversion ? [[play.conversion.key, row] as const] : [])))
  return [...book.classes.values()].flatMap(({ key, label, task, work }) => {
    const row = rowOf.get(key)
    if (!row) return []
    const inputs = row.holdings.slice(0, 6).flatMap(at => ['quality', 'bitrateMbps'].map(field => `library.holdings.${at}.${field}`))
    return [workFigure(workTable, task, work, { id: workFigureId(key), label, inputs: [...inputs, 'choices.toneMapping'] })]
  })
}

function habitFigures(matrix: PlayabilityMatrix, week: WatchingWeek): Figure[] {
  return matrix.sessions.map((sessions, at) => {
    const { index, habit } = week.habits[at]!
    const column = matrix.columns.find(candidate => candidate.habits.includes(at))
    const converting = sessions.filter(({ play }) => play.outcome === 'picture').sort((a, b) => b.chance - a.chance)
    const share = outcomeShares(sessions).picture
    return figure(Math.min(1, share), {
      id: habitConvertingId(index), label: `${habit.name || 'Habit'}: converted`, unit: 'share',
      inputs: [
        ...new Set(converting.slice(0, 12).flatMap(({ play }) => play.conversion ? [workFigureId(play.conversion.key)] : [])),
        ...(column ? [linkFigureId(column.key)] : []),
        `household.habits.${index}.device`, ...['film', 'series', 'homeVideo', 'music'].map(kind => `household.habits.${index}.watches.${kind}`),
        'library.holdings', 'household.subtitlesShare', 'household.forcedSubtitlesShare',
      ],
      formula: converting.length
        ? `${converting.slice(0, 5).map(({ row, play, chance }) => `${n(chance, 3)} ${matrix.rows[row]!.label}${play.conversion ? ` to ${play.output?.lines}p` : ''}`).join(' + ')}${converting.length > 5 ? ` + ${converting.length - 5} more` : ''} = ${n(share, 3)}`
        : 'no title of this habit has its picture converted = 0',
      note: 'Share of the habit\'s sessions; within a kind every title is as likely as any other.',
    })
  })
}

const shareTexts = [
  ['playback.untouchedShare', 'Plays as it is', 'playAsIs'], ['playback.repackShare', 'Repacked', 'repack'], ['playback.soundShare', 'Sound converted', 'sound'],
  ['playback.convertedShare', 'Picture converted', 'picture'], ['playback.cannotShare', 'Cannot be played', 'cannot'],
] as const

function shareFigures(matrix: PlayabilityMatrix, week: WatchingWeek): Figure[] {
  const shares = hourShares(matrix, week)
  const habits = week.habits.filter(({ habit }) => !habit.onBusyDays)
  return shareTexts.map(([id, label, outcome]) => {
    const parts = { id, label, unit: 'share', inputs: [...habits.slice(0, 40).map(({ index }) => habitConvertingId(index)), 'household.habits', 'library.holdings'] }
    if (!shares) return noFigure('Enter habits and titles to see it.', { ...parts, formula: 'hours with this outcome ÷ hours watched' })
    const hours = habits.reduce((sum, { hoursPerWeek }) => sum + hoursPerWeek, 0)
    return figure(Math.min(1, shares[outcome]), { ...parts, formula: `${n(shares[outcome] * hours, 3)} of ${n(hours, 3)} hours watched in an ordinary week` })
  })
}

function cannotFindings(matrix: PlayabilityMatrix): Finding[] {
  const stuck = new Map<string, Set<string>>()
  let tooSlow = false
  matrix.columns.forEach((column) => {
    for (const at of column.habits) {
      for (const { row, play } of matrix.sessions[at]!) {
        if (play.outcome !== 'cannot') continue
        const label = matrix.rows[row]!.label
        stuck.set(label, (stuck.get(label) ?? new Set()).add(column.deviceName))
        tooSlow ||= play.reasons.some(reason => reason.code === 'TOO_SLOW')
      }
    }
  })
  return [...stuck].slice(0, 4).map(([label, devices]) => ({
    severity: 'warning' as const, code: 'CANNOT_PLAY',
    sentence: `${label} cannot be played on ${[...devices].slice(0, 3).join(', ')}${devices.size > 3 ? ` and ${devices.size - 3} more` : ''}${tooSlow ? ': one conversion alone is too slow on this machine' : ': the line carries not even the lowest rung'}.`,
    from: ['playback.cannotShare', 'household.devices', 'library.holdings', ...(tooSlow ? ['machine.score', 'machine.cores'] : ['network.uploadMbps'])],
    cures: [{ sentence: 'A device that plays it as it is, a small second copy, or a stronger machine; the view Playback ranks what helps.' }],
  }))
}
