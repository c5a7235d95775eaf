import { fitRule } from '../fitRule'

/** A case without fans gives its heat off through its walls alone. */
export const closedCase = fitRule<{
  readonly averageW: number
  readonly loadW: number
  readonly carriesW: number
}>({
  id: 'closedCase',
  label: 'Heat of the closed case',
  group: 'place',
  prunes: 'body',
  otherwise: 'Convert less on it, or use a machine with a fan.',
  judge({ housing, heat: { averageW }, convertingWallW: loadW, build: { parts } }) {
    if (!housing || housing.carriesW === null) return null
    const { carriesW } = housing
    const hasFan = parts.some(({ kind }) => kind === 'fan') && housing.fanMounts > 0
    return {
      state: hasFan || loadW <= carriesW ? 'pass' : averageW <= carriesW ? 'warning' : 'fail',
      values: { averageW, loadW, carriesW },
    }
  },
  say({ averageW, loadW, carriesW }, { quantity }, state) {
    const walls = `Its walls carry ${quantity(carriesW, 'W')} away`
    if (state === 'pass') return `${walls}; at work the machine makes ${quantity(loadW, 'W')}.`
    return state === 'warning'
      ? `${walls}. On average it makes ${quantity(averageW, 'W')}, at work ` +
          `${quantity(loadW, 'W')}: under a long load it gets hot and slows down.`
      : `${walls}, and on average it makes ${quantity(averageW, 'W')}: it gets hotter and hotter.`
  },
  fixes: () => [{ how: 'replace', kind: 'case' }],
})
