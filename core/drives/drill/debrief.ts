import { groupRebuildHours, sectorChance } from '../layoutRisk'
import { afterFailures } from '../failedDrives'
import type { Format } from '../../units/format'
import { groupOf } from './drillClock'
import { isWhole, type DrillGround, type DrillState } from './drillState'
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

/** What was lost, in words; null where nothing was. */
function lostText(
  { lostShare, filesLost }: DrillState,
  { share }: Pick<Format, 'share'>,
): string | null {
  const files = filesLost === 0 ? null : filesLost === 1 ? 'one file' : `${filesLost} files`
  const part = lostShare > 0 ? `${share(lostShare)} of the library` : null
  return part && files ? `${part}, and ${files}` : (part ?? files)
}

/** From the state that was reached; praise only for a pool that is whole again and checked. */
function verdictOf(
  state: DrillState,
  ground: DrillGround,
  { mistakes, share }: { readonly mistakes: number; readonly share: Format['share'] },
): string {
  const lost = lostText(state, { share })
  const isBack = state.isRestored ? ' What has a copy is back.' : ''
  const data = lost ? `Lost: ${lost}.${isBack}` : 'Nothing was lost.'
  const whole = !isWhole(ground, state)
    ? ' The pool is not whole again.'
    : state.isChecked
      ? ''
      : ' The pool has not been checked since.'
  const steps =
    mistakes > 0
      ? ` ${mistakes === 1 ? 'One step was wrong.' : `${mistakes} steps were wrong.`}`
      : whole
        ? ''
        : ' Every step was right.'
  return `${data}${whole}${steps}`
}

/** What the drill came to beside what the plan promises. */
export function debrief(
  state: DrillState,
  ground: DrillGround,
  { hours, share }: Pick<Format, 'hours' | 'share'>,
): Debrief {
  const { pool, pace } = ground
  const first = state.log[0]!.place!
  const group = groupOf(ground, first)
  const hasSpare = state.log.some(({ event }) => event === 'spareStarted')
  const leadHours = hasSpare ? 0 : ground.leadHours
  const promised = afterFailures(pool, new Set([first]), leadHours)
  const whole = state.log.findLast(({ event }) => ['rebuilt', 'joined', 'madeAnew'].includes(event))
  const failures = state.log.filter(entry => entry.event === 'failed').length - 1
  const sector = pool.arrangement.survives === 1 ? sectorChance(group) : null
  const codes = state.log.flatMap(entry => (entry.mistake ? [entry.mistake] : []))
  const sectors = state.log.filter(
    entry => entry.event === 'sector' || entry.event === 'sectorEnds',
  ).length
  const rebuild = groupRebuildHours(group)
  return {
    verdict: verdictOf(state, ground, { mistakes: codes.length, share }),
    rows: [
      {
        label: 'Whole again after',
        promised:
          promised.wholeHours === null
            ? 'never by itself'
            : `${leadHours > 0 ? `${hours(leadHours)} for the drive and ` : ''}${hours(rebuild)} of rebuild`,
        happened: !isWhole(ground, state) || !whole ? 'not yet' : hours(whole.atHours),
      },
      {
        label: 'Lost',
        promised:
          promised.lostShare === 0
            ? 'nothing by one failed drive'
            : `${share(promised.lostShare)} of the library by one failed drive`,
        happened: lostText(state, { share }) ?? 'nothing',
      },
      ...(pool.arrangement.survives === 0
        ? []
        : [
            {
              label: 'Without redundancy for',
              promised:
                promised.stillSurvives > 0
                  ? 'no time by one failed drive'
                  : hours(leadHours + rebuild),
              happened: state.bareHours > 0 ? hours(state.bareHours) : 'no time',
            },
          ]),
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
