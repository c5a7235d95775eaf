import { soldOf, type Sold } from './sold'

/** A processor of an invented series, standing for a generic class. */
export interface Processor {
  readonly id: string
  readonly name: string
  readonly class: string
  readonly year: number
  readonly cores: number
  readonly threadsPerCore: 1 | 2
  /** sustained with all cores busy */
  readonly gigahertz: number
  /** multi-thread points, and those of one thread alone */
  readonly score: number
  readonly singleScore: number
  /** watts of the chip, idle and at most */
  readonly idleW: number
  readonly maxW: number
  /** built-in video engine; 'none' without */
  readonly engine: string
  /** planning value in the plan's currency, as it is bought today */
  readonly price: number
  readonly notes: string
  /** socket that it goes into; null where it is soldered to its board */
  readonly socket: string | null
  /** corrects memory errors, with memory and a board that can */
  readonly ecc: boolean
  /** the family of instructions that it runs */
  readonly runs: 'x86' | 'ARM'
  readonly sold: Sold
}

type Row = readonly [
  id: string,
  name: string,
  cls: string,
  year: number,
  cores: number,
  threads: 1 | 2,
  ghz: number,
  score: number,
  single: number,
  idleW: number,
  maxW: number,
  engine: string,
  price: number,
  notes: string,
]

/**
 * Sockets by series, with the years of design they were made for; a series that is not listed is
 * soldered.
 */
// prettier-ignore
const sockets: readonly (readonly [series: RegExp, fromYear: number, socket: string])[] = [
  [/^leat-/, 2021, 'L4'], [/^leat-/, 2015, 'L3'], [/^leat-/, 2011, 'L2'], [/^leat-/, 2000, 'L1'],
  [/^race-/, 2022, 'R3'], [/^race-/, 2017, 'R2'], [/^race-/, 2000, 'R1'],
  [/^bore-10/, 2000, 'B1'], [/^bore-14/, 2000, 'B2'], [/^bore-21/, 2000, 'B3'],
]
/** Those that correct memory errors: servers, workstations and the big desktops. */
const withEcc = /^(bore|race-(17|19|20|22|24)|leat-13w)/

/*
 * Weakest board first, big desktop and old servers last. Scores follow cores × GHz × points of the
 * year within a fifth.
 */
// prettier-ignore
const rows: readonly Row[] = [
  ['rill-1', 'Rill 1', 'ARM board, small', 2017, 4, 1, 1.4, 340, 260, 1, 5, 'none', 40, 'For shares and titles that play as they are.'],
  ['rill-2', 'Rill 2', 'ARM board, middle', 2019, 4, 1, 1.5, 900, 560, 2, 7, 'boardArm', 60, 'For titles that play as they are.'],
  ['rill-3', 'Rill 3', 'ARM board, big cores', 2022, 8, 1, 2, 3600, 1150, 3, 12, 'boardArm', 120, 'Four big and four small cores.'],
  ['beck-14', 'Beck 14', 'small chip', 2014, 4, 1, 2, 1450, 620, 4, 10, 'builtInB', 30, 'Old appliance; soldered.'],
  ['beck-16', 'Beck 16', 'small chip', 2016, 4, 1, 1.9, 1900, 780, 3, 10, 'builtInC', 40, 'Appliance of its time; soldered.'],
  ['beck-19', 'Beck 19', 'small chip', 2019, 4, 1, 2.3, 3000, 1250, 4, 10, 'builtInD', 70, 'Appliance with two or four bays.'],
  ['beck-21', 'Beck 21', 'small chip', 2021, 4, 1, 2.6, 4050, 1500, 4, 10, 'builtInE', 110, 'Efficiency cores only.'],
  ['beck-23', 'Beck 23', 'small chip', 2023, 4, 1, 3.2, 5500, 1950, 4, 12, 'builtInE', 140, 'Efficiency cores only; for quiet machines.'],
  ['beck-24', 'Beck 24', 'small chip', 2024, 8, 1, 2.9, 9700, 2050, 5, 20, 'builtInE', 230, 'Eight efficiency cores.'],
  ['burn-18', 'Burn 18', 'mobile chip in a mini PC', 2018, 4, 2, 2.8, 5900, 1900, 4, 25, 'builtInD', 120, 'Used mini PC.'],
  ['burn-21', 'Burn 21', 'mobile chip in a mini PC', 2021, 4, 2, 3.3, 9500, 2900, 5, 28, 'builtInF', 240, 'Mini PC; throttles without a fan.'],
  ['burn-23', 'Burn 23', 'mobile chip in a mini PC', 2023, 10, 2, 2.6, 16_500, 3500, 6, 55, 'builtInF', 380, 'Two fast and eight small cores.'],
  ['burn-25', 'Burn 25', 'mobile chip in a mini PC', 2025, 14, 1, 2.9, 24_000, 4000, 6, 65, 'builtInG', 560, 'Engine of the newest kind.'],
  ['leat-08', 'Leat 08', 'old office desktop', 2008, 2, 1, 3, 1150, 1050, 35, 65, 'none', 10, 'No engine; warm.'],
  ['leat-11', 'Leat 11', 'old office desktop', 2011, 4, 1, 3.3, 3850, 1700, 15, 95, 'builtInA', 20, 'Engine hangs on some workloads.'],
  ['leat-13', 'Leat 13', 'old office desktop', 2013, 4, 1, 3.4, 5100, 2050, 10, 84, 'builtInB', 30, 'Refurbished office PC.'],
  ['leat-13w', 'Leat 13 W', 'old workstation', 2013, 4, 2, 3.4, 6200, 2000, 6, 52, 'none', 35, 'No engine; corrects memory errors.'],
  ['leat-15', 'Leat 15', 'office desktop', 2015, 4, 1, 3.4, 5800, 2200, 6, 65, 'builtInC', 40, 'Refurbished; no 10-bit.'],
  ['leat-17', 'Leat 17', 'office desktop', 2017, 4, 1, 3.6, 6300, 2300, 5, 65, 'builtInD', 60, 'Refurbished; a usual base.'],
  ['leat-18', 'Leat 18', 'office desktop', 2018, 6, 1, 3.6, 9300, 2500, 5, 65, 'builtInD', 90, 'Refurbished.'],
  ['leat-20', 'Leat 20', 'office desktop', 2020, 6, 2, 3.8, 12_900, 2700, 5, 65, 'builtInD', 130, 'Refurbished.'],
  ['leat-21', 'Leat 21', 'small desktop', 2021, 4, 2, 3.9, 11_400, 3200, 5, 60, 'builtInF', 130, 'Four fast cores.'],
  ['leat-22', 'Leat 22', 'desktop', 2022, 6, 2, 4.1, 17_800, 3500, 6, 65, 'builtInF', 180, 'A usual new base.'],
  ['leat-22n', 'Leat 22 N', 'desktop', 2022, 6, 2, 4.1, 17_800, 3500, 6, 65, 'none', 150, 'The same without an engine: the exact model counts.'],
  ['leat-24', 'Leat 24', 'desktop', 2024, 10, 1, 4.2, 25_500, 4000, 8, 80, 'builtInG', 270, 'Engine of the newest kind.'],
  ['race-12', 'Race 12', 'old desktop, eight cores', 2012, 8, 1, 3.5, 9000, 1500, 25, 125, 'none', 40, 'Cheap to buy, costly to run.'],
  ['race-17', 'Race 17', 'desktop, many cores', 2017, 8, 2, 3.5, 14_400, 2150, 12, 95, 'none', 80, 'Has no display output without a card.'],
  ['race-19', 'Race 19', 'desktop, many cores', 2019, 6, 2, 4, 14_300, 2650, 12, 65, 'none', 100, 'Has no display output without a card.'],
  ['race-20', 'Race 20', 'desktop, many cores', 2020, 8, 2, 4.2, 20_000, 3100, 14, 105, 'none', 160, 'Has no display output without a card.'],
  ['race-21', 'Race 21', 'desktop with graphics', 2021, 8, 2, 4, 23_000, 3250, 9, 65, 'builtInD', 190, 'Its engine is as fast as class D.'],
  ['race-22', 'Race 22', 'big desktop', 2022, 12, 2, 4.4, 37_500, 4100, 22, 170, 'none', 330, 'Strong at conversions in software.'],
  ['race-24', 'Race 24', 'big desktop', 2024, 16, 2, 4.4, 56_000, 4500, 24, 170, 'none', 520, 'The largest here.'],
  ['bore-10', 'Bore 10 pair', 'old server, two sockets', 2010, 12, 2, 2.8, 11_700, 1350, 110, 190, 'none', 50, 'Nearly free, and very costly to run.'],
  ['bore-14', 'Bore 14', 'old workstation', 2014, 8, 2, 2.8, 10_400, 1850, 30, 140, 'none', 60, 'Error-correcting memory.'],
  ['bore-19', 'Bore 19', 'appliance chip, eight cores', 2019, 8, 1, 2.4, 11_500, 1500, 8, 35, 'none', 210, 'Soldered in larger appliances; no engine.'],
  ['bore-21', 'Bore 21', 'small server', 2021, 8, 2, 3.3, 19_000, 2900, 14, 95, 'none', 420, 'Error-correcting memory, no engine.'],
]

export const processors: readonly Processor[] = rows.map(
  ([
    id,
    name,
    cls,
    year,
    cores,
    threadsPerCore,
    gigahertz,
    score,
    singleScore,
    idleW,
    maxW,
    engine,
    price,
    notes,
  ]) => ({
    id,
    name,
    class: cls,
    year,
    cores,
    threadsPerCore,
    gigahertz,
    score,
    singleScore,
    idleW,
    maxW,
    engine,
    price,
    notes,
    socket: sockets.find(([series, fromYear]) => series.test(id) && year >= fromYear)?.[2] ?? null,
    ecc: withEcc.test(id),
    runs: id.startsWith('rill-') ? 'ARM' : 'x86',
    sold: soldOf(year),
  }),
)
