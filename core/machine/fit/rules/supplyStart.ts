import { fitRule, passIf } from '../fitRule'

/** The supply carries the moment in which all drives spin up. */
export const supplyStart = fitRule<{
  readonly watts: number
  readonly ratingW: number
  readonly drives: number
}>({
  id: 'supplyStart',
  label: 'Supply at the start',
  group: 'power',
  prunes: 'body',
  stops: true,
  otherwise: 'Let the drives start one after the other, or use fewer, larger ones.',
  judge: ({ supply, surge, start }) =>
    supply && {
      state: passIf(surge.watts <= supply.ratingW),
      values: {
        watts: surge.watts,
        ratingW: supply.ratingW,
        drives: Math.min(start.surges.length, start.together),
      },
    },
  say: ({ watts, ratingW, drives }, { quantity }, state) =>
    `${drives === 0 ? 'At the start' : `While ${drives === 1 ? 'a drive spins' : `${drives} drives spin`} up`} ` +
    `${quantity(watts, 'W')} are taken; the supply gives ` +
    `${quantity(ratingW, 'W')}${state === 'pass' ? '.' : ', so it switches off before the machine is up.'}`,
  fixes: ({ start }) => [
    { how: 'replace', kind: 'supply' },
    ...(start.surges.length > 1
      ? [
          {
            how: 'startTogether',
            drives: Math.max(1, Math.floor(start.surges.length / 2)),
          } as const,
          { how: 'startTogether', drives: 1 } as const,
        ]
      : []),
  ],
})
