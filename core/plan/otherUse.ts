import { quantity, toggle } from './fields'

/** What somebody else does on a computer that serves beside it. */
export const otherUseFields = {
  usedHoursPerDay: quantity({
    label: 'Also used for work or games',
    unit: 'h/day',
    min: 0,
    max: 24,
    fallback: 0,
    description:
      'Hours of a day in which somebody works or plays on it. Enter 0 for a machine that ' +
      'only serves.',
  }),
  usedShare: quantity({
    label: 'Processor taken meanwhile',
    unit: 'share',
    min: 0,
    max: 1,
    fallback: 0.5,
    description: 'Share of the processor that work or games take. What is left converts.',
  }),
  usedEngineToo: toggle({
    label: 'Its video engine is taken too',
    fallback: true,
    description: 'Games and video calls take the engine; office work leaves it.',
  }),
  restartsPerWeek: quantity({
    label: 'Restarts',
    unit: 'restarts/week',
    min: 0,
    max: 100,
    fallback: 2,
    description:
      'Updates, games, somebody who switches it off: whoever watches meanwhile sits in the dark.',
  }),
}
