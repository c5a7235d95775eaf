import { fitRule, passIf } from '../fitRule'

/** A plan that counts on a video engine has one. */
export const engineThere = fitRule<{ readonly conversions: number }>({
  id: 'engineThere',
  label: 'Video engine',
  group: 'running',
  prunes: 'core',
  otherwise:
    'Keep what is converted low by devices and qualities that play as they are, under ' +
    'Playback.',
  judge: ({
    build: { builtIn, cards, processor, board },
    hardwareConversion,
    conversionsNeeded,
  }) =>
    board && processor && hardwareConversion && conversionsNeeded > 0
      ? {
          state: passIf(builtIn !== null || cards.length > 0, 'warning'),
          values: { conversions: conversionsNeeded },
        }
      : null,
  say: (_, __, state) =>
    state === 'pass'
      ? 'A video engine is there for the conversions.'
      : 'The plan converts on a video engine, and there is none: the processor converts ' +
        'everything.',
  fixes: () => [
    { how: 'add', kind: 'card' },
    { how: 'replace', kind: 'processor' },
  ],
})
