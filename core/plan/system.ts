import { z } from 'zod'
import { systemKinds } from '../catalogue/systemKinds'
import { automaticSystem, maxServices } from './constants'
import {
  catalogued,
  choice,
  listOf,
  optionalQuantity,
  quantity,
  section,
  text,
  toggle,
} from './fields'
import { pools } from './fastStorage'
import { ownSystemsField } from './ownSystems'

const serviceSchema = z.object({
  name: text({
    label: 'Service',
    max: 60,
    description: 'Such as media software, a share, pictures from phones, a guest for trials.',
  }),
  on: choice({
    label: 'Runs',
    fallback: 'container',
    description:
      'On the host it takes its own memory only; a container takes 0.05 GB more, a guest 1.5 GB.',
    options: { host: 'On the host', container: 'In a container', guest: 'In a guest' },
  }),
  memoryGB: quantity({
    label: 'Memory',
    unit: 'GB',
    min: 0,
    max: 1024,
    fallback: 0.5,
    description: 'What it takes itself.',
  }),
  load: quantity({
    label: 'Load',
    unit: 'reference streams',
    min: 0,
    max: 1000,
    fallback: 0,
    description:
      'Work of the processor while it is busy, as so many conversions of a plain 1080p title.',
  }),
  ports: text({
    label: 'Ports',
    max: 60,
    description: 'Numbers of the ports it listens on, such as 8080, 443.',
  }),
  reach: choice({
    label: 'Who reaches it',
    fallback: 'home',
    description: 'Who can talk to it.',
    options: { box: 'The machine alone', home: 'The home network', away: 'Away as well' },
  }),
  loss: choice({
    label: 'Lost if broken into',
    fallback: 'replaceable',
    description: 'The worst of what it can write to.',
    options: {
      nothing: 'Nothing',
      replaceable: 'What can be replaced',
      irreplaceable: 'What is irreplaceable',
    },
  }),
  forWhom: text({
    label: 'For whom',
    max: 60,
    description: 'Who would miss it: all, the children, a phone, another service.',
  }),
  pricePerYear: quantity({
    label: 'Price a year',
    unit: 'money',
    min: 0,
    max: 100_000,
    fallback: 0,
    description: 'What its maker asks every year. Enter 0 if it is free.',
  }),
  dataGB: quantity({
    label: 'Data',
    unit: 'GB',
    min: 0,
    max: 100_000,
    fallback: 0,
    description:
      'What it keeps: settings, a database, small pictures. What is kept for its own sake ' +
      'belongs to the library.',
  }),
  pool: choice({
    label: 'Data lies on',
    fallback: 'ssd',
    options: pools,
    description: 'A database wants an SSD; what is read in long pieces does not.',
  }),
  usesEngine: toggle({
    label: 'Uses the video engine',
    fallback: false,
    description: 'Media software that converts sits beside the engine.',
  }),
})

export const systemSchema = section(
  {
    kind: catalogued({
      label: 'Kind of system',
      fallback: automaticSystem,
      options: {
        [automaticSystem]: 'By the machine',
        ...Object.fromEntries(systemKinds.map(({ id, label }) => [id, label])),
      },
      description:
        'What runs on the machine. If it follows the machine, an appliance keeps its ' +
        "maker's own, any other gets a plain server system.",
    }),
    skillAtMost: optionalQuantity({
      label: 'Skill at hand',
      unit: 'level',
      min: 1,
      max: 5,
      whole: true,
      description:
        '1: can install a program; 3: can follow a guide on a command line; 5: does it for ' +
        'a living.',
    }),
    wantsContainers: toggle({
      label: 'Containers wanted',
      fallback: false,
      description: 'Services in packages of their own.',
    }),
    wantsGuests: toggle({
      label: 'Guests wanted',
      fallback: false,
      description: 'Whole systems inside the machine.',
    }),
    wantsSnapshots: toggle({
      label: 'Snapshots wanted',
      fallback: false,
      description: 'Earlier states of files, for what was deleted by mistake.',
    }),
    wantsReadable: toggle({
      label: 'Drives readable elsewhere',
      fallback: false,
      description: 'Each drive can be read by itself in another computer.',
    }),
    growsByOne: toggle({
      label: 'Grows by one drive',
      fallback: false,
      description: 'One more drive makes the pool larger.',
    }),
    ownKinds: ownSystemsField,
    services: listOf(serviceSchema, {
      label: 'Services',
      max: maxServices,
      description: 'What runs beside the media software.',
    }),
  },
  { label: 'System', description: 'The system on the machine and what runs on it.' },
)

export type SystemPlan = z.infer<typeof systemSchema>
export type Service = SystemPlan['services'][number]
