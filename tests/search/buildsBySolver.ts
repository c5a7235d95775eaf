import type highsLoader from 'highs'
import { planAssessor } from '../../core/assess'
import { catalogue as shipped, type Catalogue } from '../../core/catalogue/catalogue'
import type { HardwareKind, PartOfKind } from '../../core/catalogue/hardware/hardwarePart'
import { systemRefusals } from '../../core/machine/system/compareSystems'
import { freshMachine } from '../../core/machine/freshMachine'
import { newPart } from '../../core/machine/partChanges'
import { supplyGoesIn } from '../../core/machine/power/supplyForms'
import { planSchema, type Plan } from '../../core/plan/planSchema'
import { seededRandom } from '../../core/random'
import { createBoxEvaluator } from '../../core/tiers/boxEvaluator'
import { lacksOf } from '../../core/tiers/search/buildQuestion'
import { createBuildSearch, finishSearch } from '../../core/tiers/search/buildSearch'
import { poolOffers, type PoolOffer } from '../../core/tiers/search/poolOffers'
import { freely } from '../stubs/freely'

/** Something that can be bought, once or not at all: a column of the general solver. */
interface Column {
  readonly name: string
  readonly price: number
  readonly refs: readonly string[]
  readonly pool?: PoolOffer
}
/** Σ of factors × columns, and what it has to be. */
interface Row {
  readonly factors: readonly (readonly [Column, number])[]
  readonly is: '>=' | '<=' | '='
  readonly than: number
}

const partsOf = <Kind extends HardwareKind>({ hardware }: Catalogue, kind: Kind) =>
  hardware.filter(
    (part): part is PartOfKind<Kind> & Catalogue['hardware'][number] =>
      part.kind === kind && part.comesWith === undefined,
  )

/** A catalogue of middle size: far too many builds to go through. */
function middleCatalogue(draw: () => number): Catalogue {
  const some = <Entry>(list: readonly Entry[], count: number) =>
    [...list]
      .map(entry => ({ entry, at: draw() }))
      .sort((a, b) => a.at - b.at)
      .slice(0, count)
      .map(({ entry }) => entry)
  const boards = some(
    partsOf(shipped, 'board').filter(({ form, socket }) => form !== 'own' && socket !== null),
    7,
  )
  const sockets = new Set(boards.map(({ socket }) => socket))
  return {
    ...shipped,
    systemKinds: shipped.systemKinds.filter(({ id }) => id === 'server'),
    machineBases: [],
    processors: some(
      shipped.processors.filter(
        ({ socket, price }) => socket !== null && sockets.has(socket) && price > 0 && price <= 700,
      ),
      12,
    ),
    memoryModules: shipped.memoryModules.filter(({ ecc, registered }) => !ecc && !registered),
    videoEngines: shipped.videoEngines.filter(({ kind }) => kind !== 'card'),
    hardware: [
      ...boards,
      ...some(partsOf(shipped, 'case'), 8),
      ...some(partsOf(shipped, 'supply'), 9),
      ...some(partsOf(shipped, 'cooler'), 6),
      ...partsOf(shipped, 'ssd').filter(({ shape }) => shape !== 'stick'),
      ...partsOf(shipped, 'controller').filter(({ mode }) => mode === 'plain'),
      ...partsOf(shipped, 'cable').filter(({ use }) => use === 'breakout'),
    ],
    driveModels: some(
      shipped.driveModels.filter(
        ({ recording, sizeTB, link }) =>
          recording === 'conventional' && sizeTB >= 4 && link !== 'usb',
      ),
      5,
    ),
  }
}

/** Every rule of fit that is linear in what is bought, written anew from the handbook. */
function linearRows(catalogue: Catalogue, pools: readonly PoolOffer[]) {
  const column = (id: string, price: number, refs: readonly string[] = [id]): Column => ({
    name: `v_${id.replaceAll(/\W/g, '_')}`,
    price,
    refs,
  })
  const columns = <Kind extends HardwareKind>(kind: Kind) =>
    partsOf(catalogue, kind).map(part => ({ part, column: column(part.id, part.price) }))
  const boards = columns('board')
  const cases = columns('case')
  const supplies = columns('supply')
  const coolers = columns('cooler')
  const disks = columns('ssd')
  const [cable] = partsOf(catalogue, 'cable')
  const controllers = partsOf(catalogue, 'controller').map(part => ({
    part,
    column: column(part.id, part.price + part.breakouts * cable!.price, [
      part.id,
      ...Array.from({ length: part.breakouts }, () => cable!.id),
    ]),
  }))
  const processors = catalogue.processors.map(part => ({
    part,
    column: column(part.id, part.price),
  }))
  const memory = catalogue.memoryModules.flatMap(part =>
    [1, 2].map(count => ({
      part,
      count,
      column: {
        ...column(`${part.id}_x${count}`, count * part.price),
        refs: Array.from({ length: count }, () => part.id),
      },
    })),
  )
  const drives = pools.map((pool, at) => ({
    pool,
    column: { name: `d_${at}`, price: pool.price, refs: [], pool } as Column,
  }))
  type Of<Entry> = readonly (Entry & { readonly column: Column })[]
  const each = <Entry>(list: Of<Entry>, factor: (entry: Entry & { column: Column }) => number) =>
    list.map(entry => [entry.column, factor(entry)] as const)
  const rows: Row[] = []
  const row = (factors: Row['factors'], is: Row['is'], than: number) =>
    rows.push({ factors: factors.filter(([, factor]) => factor !== 0), is, than })
  const one = <Entry>(list: Of<Entry>) =>
    row(
      each(list, () => 1),
      '=',
      1,
    )
  for (const list of [boards, cases, supplies, coolers, disks, processors, memory, drives])
    one(list as Of<object>)
  row(
    each(controllers, () => 1),
    '<=',
    1,
  )
  for (const socket of new Set(boards.map(({ part }) => part.socket))) {
    const ofBoard = each(boards, ({ part }) => Number(part.socket === socket))
    row([...ofBoard, ...each(processors, ({ part }) => -Number(part.socket === socket))], '=', 0)
    row(
      [...ofBoard, ...each(coolers, ({ part }) => -Number(part.sockets.includes(socket!)))],
      '<=',
      0,
    )
  }
  const kindOf = ({ type, shape }: { readonly type: string; readonly shape: string }) =>
    `${type} ${shape}`
  for (const kind of new Set(boards.map(({ part }) => kindOf(part.memory))))
    row(
      [
        ...each(boards, ({ part }) => Number(kindOf(part.memory) === kind)),
        ...each(memory, ({ part }) => -Number(kindOf(part) === kind)),
      ],
      '=',
      0,
    )
  row(
    [...each(memory, ({ count }) => count), ...each(boards, ({ part }) => -part.memory.slots)],
    '<=',
    0,
  )
  row(
    [
      ...each(memory, ({ part, count }) => count * part.memoryGB),
      ...each(boards, ({ part }) => -part.memory.maxGB),
    ],
    '<=',
    0,
  )
  for (const form of new Set(boards.map(({ part }) => part.form)))
    row(
      [
        ...each(boards, ({ part }) => Number(part.form === form)),
        ...each(cases, ({ part }) => -Number((part.forms as readonly string[]).includes(form))),
      ],
      '<=',
      0,
    )
  for (const form of new Set(cases.map(({ part }) => part.supplyForm)))
    row(
      [
        ...each(cases, ({ part }) => Number(part.supplyForm === form)),
        ...each(supplies, ({ part }) => -Number(supplyGoesIn(part.form, form))),
      ],
      '<=',
      0,
    )
  row(
    [...each(coolers, ({ part }) => part.heightMm), ...each(cases, ({ part }) => -part.coolerMm)],
    '<=',
    0,
  )
  row(
    [
      ...each(processors, ({ part }) => 0.6 * part.maxW),
      ...each(coolers, ({ part }) => -part.carriesW),
    ],
    '<=',
    0,
  )
  row(
    [...each(drives, ({ pool }) => pool.turning), ...each(cases, ({ part }) => -part.bays35)],
    '<=',
    0,
  )
  // Ports that one use switches off may be left: no set of drives has more than all of them.
  const placesOf = (part: PartOfKind<'board'>, of: 'data' | 'nvme' | 'sata') =>
    part.places.filter(({ kind, takesData }) =>
      of === 'data'
        ? kind === 'data'
        : kind === 'm2' && (of === 'sata' ? takesData : takesData !== 'only'),
    ).length
  row(
    [
      ...each(drives, ({ pool }) => pool.count - pool.nvme),
      ...each(disks, ({ part }) => Number(part.shape === '2.5')),
      ...each(boards, ({ part }) => -placesOf(part, 'data')),
      ...each(controllers, ({ part }) => -part.ports),
    ],
    '<=',
    0,
  )
  for (const link of ['nvme', 'sata'] as const)
    row(
      [
        ...each(disks, ({ part }) => Number(part.shape === 'm2' && part.link === link)),
        ...each(boards, ({ part }) => -placesOf(part, link)),
      ],
      '<=',
      0,
    )
  for (const { part, column: it } of controllers)
    row(
      [
        [it, 1],
        ...each(
          boards,
          ({ part: board }) =>
            -Number(
              board.places.some(
                ({ kind, length, openEnded }) =>
                  kind === 'slot' && (length >= part.length || openEnded),
              ),
            ),
        ),
      ],
      '<=',
      0,
    )
  // 2 GB for the system, 6 where files are copied on write, and 1.5 for the server, as it is sold.
  row(
    [
      ...each(memory, ({ part, count }) => count * part.memoryGB),
      ...each(drives, ({ pool }) => (pool.drives.fileSystem === 'copyOnWrite' ? -4 : 0)),
    ],
    '>=',
    4,
  )
  // No card is sold here: the first picture comes from the processor, or the board has its own.
  row(
    [
      ...each(boards, ({ part }) => Number(part.display === 'withEngine' && !part.startsHeadless)),
      ...each(processors, ({ part }) => -Number(part.engine !== null)),
    ],
    '<=',
    0,
  )
  row(
    each(boards, ({ part }) => Number(part.display === 'none' && !part.startsHeadless)),
    '<=',
    0,
  )
  // A plug on a lead for every drive; a backplane of twelve trays and more has leads of its own.
  row(
    [
      ...each(drives, ({ pool }) => pool.count - pool.nvme),
      ...each(disks, ({ part }) => Number(part.shape === '2.5')),
      ...each(supplies, ({ part }) => -part.driveLeads.reduce((sum, plugs) => sum + plugs, 0)),
      ...each(cases, ({ part }) => (part.hotSwap >= 12 ? -100 : 0)),
    ],
    '<=',
    0,
  )
  // What the supply gives for hours: everything at its most on four fifths of the rating.
  row(
    [
      ...each(boards, ({ part }) => part.loadW),
      ...each(processors, ({ part }) => part.maxW),
      ...each(memory, ({ part, count }) => count * part.powerW),
      ...each(drives, ({ pool }) => pool.activeW),
      ...each(supplies, ({ part }) => -0.8 * part.ratingW),
    ],
    '<=',
    0,
  )
  return {
    columns: [boards, cases, supplies, coolers, disks, controllers, processors, memory, drives]
      .flatMap(list => (list as Of<object>).map(entry => entry.column))
      .filter(({ refs, pool }) => refs.length > 0 || pool),
    rows,
  }
}

function asLines(columns: readonly Column[], rows: readonly Row[]): string {
  const sum = (factors: Row['factors']) =>
    factors
      .map(([{ name }, factor]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`)
      .join(' ')
  return [
    'Minimize',
    ` obj: ${sum(columns.map(column => [column, column.price]))}`,
    'Subject To',
    ...rows.map(({ factors, is, than }, at) => ` r${at}: ${sum(factors)} ${is} ${than}`),
    'Binary',
    ` ${columns.map(({ name }) => name).join(' ')}`,
    'End',
  ].join('\n')
}

type Highs = Awaited<ReturnType<typeof highsLoader>>

/** What a general solver ends with. */
export interface Solved {
  /** to pay now, by the assessment; null where nothing meets the need */
  readonly cost: number | null
  /** the same by the prices in its own columns */
  readonly linear: number | null
  /** proposals that failed a rule that is not linear */
  readonly ruledOut: number
}

/** A question of middle size: a plan, what is sold, and the drives that may be bought. */
export interface MiddleQuestion {
  readonly plan: Plan
  readonly catalogue: Catalogue
  readonly pools: readonly PoolOffer[]
}

export function middleQuestion(seed: number): MiddleQuestion {
  const draw = seededRandom(seed)
  const catalogue = middleCatalogue(draw)
  const plan = planSchema.parse(
    freely({
      name: 'x',
      household: { watchingHome: 1, converted: 0 },
      library: { otherTB: 1 + Math.floor(draw() * 40) },
      choices: { survivesAtLeast: Math.floor(draw() * 3) },
      system: { kind: 'server' },
      costs: { extras: Math.floor(draw() * 100) },
    }),
  )
  return { plan, catalogue, pools: poolOffers(plan, catalogue, { roomTB: 0, survives: 0 }) }
}

/** The least to pay by the product's own search; null where nothing meets the need. */
export function byOwnSearch({ plan, catalogue, pools }: MiddleQuestion): number | null {
  const { frames } = createBuildSearch(plan, catalogue)
  const { best } = finishSearch(
    createBuildSearch(plan, catalogue, { frames, pools }).search({
      objective: 'now',
      ways: ['selfBuilt'],
      cap: null,
    }),
  )
  return best?.found.evaluation.toPay ?? null
}

/**
 * The cheapest build by a general solver of mixed integer programs: the linear rules are its rows;
 * what it proposes is put through the assessment of the whole plan, and what fails one of the other
 * rules is ruled out by one more row, until the proposal passes.
 */
export function bySolver({ plan, catalogue, pools }: MiddleQuestion, highs: Highs): Solved {
  const evaluator = createBoxEvaluator(plan, catalogue, pools[0]!.drives)
  const poolRow = (pool: PoolOffer) => evaluator.pool({ key: pool.key, drives: pool.drives })
  const usable = pools.filter(pool => {
    const { space, survival } = poolRow(pool)
    return ![space, survival].some(state => state === 'short' || state === 'impossible')
  })
  if (usable.length === 0) return { cost: null, linear: null, ruledOut: 0 }
  const { columns, rows } = linearRows(catalogue, usable)
  for (let ruledOut = 0; ruledOut < 60; ruledOut++) {
    const { Status, Columns, ObjectiveValue } = highs.solve(asLines(columns, rows))
    if (Status !== 'Optimal') return { cost: null, linear: null, ruledOut }
    const chosen = columns.filter(({ name }) => Columns[name]!.Primal > 0.5)
    const refs = chosen.flatMap(({ refs: of }) => of)
    const pool = chosen.flatMap(({ pool: of }) => of ?? [])[0]!
    const board = partsOf(catalogue, 'board').find(({ id }) => refs.includes(id))!
    const counted = [...new Set(refs)].map(ref => ({
      ...newPart(ref),
      count: refs.filter(other => other === ref).length,
    }))
    const drives = poolRow(pool)
    const box = evaluator.box(
      {
        key: refs.join(' '),
        machine: freshMachine(plan.machine, { base: 'parts', parts: counted }, catalogue),
        system: plan.system.kind,
        serverPortMbps: Math.max(100, ...board.networkMbps) as Plan['network']['serverPortMbps'],
      },
      drives.copyOnWrite,
    )
    const evaluation = evaluator.evaluate(box, drives)
    const whole = { ...box.adopted, drives: pool.drives }
    const isRefused = systemRefusals(box.machine.system!, {
      context: planAssessor(1).facts(whole, catalogue, ['fitting']).fitting.context,
      wishes: plan.system,
      mixedSizes: false,
    } as never).some(({ code }) => code === 'layout' || code === 'arm' || code === 'onlyOn')
    if (!isRefused && lacksOf(evaluation).length === 0) {
      return { cost: evaluation.toPay, linear: ObjectiveValue + plan.costs.extras, ruledOut }
    }
    // Drives that are alike as far as fit goes fail with the same parts too.
    const alike = columns.filter(
      ({ pool: of }) => of && (isRefused ? of === pool : poolRow(of).fitKey === drives.fitKey),
    )
    const parts = chosen.filter(({ pool: of }) => !of)
    rows.push({
      factors: [...parts, ...alike].map(column => [column, 1]),
      is: '<=',
      than: parts.length,
    })
  }
  throw new Error('Too many builds fail rules that are not linear')
}
