import type { DeviceClass } from '../catalogue/deviceClasses'
import type { WorkTable } from '../catalogue/workTable'
import type { Hardware } from '../machine/hardware'
import type { Household } from '../plan/household'
import { singleConversionCapacity } from '../streams/capacity'
import {
  conversionMachine,
  machineTakes,
  type ConversionChoices,
} from '../streams/conversionMachine'
import type { Demand } from '../streams/demand'
import {
  hourShares,
  playabilityMatrix,
  type MatrixQuestion,
  type OutcomeShares,
  type PlayabilityMatrix,
} from './matrix'
import type { ConversionClass } from './conversionBook'
import { belowAccepted, playbackDemand, type BelowAccepted } from './playbackDemand'

export interface PlaybackSlice extends ConversionChoices, Omit<MatrixQuestion, 'subtitledShare'> {
  readonly household: Household
  readonly hardware: Hardware
  readonly deviceClasses: readonly DeviceClass[]
  readonly workTable: WorkTable
}

/** A kind of title that some devices cannot be given, and what stops it. */
export interface Stuck {
  readonly row: number
  readonly stoppedBy: 'machine' | 'line' | 'device'
  /** indices in the matrix's columns */
  readonly columns: readonly number[]
}

/** Which titles play as they are on which device, what must be converted, and why. */
export interface PlaybackFacts {
  readonly matrix: PlayabilityMatrix
  readonly demand: Demand
  /** kinds of conversion in the matrix, each with the row of a title of it */
  readonly classes: readonly { readonly conversion: ConversionClass; readonly row: number }[]
  /**
   * shares of an ordinary week's hours by outcome; null while nobody watches, or there is nothing
   * to watch
   */
  readonly shares: OutcomeShares | null
  /** those hours */
  readonly sharedHours: number
  readonly stuck: readonly Stuck[]
  readonly belowAccepted: readonly BelowAccepted[]
  /** habits of the week whose devices are offered nothing that they watch */
  readonly nothingOffered: readonly number[]
  /** indices of devices whose class the catalogue does not know */
  readonly unknownClasses: readonly number[]
}

export function playbackFacts(slice: PlaybackSlice): PlaybackFacts {
  const { household, week, hardware, deviceClasses, workTable } = slice
  const converter = conversionMachine(hardware, slice, workTable)
  const taken = new Map<ConversionClass, boolean>()
  const matrix = playabilityMatrix(
    {
      ...slice,
      subtitledShare: Math.min(1, household.subtitlesShare + household.forcedSubtitlesShare),
    },
    {
      takes: conversion => {
        const known =
          taken.get(conversion) ?? machineTakes(conversion.task, conversion.work.likely, converter)
        taken.set(conversion, known)
        return known
      },
      aloneCapacity: converter.processor
        ? singleConversionCapacity(converter.processor.likely, converter.cores)
        : Infinity,
    },
  )
  const shared = hourShares(matrix, week)
  return {
    matrix,
    demand: playbackDemand(matrix, week),
    classes: classesOf(matrix),
    shares: shared?.shares ?? null,
    sharedHours: shared?.hours ?? 0,
    stuck: stuckOf(matrix),
    belowAccepted: belowAccepted(matrix, week),
    nothingOffered: matrix.sessions.flatMap((sessions, at) =>
      sessions.length === 0 &&
      matrix.rows.length > 0 &&
      matrix.rows.some(row => row.notOfferedTo.includes(week.habits[at]!.habit.device))
        ? [at]
        : [],
    ),
    unknownClasses: household.devices.flatMap((device, index) =>
      deviceClasses.some(entry => entry.id === device.class) ? [] : [index],
    ),
  }
}

function classesOf({ cells }: PlayabilityMatrix): PlaybackFacts['classes'] {
  const found = new Map<string, { conversion: ConversionClass; row: number }>()
  cells.forEach((row, at) =>
    row.forEach(({ plain, subtitled }) => {
      for (const conversion of [plain.conversion, subtitled?.conversion])
        if (conversion && !found.has(conversion.key))
          found.set(conversion.key, { conversion, row: at })
    }),
  )
  return [...found.values()]
}

function stuckOf(matrix: PlayabilityMatrix): Stuck[] {
  const found = new Map<
    string,
    { row: number; stoppedBy: Stuck['stoppedBy']; columns: Set<number> }
  >()
  matrix.columns.forEach((column, columnAt) => {
    for (const { row, play } of column.habits.flatMap(at => matrix.sessions[at]!)) {
      if (play.stoppedBy === null) continue
      const key = `${row} ${play.stoppedBy}`
      const entry = found.get(key) ?? { row, stoppedBy: play.stoppedBy, columns: new Set() }
      entry.columns.add(columnAt)
      found.set(key, entry)
    }
  })
  return [...found.values()].map(({ row, stoppedBy, columns }) => ({
    row,
    stoppedBy,
    columns: [...columns],
  }))
}
