import { z } from 'zod'
import { linkKinds } from '../catalogue/deviceClasses'
import { capabilitySetSchema } from './capabilities'
import { homePlace, usualLowestMbps, viewerColours, weekdays } from './constants'
import {
  choice,
  choices,
  listOf,
  namedListOf,
  optionalQuantity,
  quantity,
  reference,
  section,
  text,
  timeOfDay,
  toggle,
} from './fields'

const shortName = (what: string) =>
  reference({ label: 'Short name', description: `The name by which habits refer to this ${what}.` })

const placeSchema = z.object({
  id: shortName('place'),
  name: text({
    label: 'Place',
    description: 'A place away from home, over the internet line.',
    max: 60,
  }),
  downloadMbps: optionalQuantity({
    label: 'Download rate',
    unit: 'Mb/s',
    min: 0,
    max: 100_000,
    description:
      'Download rate at that place, measured rather than promised. If this is empty, only ' +
      'the upload at home limits what arrives there.',
  }),
})

const viewerSchema = z.object({
  id: shortName('viewer'),
  name: text({
    label: 'Viewer',
    description: 'A name or nickname. People who share a screen are one viewer.',
    max: 60,
  }),
  colour: choice({
    label: 'Colour',
    fallback: 'moss',
    description: 'Colour of this viewer in the week.',
    options: viewerColours,
  }),
  place: text({
    label: 'Place',
    description: 'At home on the home network, or at a place away.',
    max: 40,
    fallback: homePlace,
  }),
  lowestRungMbps: quantity({
    label: 'Lowest quality accepted',
    unit: 'Mb/s',
    min: 0,
    max: 22,
    fallback: usualLowestMbps,
    description: 'A stream sent below this rate counts as short. 720p at 2.8 Mb/s is usual.',
  }),
  chooses: choice({
    label: 'Chooses',
    fallback: 'pictures',
    description:
      'How this viewer finds what to watch; it decides whether media software is needed.',
    options: {
      pictures: 'Pictures on a television',
      phone: 'On a phone',
      folders: 'Plain folders',
    },
  }),
})

const deviceSchema = z.object({
  id: shortName('device'),
  name: text({ label: 'Device', description: 'What you call it.', max: 60 }),
  class: text({
    label: 'Class',
    description: 'A generic class, or one of your own: it says what the device plays as it is.',
    max: 40,
    fallback: 'tv2020',
  }),
  link: choice({
    label: 'Link',
    fallback: 'wifiGood',
    description: 'How the device is connected.',
    options: linkKinds,
  }),
  linkMbps: optionalQuantity({
    label: 'Link rate shown by the device',
    unit: 'Mb/s',
    min: 0.1,
    max: 100_000,
    description:
      'The rate that the device shows for its Wi-Fi or mobile link. If this is empty, 300 ' +
      'is used for Wi-Fi and 20 for mobile.',
  }),
})

const weight = (label: string, fallback: number) =>
  quantity({
    label,
    unit: 'parts',
    min: 0,
    max: 100,
    fallback,
    description: "How much of this habit's time goes to this kind; only the ratios count.",
  })

const habitSchema = z.object({
  name: text({
    label: 'Habit',
    description: 'What is watched when, such as the evening film.',
    max: 60,
  }),
  viewer: text({
    label: 'Viewer',
    description: 'Who watches. On a guest day, leave it empty for a guest.',
    max: 40,
  }),
  device: text({ label: 'Device', description: 'On which device.', max: 40 }),
  days: choices({
    label: 'Days',
    description: 'Days of the week on which it may begin.',
    options: weekdays,
    fallback: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
  }),
  earliest: timeOfDay({
    label: 'Earliest start',
    fallback: 19 * 60,
    description: 'The habit starts no earlier than this.',
  }),
  latest: timeOfDay({
    label: 'Latest start',
    fallback: 21 * 60,
    description:
      'The habit starts no later than this; all times between are equally likely. A time ' +
      'earlier than the earliest start means the next day.',
  }),
  minutes: quantity({
    label: 'Length',
    unit: 'min',
    min: 1,
    max: 1440,
    fallback: 105,
    description: 'How long it lasts.',
  }),
  chance: quantity({
    label: 'Chance',
    unit: 'share',
    min: 0,
    max: 1,
    fallback: 0.6,
    description: 'How likely it happens on such a day.',
  }),
  watches: z
    .object({
      film: weight('Films', 1),
      series: weight('Series', 1),
      homeVideo: weight('Home video', 0),
      music: weight('Music', 0),
    })
    .prefault({})
    .meta({ title: 'Watches', description: 'What it is spent on.' }),
  capMbps: optionalQuantity({
    label: 'Quality cap',
    unit: 'Mb/s',
    min: 0.1,
    max: 1000,
    description:
      'The viewer limits the quality to this rate, as on a data plan. If this is empty, ' +
      'there is no limit.',
  }),
  onBusyDays: toggle({
    label: 'On guest days only',
    fallback: false,
    description: 'On guest days this habit is added to the ordinary week.',
  }),
})

export const householdSchema = section(
  {
    places: namedListOf(placeSchema, {
      label: 'Places away',
      max: 30,
      description: 'Where people watch over the internet line.',
    }),
    viewers: namedListOf(viewerSchema, {
      label: 'Viewers',
      max: 60,
      description: 'Everyone the machine serves. People who share one screen are one viewer.',
    }),
    capabilitySets: namedListOf(capabilitySetSchema, {
      label: 'Classes of your own',
      max: 40,
      description: 'Device classes beside the generic ones.',
    }),
    devices: namedListOf(deviceSchema, {
      label: 'Devices',
      max: 60,
      description: 'What people watch on.',
    }),
    habits: listOf(habitSchema, {
      label: 'Habits',
      max: 200,
      description: 'Who watches when. Without any, the three answers of the busy evening are used.',
    }),
    busyDaysPerYear: quantity({
      label: 'Guest days a year',
      unit: 'days',
      min: 0,
      max: 365,
      whole: true,
      fallback: 12,
      description: 'Days on which the habits of guest days are added.',
    }),
    subtitlesShare: quantity({
      label: 'Watched with subtitles',
      unit: 'share',
      min: 0,
      max: 1,
      fallback: 0.2,
      description: 'Share of watching time with subtitles shown.',
    }),
    forcedSubtitlesShare: quantity({
      label: 'With forced subtitles only',
      unit: 'share',
      min: 0,
      max: 1,
      fallback: 0.05,
      description:
        'Share of watching time with subtitles for foreign dialogue only; these are burned in too.',
    }),
    watchingHome: quantity({
      label: 'Watching at once at home',
      unit: 'viewers',
      min: 0,
      max: 100,
      whole: true,
      fallback: 2,
      description: 'Viewers who watch at the same moment on a busy evening, on the home network.',
    }),
    watchingAway: quantity({
      label: 'Watching at once away',
      unit: 'viewers',
      min: 0,
      max: 100,
      whole: true,
      fallback: 1,
      description: 'Viewers who watch at the same moment over the internet line.',
    }),
    converted: quantity({
      label: 'Of these, converted',
      unit: 'conversions',
      min: 0,
      max: 100,
      whole: true,
      fallback: 1,
      description:
        'How many of them need the picture converted, because the device or the line ' +
        'cannot take the file as it is.',
    }),
  },
  { label: 'Household', description: 'Who watches, and how many at once.' },
)

export type Household = z.infer<typeof householdSchema>
export type Viewer = Household['viewers'][number]
export type Habit = Household['habits'][number]
export type Device = Household['devices'][number]
export type Place = Household['places'][number]
