import { groupRebuildHours, sectorChance } from '../layoutRisk'
import { afterFailures } from '../failedDrives'
import type { Format } from '../../units/format'
import { type DrillGround, type DrillState, missing } from './drillState'
import { mistakeTexts } from './tellDrill'

interface DebriefRow {
  readonly label: string
  readonly promised: string
  readonly happened: string
}

export interface Debrief {
  readonly verdict: string
  readonly rows: readonly DebriefRow[]
  readonly mistakes: readonly {
    readonly wrong: string
    readonly right: string
    readonly times: number
  }[]
}

function verdictOf(state: DrillState, mistakes: number): string {
  const data =
    state.lostShare > 0
      ? 'Data were lost.'
      : state.filesLost > 0
        ? 'One file was lost.'
        : 'Nothing was lost.'
  const whole = missing(state).size > 0 ? ' The pool is not whole again.' : ''
  return (
    `${data}${whole} ` +
    `${mistakes === 0 ? 'Every step was right.' : mistakes === 1 ? 'One step was wrong.' : `${mistakes} steps were wrong.`}`
  )
}

/** What the drill came to beside what the plan promises. */
export function debrief(
  state: DrillState,
  ground: DrillGround,
  { hours, share }: Pick<Format, 'hours' | 'share'>,
): Debrief {
  const { pool, leadHours, pace } = ground
  const first = state.log[0]!.place!
  const promised = afterFailures(pool, new Set([first]), leadHours)
  const whole = state.log.findLast(entry => entry.event === 'rebuilt')?.atHours ?? null
  const failures = state.log.filter(entry => entry.event === 'failed').length - 1
  const group = pool.arrangement.groups.find(({ members }) =>
    members.some(member => pool.arrangement.memberPlaces[member] === first),
  )
  const sector = pool.arrangement.survives === 1 && group ? sectorChance(group) : null
  const codes = state.log.flatMap(entry => (entry.mistake ? [entry.mistake] : []))
  const sectors = state.log.filter(
    entry => entry.event === 'sector' || entry.event === 'sectorEnds',
  ).length
  return {
    verdict: verdictOf(state, codes.length),
    rows: [
      {
        label: 'Whole again after',
        promised:
          promised.wholeHours === null
            ? 'never by itself'
            : `${hours(leadHours)} for the drive and ` +
              `${hours(group ? groupRebuildHours(group) : 0)} of rebuild`,
        happened: missing(state).size > 0 || whole === null ? 'not yet' : hours(whole),
      },
      {
        label: 'Lost',
        promised:
          promised.lostShare === 0
            ? 'nothing by one failed drive'
            : `${share(promised.lostShare)} of the library by one failed drive`,
        happened:
          state.lostShare > 0
            ? `${share(state.lostShare)} of the library`
            : state.filesLost > 0
              ? 'one file'
              : 'nothing',
      },
      {
        label: 'More drives failed',
        promised:
          promised.worseChance === null
            ? '–'
            : `data lost before it is whole with a chance of ${share(promised.worseChance)}`,
        happened: `${failures === 0 ? 'none' : failures}${pace === 'badDay' ? ', on a bad day' : ''}`,
      },
      ...(sector === null
        ? []
        : [
            {
              label: 'Unreadable sector',
              promised: `met in the rebuild with a chance of ${share(sector)}`,
              happened: sectors > 0 ? 'met' : 'not met',
            },
          ]),
    ],
    mistakes: [...new Set(codes)].map(code => ({
      ...mistakeTexts[code],
      times: codes.filter(other => other === code).length,
    })),
  }
}
