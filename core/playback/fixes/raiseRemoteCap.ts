import { ladder } from '../../catalogue/sentQualities'
import type { FixKind } from './playbackFix'

/** A higher rung for those who watch away. */
export const raiseRemoteCap: FixKind = ({ network }, matrix) =>
  matrix.columns.some(column => column.isAway && column.habits.length > 0)
    ? ladder
        .filter(rung => rung.rungMbps > network.awayRungMbps)
        .map(({ rungMbps, lines }) => ({
          id: `remote-cap-${rungMbps}`,
          group: 'remote-cap',
          price: 0,
          label: `Send up to ${rungMbps} Mb/s (${lines}p) to those away`,
          change: plan => ({ ...plan, network: { ...plan.network, awayRungMbps: rungMbps } }),
        }))
    : []
