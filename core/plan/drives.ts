import { z } from 'zod'
import { registerEntrySchema } from './driveRegister'
import { perilTable, type MeasureId, type PerilId } from '../catalogue/perilTable'
import { layouts } from '../drives/layouts/layouts'
import { driveClasses } from '../catalogue/driveClasses'
import { driveModels } from '../catalogue/driveModels'
import { backupFields } from './backup'
import { arrivalsField, fastStorageFields } from './fastStorage'
import {
  automaticLayout,
  conditions,
  maxDrives,
  maxGroups,
  maxPurchases,
  ownEntry,
  refurbishedWarrantyMonths,
  usualPerils,
} from './constants'
import {
  catalogued,
  choice,
  listOf,
  numberChoice,
  optionalQuantity,
  quantity,
  section,
  toggle,
} from './fields'

const layoutOptions = {
  [automaticLayout]: 'By the number of drives',
  ...Object.fromEntries(layouts.map(layout => [layout.id, layout.label])),
}
const modelOptions = {
  [ownEntry]: 'By its figures',
  ...Object.fromEntries(driveModels.map(model => [model.id, model.label])),
}
const classOptions = Object.fromEntries(
  driveClasses.map(driveClass => [driveClass.id, driveClass.label]),
)

const peril = (label: string, fallback: number) =>
  quantity({
    label,
    unit: 'share',
    min: 0,
    max: 1,
    fallback,
    description: 'Chance in a year that it happens; a planning value that you can change.',
  })

const lotSchema = z.object({
  count: quantity({
    label: 'Drives',
    unit: 'drives',
    min: 1,
    max: maxDrives,
    whole: true,
    fallback: 1,
    description: `How many of this size. A plan holds at most ${maxDrives} drives.`,
  }),
  sizeTB: quantity({
    label: 'Size',
    unit: 'TB',
    min: 0.05,
    max: 200,
    fallback: 8,
    description: 'As it is sold: 1 TB = 10¹² bytes.',
  }),
  model: catalogued({
    label: 'Model',
    fallback: ownEntry,
    options: modelOptions,
    description:
      'A model brings its own failure rate, speed, watts and price. Without one, what is ' +
      'entered for all drives counts.',
  }),
  condition: choice({
    label: 'Bought',
    fallback: 'new',
    options: conditions,
    description: 'Drives that you own cost nothing now.',
  }),
  priceEach: optionalQuantity({
    label: 'Price each',
    unit: 'money',
    min: 0,
    max: 100_000,
    description:
      'What one of them costs. If this is empty, the price of the model is used, or the ' +
      'usual one of a terabyte of this kind of drive.',
  }),
  warrantyMonths: optionalQuantity({
    label: 'Warranty',
    unit: 'months',
    min: 0,
    max: 180,
    whole: true,
    description:
      'How long one that fails is replaced for nothing. If this is empty: of new drives as ' +
      `entered under Ownership, of refurbished ones ${refurbishedWarrantyMonths} months, of those that you own none.`,
  }),
  group: quantity({
    label: 'Group',
    unit: 'group',
    min: 1,
    max: maxGroups,
    whole: true,
    fallback: 1,
    description:
      'Drives of one group protect each other. The pool spans all groups and is lost if ' +
      'any of them is.',
  }),
  goesInLast: toggle({
    label: 'Goes in last',
    fallback: false,
    description:
      'It holds data that are copied to the pool first; it is erased and added once a restore of ' +
      'the copy was tried.',
  }),
  role: choice({
    label: 'Role',
    fallback: 'any',
    description:
      'Only dedicated and nightly parity use this. If it is automatic, the largest drives ' +
      'hold the parity.',
    options: { any: 'Automatic', data: 'Data', parity: 'Parity' },
  }),
})

const purchaseSchema = z.object({
  month: quantity({
    label: 'Month',
    unit: 'months',
    min: 0,
    max: 180,
    whole: true,
    fallback: 12,
    description: 'Months from today.',
  }),
  count: quantity({
    label: 'Drives',
    unit: 'drives',
    min: 1,
    max: maxDrives,
    whole: true,
    fallback: 1,
    description: 'How many are bought.',
  }),
  sizeTB: quantity({
    label: 'Size',
    unit: 'TB',
    min: 0.05,
    max: 200,
    fallback: 8,
    description: 'As it is sold: 1 TB = 10¹² bytes.',
  }),
  how: choice({
    label: 'How they go in',
    fallback: 'added',
    description: 'Beside the drives that are there, or in their place.',
    options: {
      added: 'Added',
      newGroup: 'Added as a new group',
      smallest: 'In place of the smallest',
      allSmaller: 'In place of all smaller ones',
    },
  }),
})

const coverageSchema = z.object({
  peril: choice({
    label: 'Peril',
    fallback: 'theft',
    options: Object.fromEntries(perilTable.map(({ id, label }) => [id, label])) as Record<
      PerilId,
      string
    >,
    description: 'What happens to the data.',
  }),
  measure: choice({
    label: 'Measure',
    fallback: 'awayCopy',
    options: {
      snapshots: 'Snapshots',
      ups: 'UPS',
      secondBox: 'Second machine',
      offlineCopy: 'Offline copy',
      awayCopy: 'Copy away',
    } satisfies Record<MeasureId, string>,
    description: 'What stands against it.',
  }),
  share: quantity({
    label: 'Holds',
    unit: 'share',
    min: 0,
    max: 1,
    fallback: 0.9,
    description: 'Share of such events after which the measure still has the data.',
  }),
})

export const drivesSchema = section(
  {
    lots: listOf(lotSchema, {
      label: 'Drives',
      max: 30,
      description: 'The data drives, one line for each size.',
    }).refine(lots => lots.reduce((sum, lot) => sum + lot.count, 0) <= maxDrives, {
      error: `Drives: at most ${maxDrives} drives over all lines.`,
    }),
    layout: catalogued({
      label: 'Layout',
      fallback: automaticLayout,
      options: layoutOptions,
      description: 'How the drives share the data and what happens when one fails.',
    }),
    hotSpares: quantity({
      label: 'Hot spares',
      unit: 'drives',
      min: 0,
      max: 8,
      whole: true,
      fallback: 0,
      description:
        'Drives that replace a failed one immediately. The largest drives are the spares; ' +
        'they hold no data until then.',
    }),
    fileSystem: choice({
      label: 'File system',
      fallback: 'journalled',
      description:
        'Copy-on-write checks what it reads and keeps snapshots; it wants a little more ' +
        'free space.',
      options: { journalled: 'Plain, journalled', copyOnWrite: 'Checksummed, copy-on-write' },
    }),
    encrypted: toggle({
      label: 'Encrypted',
      fallback: false,
      description:
        'What lies on the drives cannot be read without a key. The processor encrypts whatever ' +
        'is written; without the key nothing is left.',
    }),
    driveClass: catalogued({
      label: 'Kind of drive',
      fallback: 'nas',
      options: classOptions,
      description:
        'Of drives without a model: sets how many are expected to fail in a year, their ' +
        'watts and their price.',
    }),
    failuresPerYear: optionalQuantity({
      label: 'Failures a year',
      unit: 'share',
      min: 0.0001,
      max: 0.9,
      description:
        'Annual failure rate of one drive, when you know better than the usual figure of ' +
        'its kind or model.',
    }),
    outerMBps: quantity({
      label: 'Sequential rate',
      unit: 'MB/s',
      min: 1,
      max: 20_000,
      fallback: 200,
      description:
        'Of drives without a model. Outer-track rate from the data sheet: about 180 MB/s ' +
        'at 5400 rpm, 250 at 7200 rpm, 530 for a SATA SSD.',
    }),
    above45C: toggle({
      label: 'Warmer than 45 °C',
      fallback: false,
      description: 'Drives that run hotter than 45 °C for long fail 1.5 times as often.',
    }),
    unmounted: toggle({
      label: 'Without vibration mounts',
      fallback: false,
      description:
        'More than 4 spinning drives screwed straight into one case shake each other, and ' +
        'fail 1.5 times as often.',
    }),
    ageYears: optionalQuantity({
      label: 'Age of the drives',
      unit: 'years',
      min: 0,
      max: 30,
      whole: true,
      description:
        'Whole years in use, 0 for new ones: drives fail more often in their first year ' +
        'and from their fifth on. If this is empty, every year counts alike.',
    }),
    shingled: toggle({
      label: 'Shingled (SMR)',
      fallback: false,
      description:
        'Drives without a model have overlapping tracks: rebuilds take 3 times as long, 8 ' +
        'times with copy-on-write parity.',
    }),
    oneBatch: toggle({
      label: 'One model, bought together',
      fallback: false,
      description:
        'Drives of one batch tend to fail together: the second failure counts as 3 times ' +
        'as likely.',
    }),
    replacement: choice({
      label: 'Replacement drive',
      fallback: 'order',
      description: 'How long until a new drive is in the machine.',
      options: {
        shelf: 'On the shelf, 12 h',
        order: 'Ordered, 48 h',
        abroad: 'From abroad, 168 h',
      },
    }),
    sheetReadErrorBits: numberChoice({
      label: 'One unreadable sector in',
      unit: 'bits',
      values: [1e14, 1e15],
      fallback: 1e14,
      options: { [1e14]: '10¹⁴', [1e15]: '10¹⁵' },
      description:
        'Of drives without a model, from the data sheet; drives do about ten times better ' +
        'than it says.',
    }),
    changedGBPerMonth: quantity({
      label: 'Changed and deleted',
      unit: 'GB/month',
      min: 0,
      max: 100_000,
      fallback: 0,
      description: 'What is overwritten or deleted in a month, and so kept by snapshots.',
    }),
    snapshotMonths: quantity({
      label: 'Snapshots kept',
      unit: 'months',
      min: 0,
      max: 120,
      fallback: 0,
      description: 'How long snapshots hold what was changed.',
    }),
    ...backupFields,
    ...fastStorageFields,
    arrivals: arrivalsField,
    register: listOf(registerEntrySchema, {
      label: 'Drive register',
      max: maxDrives,
      description: 'The drives that are there, by their serials.',
    }),
    verdictsRaiseRisk: toggle({
      label: 'Verdicts raise the risk',
      fallback: true,
      description:
        'A drive whose reports ask to watch or to replace it fails more often until it is ' +
        'replaced: 4 times where it cannot read some places, 15 times at replace.',
    }),
    purchases: listOf(purchaseSchema, {
      label: 'Planned purchases',
      max: maxPurchases,
      description: 'Drives that are bought later. The room grows in the month they are bought.',
    }),
    priceFallPerYear: quantity({
      label: 'Drive prices fall by',
      unit: 'share',
      min: -0.1,
      max: 0.15,
      fallback: 0.05,
      description:
        'A year. Enter a negative share if you expect them to rise, as they have at times.',
    }),
    replacedWorth: quantity({
      label: 'A replaced drive brings',
      unit: 'money',
      min: 0,
      max: 10_000,
      fallback: 0,
      description: 'What you get for a drive that is replaced, or save by using it elsewhere.',
    }),
    expandsParity: toggle({
      label: 'A parity group can be expanded',
      fallback: true,
      description:
        'The system can add a drive to a group with rotating parity. If it cannot, it ' +
        'grows by a whole new group or by bigger drives.',
    }),
    parityAfterCopy: toggle({
      label: 'Parity built after copying',
      fallback: false,
      description:
        'Parity on drives of its own is computed once everything is copied: the copy is faster, ' +
        'and nothing is protected until then.',
    }),
    coverages: listOf(coverageSchema, {
      label: 'What measures hold',
      max: 35,
      description: 'Shares that differ from the planning values.',
    }),
    sectorChance: peril('Unreadable sector, each drive', usualPerils.sectorChance),
    deletionChance: peril('Deleted by mistake', usualPerils.deletionChance),
    malwareChance: peril('Malware', usualPerils.malwareChance),
    surgeChance: peril('Power surge, supply fault', usualPerils.surgeChance),
    theftChance: peril('Theft, fire, water', usualPerils.theftChance),
    boardChance: peril('Board fails', usualPerils.boardChance),
    severalChance: optionalQuantity({
      label: 'Several drives at once',
      unit: 'share',
      min: 0,
      max: 1,
      description:
        'Chance a year that a controller, an enclosure or a supply lead takes several drives at ' +
        'once. If this is empty: 0.5 %, and 2 % where drives hang on USB.',
    }),
  },
  { label: 'Drives', description: 'How many, how big, and with which redundancy.' },
)

export type Drives = z.infer<typeof drivesSchema>
export type DriveLot = z.infer<typeof lotSchema>
