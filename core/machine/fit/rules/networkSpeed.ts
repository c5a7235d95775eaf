import { fitRule, passIf } from '../fitRule'

/** The machine has a wired port as fast as the plan counts on. */
export const networkSpeed = fitRule<{ readonly has: number; readonly planned: number }>({
  id: 'networkSpeed',
  label: 'Speed of its network port',
  group: 'running',
  otherwise: 'Plan with the port that it has, under Network.',
  judge({ board, places, build: { parts }, serverPortMbps }) {
    if (!board) return null
    const cards = parts.flatMap(({ kind, entry, index }) =>
      kind === 'networkCard' &&
      entry.medium !== 'wifi' &&
      places.some(({ holds, offBy }) => holds?.partIndex === index && offBy === null)
        ? [entry.mbps]
        : [],
    )
    const has = Math.max(0, ...board.networkMbps, ...cards)
    return { state: passIf(has >= serverPortMbps), values: { has, planned: serverPortMbps } }
  },
  say: ({ has, planned }, { quantity }, state) =>
    has === 0
      ? 'It has no wired network port.'
      : state === 'pass'
        ? `Its fastest port runs at ${quantity(has, 'Mb/s')}; the plan counts on ` +
          `${quantity(planned, 'Mb/s')}.`
        : `The plan counts on a port of ${quantity(planned, 'Mb/s')}; the fastest one runs ` +
          `at ${quantity(has, 'Mb/s')}.`,
  fixes: () => [
    { how: 'add', kind: 'networkCard' },
    { how: 'replace', kind: 'board' },
  ],
})
