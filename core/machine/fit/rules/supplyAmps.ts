import { fitRule, passIf } from '../fitRule'

/** Drives spin up from 12 V, of which a supply has its own limit. */
export const supplyAmps = fitRule<{ readonly amps: number; readonly most: number }>({
  id: 'supplyAmps',
  label: '12 V at the start',
  group: 'power',
  prunes: 'body',
  stops: true,
  otherwise: 'Let the drives start one after the other, or use fewer, larger ones.',
  judge: ({ supply, surge }) =>
    supply && {
      state: passIf(surge.amps12 <= supply.amps12),
      values: { amps: surge.amps12, most: supply.amps12 },
    },
  say: ({ amps, most }, { number: n }, state) =>
    `At 12 V the start takes ${n(amps, 3)} A; the supply gives ${n(most, 3)} ` +
    `A${state === 'pass' ? '.' : ': too little.'}`,
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
