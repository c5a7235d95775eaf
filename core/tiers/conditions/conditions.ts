import type { Catalogue } from '../../catalogue/catalogue'
import type { Assessment } from '../../assess'
import type { PlanPath } from '../../expressions/planPath'
import type { DrivesFacts } from '../../drives/drivesFacts'
import { howSold } from '../../drives/howSold'
import type { MachineBuild } from '../../machine/machineBuild'
import { warmDriveC } from '../../machine/place/heat'
import { compareSystems } from '../../machine/system/compareSystems'
import { automaticSystem, fromParts } from '../../plan/constants'
import type { Conditions } from '../../plan/conditions'
import type { Plan } from '../../plan/planSchema'
import { ampleShare } from '../../verdict'
import { assemblingSkill, mostSkill, skillAtHand } from './assemblingSkill'
import type { ConditionId, ConditionState } from './conditionIds'

/** A plan with a machine and drives in it, as far as conditions look at it. */
export interface JudgedBuild {
  readonly plan: Plan
  /** with the plan's own entries */
  readonly catalogue: Catalogue
  readonly facts: Pick<
    Assessment['domains'],
    'drives' | 'machine' | 'fitting' | 'streams' | 'library'
  >
}
type Judged = Exclude<ConditionState, 'off'>

/** What a practitioner would not do without: a part of the need that can be switched off. */
export interface Condition {
  readonly id: ConditionId
  readonly label: string
  /** of a build that does not meet it, as a clause: 'it is too loud' */
  readonly lacking: string
  /** what it is, in a sentence */
  readonly help: string
  /** field that it is set by */
  readonly field: PlanPath
  readonly isOn: (plan: Plan, catalogue: Pick<Catalogue, 'systemKinds'>) => boolean
  /** the plan with it switched on or off; null where only a field can be filled in */
  readonly switched: ((plan: Plan, on: boolean) => Plan) | null
  /** rules of fit of which not even a warning may be left */
  readonly rules?: readonly string[]
  readonly judge: (build: JudgedBuild) => Judged
}

type Toggle = {
  [Key in keyof Conditions]: Conditions[Key] extends boolean ? Key : never
}[keyof Conditions]
const withConditions = (plan: Plan, conditions: Partial<Conditions>): Plan => ({
  ...plan,
  conditions: { ...plan.conditions, ...conditions },
})
/** A condition that is one switch; `whenOn`: the value of the switch that asks for it. */
function byToggle(key: Toggle, whenOn = true): Pick<Condition, 'field' | 'isOn' | 'switched'> {
  return {
    field: `conditions.${key}`,
    isOn: ({ conditions }) => conditions[key] === whenOn,
    switched: (plan, on) => withConditions(plan, { [key]: on === whenOn }),
  }
}

/** As rules of fit say it: a warning fails; close to the limit is tight. */
function byRules(
  rules: readonly string[],
  isTight: (values: Readonly<Record<string, unknown>>) => boolean = () => false,
): Pick<Condition, 'rules' | 'judge'> {
  return {
    rules,
    judge: ({ facts: { fitting } }) => {
      const said = fitting.judged.filter(({ id }) => rules.includes(id))
      const states = said.map(({ state }) => state)
      if (states.some(state => state === 'fail' || state === 'warning')) return 'fails'
      if (states.includes('notKnown')) return 'notKnown'
      if (said.length === 0) return 'notAsked'
      return said.some(({ values }) => isTight(values as never)) ? 'tight' : 'met'
    },
  }
}

/** So close to what the place bears, dB(A), and to the warmest that drives should be, °C. */
export const tightDb = 1
export const tightC = 2

/** Chance of losing what cannot be replaced in a year; null where nothing is, or no drives are. */
export function lossPerYear({ pool }: Pick<DrivesFacts, 'pool'>): number | null {
  return pool && pool.survival.copies ? pool.perils.irreplaceable : null
}

/** Drives that are to be bought, by how they are sold; those of no model by their class. */
function boughtDrives({ plan: { drives }, catalogue }: JudgedBuild): string[] {
  return drives.lots
    .filter(({ condition }) => condition !== 'owned')
    .map(lot => howSold(lot, drives, catalogue))
}
const allNew = (sold: readonly string[], never: string): Judged =>
  sold.length === 0 ? 'notAsked' : sold.includes(never) ? 'fails' : 'met'

/** What of a machine is to be bought, by how it is sold. */
export function boughtParts({ plan, facts }: JudgedBuild): string[] {
  const { machine } = plan
  const { build } = facts.machine
  const isBought = (ref: string) =>
    machine.parts.some(part => part.ref === ref && part.condition !== 'owned')
  return [
    ...(build.base && machine.condition !== 'owned' ? [build.base.sold] : []),
    ...(build.isFromParts && build.board && isBought(build.board.id) ? [build.board.sold] : []),
    ...(build.processor && isBought(build.processor.id) ? [build.processor.sold] : []),
  ]
}

/** What it takes to put the machine together; nothing where it is there. */
export function assemblingOf({ base, isFromParts }: MachineBuild, owned: boolean): number {
  if (owned) return 1
  return base ? assemblingSkill[base.class] : isFromParts ? assemblingSkill.kit : 1
}

function judgeSkill({ plan, catalogue, facts: { machine, fitting } }: JudgedBuild): Judged {
  const limit = skillAtHand(plan, catalogue.systemKinds)
  const owned =
    plan.machine.base === fromParts
      ? plan.machine.parts.every(({ condition }) => condition === 'owned')
      : plan.machine.condition === 'owned'
  const rows = compareSystems(catalogue.systemKinds, {
    context: fitting.context,
    wishes: { ...plan.system, skillAtMost: limit },
    mixedSizes: new Set(plan.drives.lots.map(({ sizeTB }) => sizeTB)).size > 1,
    horizonYears: plan.choices.horizonYears,
  }).filter(({ rank }) => rank !== null)
  const isKept = plan.system.kind !== automaticSystem || machine.build.base?.class === 'appliance'
  const asked = Math.max(
    assemblingOf(machine.build, owned),
    isKept
      ? (machine.system?.skill ?? 1)
      : Math.min(...rows.map(({ kind }) => kind.skill), mostSkill + 1),
  )
  return asked > limit ? 'fails' : asked === limit ? 'tight' : 'met'
}

/** Every condition, in the order in which they are shown. */
export const conditions: readonly Condition[] = [
  {
    id: 'survives',
    label: 'Survives failed drives',
    lacking: 'too few drives may fail',
    help: 'As many drives as must may fail without loss of data.',
    field: 'choices.survivesAtLeast',
    isOn: ({ choices }) => choices.survivesAtLeast !== 0,
    switched: (plan, on) => ({
      ...plan,
      choices: { ...plan.choices, survivesAtLeast: on ? null : 0 },
    }),
    judge: ({ facts: { drives, library } }) =>
      library.empty || drives.asked.count === 0
        ? 'notAsked'
        : drives.pool === null || drives.pool.survival.drives === 'short'
          ? 'fails'
          : drives.pool.survival.drives === 'tight'
            ? 'tight'
            : 'met',
  },
  {
    id: 'loss',
    label: 'Unlikely to lose what is irreplaceable',
    lacking: 'what cannot be replaced is too likely lost',
    help: 'By all perils together, copies counted.',
    field: 'conditions.lossPerYearAtMost',
    isOn: ({ conditions: { limitsLoss } }) => limitsLoss,
    switched: (plan, on) => withConditions(plan, { limitsLoss: on }),
    judge: ({ plan, facts: { drives } }) => {
      const chance = lossPerYear(drives)
      const most = plan.conditions.lossPerYearAtMost
      if (chance === null) return 'notAsked'
      return chance > most ? 'fails' : chance > ampleShare * most ? 'tight' : 'met'
    },
  },
  {
    id: 'copyAway',
    label: 'A copy away',
    lacking: 'what cannot be replaced has no copy away',
    help: 'What cannot be replaced is copied to another place; the missing copy is bought along.',
    ...byToggle('copyAway'),
    judge: ({ facts: { drives } }) => {
      const copies = drives.pool?.survival.copies ?? null
      if (copies === null) return 'notAsked'
      return copies.is === 'away' || copies.is === 'twice' ? 'met' : 'fails'
    },
  },
  {
    id: 'noUsbLayouts',
    label: 'No layout over USB',
    lacking: 'drives that need each other hang on USB',
    help: 'When a cable drops out for a second, drives are missing and a rebuild begins.',
    ...byToggle('noUsbLayouts'),
    ...byRules(['usbParity']),
  },
  {
    id: 'quiet',
    label: 'Quiet enough there',
    lacking: 'it is too loud for its place',
    help: 'At the ear, while the drives seek, at the distance of the brief.',
    ...byToggle('quiet'),
    ...byRules(
      ['noise'],
      ({ atEarDb, ceilingDb }) => (atEarDb as number) > (ceilingDb as number) - tightDb,
    ),
  },
  {
    id: 'shelf',
    label: 'Stands where it is put',
    lacking: 'it does not stand on the shelf',
    help: 'Case and enclosures side by side, as far as the room is entered.',
    field: 'brief.shelfWidthMm',
    isOn: ({ brief: { shelfWidthMm, shelfHeightMm, shelfDepthMm } }) =>
      (shelfWidthMm ?? shelfHeightMm ?? shelfDepthMm) !== null,
    switched: null,
    ...byRules(['shelfPlace']),
  },
  {
    id: 'coolDrives',
    label: `Drives at most ${warmDriveC}\u00a0°C`,
    lacking: 'its drives get too warm',
    help: 'On the warmest day, by the air where each drive is.',
    ...byToggle('coolDrives'),
    ...byRules(['warmDrives'], values => (values.warmestC as number) > warmDriveC - tightC),
  },
  {
    id: 'fullRate',
    label: 'Full rate for hours',
    lacking: 'it gets too hot for a long load',
    help: 'Cooler and case carry away what the processor makes.',
    ...byToggle('fullRate'),
    ...byRules(['coolerHeat', 'closedCase']),
  },
  {
    id: 'newMachine',
    label: 'Machine new',
    lacking: 'its machine is refurbished or used',
    help: 'No refurbished or used machine, board or processor. What you own is never refused.',
    ...byToggle('refurbishedMachines', false),
    judge: build => {
      const sold = boughtParts(build)
      return sold.length === 0 ? 'notAsked' : sold.every(how => how === 'new') ? 'met' : 'fails'
    },
  },
  {
    id: 'newDrives',
    label: 'No refurbished drives',
    lacking: 'its drives are refurbished',
    help: 'No refurbished drives. What you own is never refused.',
    ...byToggle('refurbishedDrives', false),
    judge: build => allNew(boughtDrives(build), 'refurbished'),
  },
  {
    id: 'noExternalCases',
    label: 'No drives from external cases',
    lacking: 'its drives come from external cases',
    help: 'Drives that are taken out of a case usually lose their warranty.',
    ...byToggle('externalCaseDrives', false),
    judge: build => allNew(boughtDrives(build), 'fromExternalCase'),
  },
  {
    id: 'skill',
    label: 'Within your skill',
    lacking: 'it asks for more skill than is at hand',
    help: 'Of its system, and of putting it together: 3 of 5 where you do not say.',
    field: 'system.skillAtMost',
    isOn: (plan, { systemKinds }) => skillAtHand(plan, systemKinds) < mostSkill,
    switched: (plan, on) => ({
      ...plan,
      system: { ...plan.system, skillAtMost: on ? null : mostSkill },
    }),
    judge: judgeSkill,
  },
  {
    id: 'systemApart',
    label: 'System apart from the data',
    lacking: 'its system has no disk of its own',
    help: 'On an SSD, or on a stick where the system is made for it.',
    ...byToggle('systemApart'),
    ...byRules(['bootDevice']),
  },
  {
    id: 'madeForConversion',
    label: 'Made for conversion',
    lacking: 'a small ARM board would have to convert',
    help: 'A small ARM board counts for what plays as it is.',
    ...byToggle('madeForConversion'),
    judge: ({ plan, facts: { machine, streams } }) =>
      streams.needed.needed === 0
        ? 'notAsked'
        : isSmallArm(machine.build, plan.machine.condition === 'owned')
          ? 'fails'
          : 'met',
  },
  {
    id: 'spareBays',
    label: 'Bays to spare',
    lacking: 'it has too few bays to spare',
    help: 'For drives that are added later.',
    field: 'conditions.spareBays',
    isOn: ({ conditions: { spareBays } }) => spareBays > 0,
    switched: (plan, on) => withConditions(plan, { spareBays: on ? 1 : 0 }),
    judge: ({ plan, facts: { machine } }) =>
      machine.freeBays < plan.conditions.spareBays
        ? 'fails'
        : machine.freeBays === plan.conditions.spareBays
          ? 'tight'
          : 'met',
  },
]

/** A bought board with a small ARM chip. */
export function isSmallArm(
  { processor }: Pick<MachineBuild, 'processor'>,
  owned: boolean,
): boolean {
  return !owned && processor?.runs === 'ARM'
}

/** A condition with its state at a build. */
export interface JudgedCondition {
  readonly id: ConditionId
  readonly state: ConditionState
}

/** What every condition is at a build: off where it is not asked for. */
export function judgeConditions(build: JudgedBuild): JudgedCondition[] {
  return conditions.map(({ id, isOn, judge }) => ({
    id,
    state: isOn(build.plan, build.catalogue) ? judge(build) : 'off',
  }))
}
