import { z } from 'zod'
import { systemKinds } from '../catalogue/systemKinds'
import { maxOwnSystems } from './constants'
import { choice, namedListOf, optionalQuantity, quantity, reference, text, toggle } from './fields'

const ownSystemSchema = z.object({
  id: reference({
    label: 'Short name',
    description: 'The name by which the plan refers to this kind of system.',
  }),
  label: text({ label: 'Kind of system', max: 60, description: 'What you call it.' }),
  like: choice({
    label: 'Otherwise like',
    fallback: 'server',
    options: Object.fromEntries(systemKinds.map(({ id, label }) => [id, label])),
    description:
      'Its layouts, memory, boot device, watts and use of the video engine are those of this kind.',
  }),
  once: quantity({
    label: 'Licence, once',
    unit: 'money',
    min: 0,
    max: 1_000_000,
    fallback: 0,
    description: 'What it costs to buy. Enter 0 if it is free.',
  }),
  perYear: quantity({
    label: 'Licence, a year',
    unit: 'money',
    min: 0,
    max: 1_000_000,
    fallback: 0,
    description: 'What it costs every year. Enter 0 if it costs nothing.',
  }),
  upToDrives: optionalQuantity({
    label: 'Licence for drives',
    unit: 'drives',
    min: 1,
    max: 1000,
    whole: true,
    description: 'The most drives that the licence counts. If this is empty, there is no limit.',
  }),
  skill: quantity({
    label: 'Skill it needs',
    unit: 'level',
    min: 1,
    max: 5,
    whole: true,
    fallback: 3,
    description:
      '1: can install a program; 3: can follow a guide on a command line; 5: does it for a living.',
  }),
  upkeepHoursPerYear: quantity({
    label: 'Upkeep',
    unit: 'h/year',
    min: 0,
    max: 2000,
    fallback: 12,
    description: 'Hours of updates and repairs in a year.',
  }),
  mixedSizes: toggle({
    label: 'Drives of mixed sizes',
    fallback: true,
    description: 'Uses the whole of drives of unlike sizes.',
  }),
  growsByOne: toggle({
    label: 'Grows by one drive',
    fallback: true,
    description: 'One more drive makes the pool larger.',
  }),
  snapshots: toggle({
    label: 'Keeps snapshots',
    fallback: false,
    description: 'Earlier states of files, for what was deleted by mistake.',
  }),
  readableElsewhere: toggle({
    label: 'Drives readable elsewhere',
    fallback: true,
    description: 'Each drive can be read by itself in another computer.',
  }),
  containers: toggle({
    label: 'Containers',
    fallback: true,
    description: 'Services in packages of their own.',
  }),
  guests: toggle({
    label: 'Guests',
    fallback: false,
    description: 'Whole systems inside the machine.',
  }),
  wifi: toggle({ label: 'Wi-Fi', fallback: false, description: 'Can be reached over Wi-Fi.' }),
  startsOffline: toggle({
    label: 'Starts without the internet',
    fallback: true,
    description:
      'It asks nobody outside for leave, such as a check of its licence, when it starts.',
  }),
  leaving: choice({
    label: 'Changing it later',
    fallback: 'free',
    options: { free: 'Free to change', emptying: 'Means emptying the pool' },
    description: 'What it costs to leave it.',
  }),
  help: text({ label: 'Help when stuck', max: 120, description: 'Who or what helps.' }),
})

export const ownSystemsField = namedListOf(ownSystemSchema, {
  label: 'Own kinds of system',
  max: maxOwnSystems,
  description: 'Kinds of system beside those of the catalogue.',
})
export type OwnSystem = z.infer<typeof ownSystemSchema>
