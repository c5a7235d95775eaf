import type { z } from 'zod'
import { wideGroupFrom } from './constants'
import { choice, optionalQuantity, quantity, section, timeOfDay, toggle } from './fields'

export const choicesSchema = section(
  {
    horizonYears: quantity({
      label: 'Horizon',
      unit: 'years',
      min: 1,
      max: 15,
      whole: true,
      fallback: 5,
      description: 'How long the machine should serve before anything has to be bought.',
    }),
    school: choice({
      label: 'Planning rule',
      fallback: 'level95',
      description:
        'Which moment the plan must meet: a likely one, everyone at once, or the evening ' +
        'you described.',
      options: {
        level95: 'Worst moment, 95 weeks in 100',
        level99: 'Worst moment, 99 weeks in 100',
        minutesShort: 'A limit on minutes short',
        headCount: 'Everyone at once',
        atOnce: 'The busy evening',
      },
    }),
    minutesShortTarget: quantity({
      label: 'Minutes short accepted',
      unit: 'min/month',
      min: 0,
      max: 40_000,
      fallback: 15,
      description: 'Minutes of a month in which the machine may fall behind.',
    }),
    pointsPerStream: quantity({
      label: 'Points per stream',
      unit: 'points',
      min: 200,
      max: 20_000,
      fallback: 2000,
      description:
        'Benchmark points that convert one 1080p H.264 stream. The 80 % range is 25 % either way.',
    }),
    systemReserveShare: quantity({
      label: 'Reserved for the system',
      unit: 'share',
      min: 0,
      max: 0.9,
      fallback: 0.15,
      description: 'Share of the processor reserved for the system and other services.',
    }),
    hardwareConversion: toggle({
      label: 'Convert on the video engine',
      fallback: true,
      description:
        'The streaming software may need a paid licence for it. If it is off, everything ' +
        'is converted in software.',
    }),
    fallbackShare: optionalQuantity({
      label: 'Share that falls back to software',
      unit: 'share',
      min: 0,
      max: 1,
      description:
        'Share of conversions that run in software although there is a video engine. If ' +
        'empty: 10 % for built-in engines A to C, otherwise 0 %.',
    }),
    toneMapping: choice({
      label: 'HDR is tone-mapped',
      fallback: 'atSourceSize',
      description: 'Most software maps at source size, which costs more; some scales down first.',
      options: { atSourceSize: 'At source size', afterScaling: 'After scaling down' },
    }),
    survivesAtLeast: optionalQuantity({
      label: 'Must survive',
      unit: 'failed drives',
      min: 0,
      max: 3,
      whole: true,
      description:
        'How many drives may fail without loss of data. If this is empty, one; two where a ' +
        `group has ${wideGroupFrom} or more drives or a rebuild is likely to lose a file; none ` +
        'where a recent copy away holds everything.',
    }),
    readErrorEndsRebuild: toggle({
      label: 'A read error ends the rebuild',
      fallback: false,
      description: 'True for older controllers; modern file systems lose a file and go on.',
    }),
    convertingHoursPerDay: optionalQuantity({
      label: 'Hours converting',
      unit: 'h/day',
      min: 0,
      max: 24,
      description:
        'Hours of a day in which the machine converts. If this is empty, they follow from the ' +
        'habits; without habits 2 h count.',
    }),
    asleepHoursPerDay: quantity({
      label: 'Hours with drives asleep',
      unit: 'h/day',
      min: 0,
      max: 24,
      fallback: 0,
      description:
        'Drives that turn stop after a while without work. The first press of play then waits ' +
        '8 to 12 s.',
    }),
    offHoursPerDay: quantity({
      label: 'Hours off',
      unit: 'h/day',
      min: 0,
      max: 23,
      fallback: 0,
      description: 'The machine is switched off for so long each night, and wakes by itself.',
    }),
    offFrom: timeOfDay({
      label: 'Off from',
      fallback: 60,
      description: 'When it goes off each night.',
    }),
    wakesOnCall: toggle({
      label: 'A call over the network wakes it',
      fallback: false,
      description:
        'While it is off, its network port listens and takes 1 to 3 W. Whoever wakes it waits ' +
        '20 to 60 s.',
    }),
    watchingHoursPerDay: optionalQuantity({
      label: 'Hours somebody watches',
      unit: 'h/day',
      min: 0,
      max: 24,
      description:
        'Hours of a day in which anybody watches: drives are read then, and a rebuild runs ' +
        'slower. If this is empty, they follow from the habits; without habits 5 h count.',
    }),
    ruleOfThumbFactor: quantity({
      label: 'Rule of thumb',
      unit: '× today',
      min: 1,
      max: 20,
      fallback: 2,
      description: "Space to buy as a multiple of today's library, shown beside the forecast.",
    }),
  },
  { label: 'Choices', description: 'Planning rule, targets and the horizon.' },
)

export type Choices = z.infer<typeof choicesSchema>
