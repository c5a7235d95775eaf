import type { Catalogue } from './catalogue/catalogue'
import { effectiveCatalogue } from './calibration/effectiveCatalogue'
import type { Domain, FactsOf, Telling } from './domain'
import { CoreRangeError } from './errors'
import type { Figure } from './figure'
import { type Finding, worstFirst } from './finding'
import type { Plan } from './plan/planSchema'
import { sameValue } from './sameValue'
import { formatOf, type Format } from './units/format'
import { byHeadroomOrder, type Verdict } from './verdict'

/** What is known of a plan: facts by domain, and what they say. */
export interface AssessmentOf<Domains extends readonly Domain[]> {
  /** by id */
  readonly figures: Readonly<Record<string, Figure>>
  /** in the order of the headroom line */
  readonly verdicts: readonly Verdict[]
  /** worst first */
  readonly findings: readonly Finding[]
  /** the facts behind them, by domain: plain numbers, for pictures, comparisons and the search */
  readonly domains: FactsOf<Domains>
}

interface Entry {
  readonly slice: object
  readonly facts: unknown
  told: { readonly format: Format; readonly telling: Telling } | null
}

/** Assesses plans, and remembers what it worked out for the last few of them. */
export interface Assessor<Domains extends readonly Domain[]> {
  readonly assess: (plan: Plan, catalogue: Catalogue, format?: Format) => AssessmentOf<Domains>
  /** the facts alone, without a word; only of the domains asked for, and of those they need */
  readonly facts: <Id extends Domains[number]['id']>(
    plan: Plan,
    catalogue: Catalogue,
    only: readonly Id[],
  ) => Pick<FactsOf<Domains>, Id>
  /** ids of the domains whose facts the last call worked out anew */
  readonly ran: readonly string[]
}

/** Domains so that each stands behind those it needs. */
export function inOrderOfNeeds(domains: readonly Domain[]): Domain[] {
  const ordered: Domain[] = []
  const visit = (domain: Domain, above: readonly string[]): void => {
    if (ordered.includes(domain)) return
    if (above.includes(domain.id))
      throw new CoreRangeError('DOMAIN_CIRCLE', { domains: [...above, domain.id] })
    for (const id of domain.needs) {
      const needed = domains.find(candidate => candidate.id === id)
      if (!needed) throw new CoreRangeError('DOMAIN_NEED', { domain: domain.id, needs: id })
      visit(needed, [...above, domain.id])
    }
    ordered.push(domain)
  }
  domains.forEach(domain => visit(domain, []))
  return ordered
}

/** @throws {CoreRangeError} FIGURE_TWICE: two figures of one id */
function byId(list: readonly Figure[]): Record<string, Figure> {
  const figures: Record<string, Figure> = {}
  for (const figure of list) {
    if (figures[figure.id]) throw new CoreRangeError('FIGURE_TWICE', { id: figure.id })
    figures[figure.id] = figure
  }
  return figures
}

/** The figures of a telling, declared once however many assessments share it. */
const declared = new WeakMap<Telling, readonly Figure[]>()
function figuresOf(telling: Telling): readonly Figure[] {
  const known = declared.get(telling)
  if (known) return known
  const figures = telling.figures()
  declared.set(telling, figures)
  return figures
}

/** The shipped catalogue with a plan's own entries, kept for the last few plans. */
function rememberedCatalogues(remember: number): (plan: Plan, shipped: Catalogue) => Catalogue {
  const catalogues: { readonly own: readonly unknown[]; readonly catalogue: Catalogue }[] = []
  return (plan, shipped) => {
    const own = [
      plan.calibration.workTable,
      plan.calibration.trials,
      plan.calibration.countsFrom,
      plan.household.capabilitySets,
      plan.machine.ownParts,
      plan.system.ownKinds,
      shipped,
    ]
    const known = catalogues.find(entry => sameValue(entry.own, own))
    if (known) return known.catalogue
    const catalogue = effectiveCatalogue(plan, shipped)
    catalogues.unshift({ own, catalogue })
    catalogues.splice(remember)
    return catalogue
  }
}

/** Some domains with all that they need, in the order in which they are run. */
function rememberedClosures(
  ordered: readonly Domain[],
): (only: readonly string[]) => readonly Domain[] {
  const closures = new Map<string, readonly Domain[]>()
  return only => {
    const key = only.join(' ')
    const known = closures.get(key)
    if (known) return known
    const needed = new Set<string>(only)
    for (const domain of [...ordered].reverse())
      if (needed.has(domain.id)) domain.needs.forEach(id => needed.add(id))
    const closure = ordered.filter(domain => needed.has(domain.id))
    closures.set(key, closure)
    return closure
  }
}

/**
 * An assessor of these domains. It owns its memory: each domain's last few results, by the values
 * that its `read` returned.
 * @param remember results kept for each domain, >= 1
 * @throws {CoreRangeError} DOMAIN_NEED, DOMAIN_CIRCLE: the domains do not fit together;
 *   FIGURE_TWICE: two figures of one id
 */
export function createAssessor<const Domains extends readonly Domain[]>(
  domains: Domains,
  remember = 2,
): Assessor<Domains> {
  const ordered = inOrderOfNeeds(domains)
  const memory = new Map<string, Entry[]>(ordered.map(({ id }) => [id, []]))
  const catalogueFor = rememberedCatalogues(remember)
  const closureOf = rememberedClosures(ordered)
  let ran: string[] = []

  function entriesOf(
    plan: Plan,
    shipped: Catalogue,
    only: readonly Domain[] = ordered,
  ): Map<string, Entry> {
    const catalogue = catalogueFor(plan, shipped)
    const needed: Record<string, unknown> = {}
    const entries = new Map<string, Entry>()
    ran = []
    for (const { id, read, facts } of only) {
      const slice = read(plan, catalogue, needed as never)
      const known = memory.get(id)!
      let entry = known.find(candidate => sameValue(candidate.slice, slice))
      if (!entry) {
        entry = { slice, facts: facts(slice as never), told: null }
        ran.push(id)
        known.unshift(entry)
        known.splice(remember)
      }
      needed[id] = entry.facts
      entries.set(id, entry)
    }
    return entries
  }
  function tellingOf({ tell }: Domain, entry: Entry, format: Format): Telling {
    if (entry.told?.format !== format)
      entry.told = { format, telling: tell(entry.facts as never, entry.slice as never, format) }
    return entry.told.telling
  }
  const factsIn = (entries: Map<string, Entry>) =>
    Object.fromEntries([...entries].map(([id, { facts }]) => [id, facts])) as FactsOf<Domains>
  return {
    facts: (plan, shipped, only) => factsIn(entriesOf(plan, shipped, closureOf(only))),
    assess(plan, shipped, format = formatOf({ locale: 'en', currency: plan.brief.currency })) {
      const entries = entriesOf(plan, shipped)
      const tellings = domains.map(domain => tellingOf(domain, entries.get(domain.id)!, format))
      let figures: Record<string, Figure> | null = null
      return {
        get figures() {
          return (figures ??= byId(tellings.flatMap(figuresOf)))
        },
        verdicts: byHeadroomOrder(tellings.flatMap(telling => telling.verdicts)),
        findings: worstFirst(tellings.flatMap(telling => telling.findings)),
        domains: factsIn(entries),
      }
    },
    get ran() {
      return ran
    },
  }
}
