import { choice, quantity, toggle } from './fields'

/** What a copy holds. */
const held = {
  nothing: 'Nothing',
  irreplaceable: 'What is irreplaceable',
  everything: 'Everything',
} as const

const every = (fallback: number) =>
  quantity({
    label: 'Copied every',
    unit: 'days',
    min: 0.04,
    max: 365,
    fallback,
    description: 'Days between two copies: data that are younger are not in it yet.',
  })
const kept = (fallback: number) =>
  quantity({
    label: 'Older versions',
    unit: 'copies',
    min: 0,
    max: 1000,
    whole: true,
    fallback,
    description:
      'How many earlier states the copy keeps, each with what changed since the one before.',
  })
const medium = (fallback: number) =>
  quantity({
    label: 'Size of a drive for it',
    unit: 'TB',
    min: 0.05,
    max: 200,
    fallback,
    description: 'Filled to nine tenths.',
  })
const sets = (fallback: number) =>
  quantity({
    label: 'Sets of drives',
    unit: 'sets',
    min: 1,
    max: 12,
    whole: true,
    fallback,
    description: 'Sets that take turns: with two, one is always away from the machine.',
  })

/** The copies of the data, and how each is made; fields of the drives. */
export const backupFields = {
  secondBox: choice({
    label: 'Second machine here',
    fallback: 'nothing',
    options: held,
    description: 'What a second machine in the house holds a copy of.',
  }),
  secondBoxTakesOver: toggle({
    label: 'The second machine can take over',
    fallback: false,
    description: 'It can play the library itself while the first one is out.',
  }),
  secondBoxEveryDays: every(1),
  secondBoxKept: kept(14),
  secondBoxW: quantity({
    label: 'Average power',
    unit: 'W',
    min: 0,
    max: 2000,
    fallback: 15,
    description: 'At the wall, on average over day and night.',
  }),
  offlineCopy: choice({
    label: 'Offline copy here',
    fallback: 'nothing',
    options: held,
    description: 'What lies on drives that are unplugged and kept in the house.',
  }),
  offlineEveryDays: every(7),
  offlineKept: kept(12),
  offlineMediumTB: medium(8),
  offlineSets: sets(1),
  awayCopy: choice({
    label: 'Copy away from home',
    fallback: 'nothing',
    options: held,
    description:
      'What is kept in another building, on drives that are carried there or over the ' +
      'internet line.',
  }),
  awayBy: choice({
    label: 'It gets there',
    fallback: 'carried',
    description:
      'On drives that are carried there, or over the internet line to a machine of your ' +
      'own or an online store.',
    options: { carried: 'Carried on drives', line: 'Sent to a machine', store: 'Sent to a store' },
  }),
  awayEveryDays: every(30),
  awayKept: kept(12),
  awayMediumTB: medium(8),
  awaySets: sets(2),
  awayMediaThere: toggle({
    label: 'Drives for it are there',
    fallback: false,
    description:
      'They are paid already, or stand among the extras. Once they are used up they are bought ' +
      'again.',
  }),
  awayUploadShare: quantity({
    label: 'Upload at night',
    unit: 'share',
    min: 0.01,
    max: 1,
    fallback: 0.6,
    description: 'What the copy may use of the internet line while nobody is awake.',
  }),
  awayNightHours: quantity({
    label: 'Hours of the night',
    unit: 'h',
    min: 0.5,
    max: 24,
    fallback: 7,
    description: 'Hours of a night in which the copy runs.',
  }),
  awayFirstCarried: toggle({
    label: 'First copy carried over',
    fallback: false,
    description:
      'The first copy is made here on a drive and carried over; only what changes goes over the ' +
      'line.',
  }),
  storePricePerTBMonth: quantity({
    label: 'The store charges',
    unit: 'money/TB/month',
    min: 0,
    max: 10_000,
    fallback: 6,
    description: 'For a terabyte that is kept there for a month.',
  }),
  copyPricePerTB: quantity({
    label: 'External drives, a TB',
    unit: 'money',
    min: 0,
    max: 10_000,
    fallback: 20,
    description: 'What external drives for copies cost by the terabyte.',
  }),
  copiesWithVersions: toggle({
    label: 'Copies keep older versions',
    fallback: true,
    description: 'A copy without older versions takes deletions and malware along.',
  }),
}
