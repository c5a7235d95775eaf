import { z } from 'zod'
import { layouts } from '../drives/layouts/layouts'
import { driveClasses } from '../catalogue/driveClasses'
import { automaticLayout, conditions, mostDrives, usualPerils } from './constants'
import { catalogued, choice, listOf, numberChoice, optionalQuantity, quantity, section, toggle } from './fields'

const layoutOptions = { [automaticLayout]: 'By the number of drives', ...Object.fromEntries(layouts.map(layout => [layout.id, layout.label])) }
const classOptions = Object.fromEntries(driveClasses.map(driveClass => [driveClass.id, driveClass.label]))

/** What a copy holds. */
const held = { nothing: 'Nothing', irreplaceable: 'What is irreplaceable', everything: 'Everything' } as const
const peril = (label: string, fallback: number) => quantity({ label, unit: 'share', min: 0, max: 1, fallback, description: 'Chance in a year that it happens; a planning value that you can change.' })

const lotSchema = z.object({
  count: quantity({
    label: 'Drives', unit: 'drives', min: 1, max: mostDrives, whole: true, fallback: 1,
    description: `How many of this size. A plan holds at most ${mostDrives} drives.`,
  }),
  sizeTB: quantity({
    label: 'Size', unit: 'TB', min: 0.05, max: 200, fallback: 8,
    description: 'As it is sold: 1 TB = 10¹² bytes.',
  }),
  condition: choice({ label: 'Bought', fallback: 'new', options: conditions, description: 'Drives that you own cost nothing now.' }),
  priceEach: optionalQuantity({
    label: 'Price each', unit: 'money', min: 0, max: 100_000,
    description: 'What one of them costs. If this is empty, the usual price of a terabyte of this kind of drive is used.',
  }),
  role: choice({
    label: 'Role', fallback: 'any',
    description: 'Only dedicated and nightly parity use this. If it is automatic, the largest drives hold the parity.',
    options: { any: 'Automatic', data: 'Data', parity: 'Parity' },
  }),
})

export const drivesSchema = section({
  lots: listOf(lotSchema, {
    label: 'Drives', max: 30,
    description: 'The data drives, one line for each size.',
  }).refine(lots => lots.reduce((sum, lot) => sum + lot.count, 0) <= mostDrives, {
    error: `Drives: at most ${mostDrives} drives over all lines.`,
  }),
  layout: catalogued({
    label: 'Layout', fallback: automaticLayout, options: layoutOptions,
    description: 'How the drives share the data and what happens when one fails.',
  }),
  hotSpares: quantity({
    label: 'Hot spares', unit: 'drives', min: 0, max: 8, whole: true, fallback: 0,
    description: 'Drives that replace a failed one immediately. The largest drives are the spares; they hold no data until then.',
  }),
  fileSystem: choice({
    label: 'File system', fallback: 'journalled',
    description: 'Copy-on-write checks what it reads and keeps snapshots; it wants a little more free space.',
    options: { journalled: 'Plain, journalled', copyOnWrite: 'Checksummed, copy-on-write' },
  }),
  driveClass: catalogued({
    label: 'Kind of drive', fallback: 'nas', options: classOptions,
    description: 'Sets how many are expected to fail in a year.',
  }),
  failuresPerYear: optionalQuantity({
    label: 'Failures a year', unit: 'share', min: 0.0001, max: 0.9,
    description: 'Annual failure rate of one drive, when you know better than the usual figure of its kind.',
  }),
  outerMBps: quantity({
    label: 'Sequential rate', unit: 'MB/s', min: 1, max: 20_000, fallback: 200,
    description: 'Outer-track rate from the data sheet: about 180 MB/s at 5400 rpm, 250 at 7200 rpm, 530 for a SATA SSD.',
  }),
  above45C: toggle({
    label: 'Warmer than 45 °C', fallback: false,
    description: 'Drives that run hotter than 45 °C for long fail 1.5 times as often.',
  }),
  unmounted: toggle({
    label: 'Without vibration mounts', fallback: false,
    description: 'More than 4 spinning drives screwed straight into one case shake each other, and fail 1.5 times as often.',
  }),
  ageYears: optionalQuantity({
    label: 'Age of the drives', unit: 'years', min: 0, max: 30, whole: true,
    description: 'Whole years in use, 0 for new ones: drives fail more often in their first year and from their fifth on. If this is empty, every year counts alike.',
  }),
  shingled: toggle({
    label: 'Shingled (SMR)', fallback: false,
    description: 'Overlapping tracks: rebuilds take 3 times as long, 8 times with copy-on-write parity.',
  }),
  oneBatch: toggle({
    label: 'One model, bought together', fallback: false,
    description: 'Drives of one batch tend to fail together: the second failure counts as 3 times as likely.',
  }),
  replacement: choice({
    label: 'Replacement drive', fallback: 'order',
    description: 'How long until a new drive is in the machine.',
    options: { shelf: 'On the shelf, 12 h', order: 'Ordered, 48 h', abroad: 'From abroad, 168 h' },
  }),
  sheetReadErrorBits: numberChoice({
    label: 'One unreadable sector in', unit: 'bits', values: [1e14, 1e15], fallback: 1e14, options: { [1e14]: '10¹⁴', [1e15]: '10¹⁵' },
    description: 'From the drive\'s data sheet; drives do about ten times better than it says.',
  }),
  changedGBPerMonth: quantity({
    label: 'Changed and deleted', unit: 'GB/month', min: 0, max: 100_000, fallback: 0,
    description: 'What is overwritten or deleted in a month, and so kept by snapshots.',
  }),
  snapshotMonths: quantity({
    label: 'Snapshots kept', unit: 'months', min: 0, max: 120, fallback: 0,
    description: 'How long snapshots hold what was changed.',
  }),
  ups: toggle({
    label: 'UPS', fallback: false,
    description: 'A battery supply with surge protection between the wall and the machine.',
  }),
  secondBox: choice({
    label: 'Second machine here', fallback: 'nothing', options: held,
    description: 'What a second machine in the house holds a copy of.',
  }),
  secondBoxTakesOver: toggle({
    label: 'The second machine can take over', fallback: false,
    description: 'It can play the library itself while the first one is out.',
  }),
  offlineCopy: choice({
    label: 'Offline copy here', fallback: 'nothing', options: held,
    description: 'What lies on drives that are unplugged and kept in the house.',
  }),
  awayCopy: choice({
    label: 'Copy away from home', fallback: 'nothing', options: held,
    description: 'What is kept in another building, on drives that are carried there or over the internet line.',
  }),
  copiesWithVersions: toggle({
    label: 'Copies keep older versions', fallback: true,
    description: 'A copy without older versions takes deletions and malware along.',
  }),
  sectorChance: peril('Unreadable sector, each drive', usualPerils.sectorChance),
  deletionChance: peril('Deleted by mistake', usualPerils.deletionChance),
  malwareChance: peril('Malware', usualPerils.malwareChance),
  surgeChance: peril('Power surge, supply fault', usualPerils.surgeChance),
  theftChance: peril('Theft, fire, water', usualPerils.theftChance),
  boardChance: peril('Board fails', usualPerils.boardChance),
}, { label: 'Drives', description: 'How many, how big, and with which redundancy.' })

export type Drives = z.infer<typeof drivesSchema>
export type DriveLot = z.infer<typeof lotSchema>
