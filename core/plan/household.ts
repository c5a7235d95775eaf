import { z } from 'zod'
import { choice, listOf, quantity, section, text } from './fields'

const viewerSchema = z.object({
  name: text({ label: 'Viewer', description: 'A name or nickname.', max: 60 }),
  place: choice({
    label: 'Place', fallback: 'home',
    description: 'At home on the house network, or away over the internet line.',
    options: { home: 'At home', away: 'Away' },
  }),
})

export const householdSchema = section({
  viewers: listOf(viewerSchema, {
    label: 'Viewers', max: 60,
    description: 'Everyone the box serves. People who share one screen are one viewer.',
  }),
  watchingHome: quantity({
    label: 'Watching at once at home', unit: 'viewers', min: 0, max: 100, whole: true, fallback: 2,
    description: 'Screens playing at the same moment on a busy evening, on the house network.',
  }),
  watchingAway: quantity({
    label: 'Watching at once away', unit: 'viewers', min: 0, max: 100, whole: true, fallback: 1,
    description: 'Screens playing at the same moment over the internet line.',
  }),
  converted: quantity({
    label: 'Of these, converted', unit: 'conversions', min: 0, max: 100, whole: true, fallback: 1,
    description: 'How many of them need the picture converted, because the device or the line cannot take the file as it is.',
  }),
}, { label: 'Household', description: 'Who watches, and how many at once.' })

export type Household = z.infer<typeof householdSchema>
