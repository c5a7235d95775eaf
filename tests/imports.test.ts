import { readFileSync, readdirSync } from 'node:fs'
import { dirname, join, normalize } from 'node:path'
import ts from 'typescript'
import { layouts } from '../core/drives/layouts/layouts'
import { describe, expect, it } from 'vitest'

interface Arrow {
  readonly target: string
  /** erased when it is built: only the types of the target are used */
  readonly isType: boolean
  /** fetched later, when it is asked for */
  readonly isLater: boolean
}

/** What a module imports, read as the compiler reads it; of a component its script. */
function importsOf(path: string): Arrow[] {
  const text = readFileSync(path, 'utf8')
  const code = path.endsWith('.vue')
    ? [...text.matchAll(/<script[^>]*>([\s\S]*?)<\/script>/g)].map(match => match[1]).join('\n')
    : text
  const source = ts.createSourceFile(path, code, ts.ScriptTarget.Latest, false, ts.ScriptKind.TS)
  const found: Arrow[] = []
  const add = (specifier: ts.Expression | undefined, isType: boolean, isLater: boolean) => {
    if (!specifier || !ts.isStringLiteral(specifier)) return
    const { text: target } = specifier
    const base = target.startsWith('~~/')
      ? target.slice(3)
      : target.startsWith('~/')
        ? `app/${target.slice(2)}`
        : target.startsWith('.')
          ? normalize(join(dirname(path), target))
          : target
    found.push({ target: base, isType, isLater })
  }
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node)) {
      const clause = node.importClause
      const bindings = clause?.namedBindings
      const names = bindings && ts.isNamedImports(bindings) ? bindings.elements : []
      const onlyTypes = names.length > 0 && !clause?.name && names.every(name => name.isTypeOnly)
      add(node.moduleSpecifier, Boolean(clause?.isTypeOnly) || onlyTypes, false)
    } else if (ts.isExportDeclaration(node)) add(node.moduleSpecifier, node.isTypeOnly, false)
    else if (ts.isCallExpression(node) && node.expression.kind === ts.SyntaxKind.ImportKeyword)
      add(node.arguments[0], false, true)
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

/** Every module of the project with what it imports, as paths from the root. */
function modules(): Map<string, Arrow[]> {
  const paths = ['core', 'app', 'server'].flatMap(top =>
    readdirSync(top, { recursive: true, withFileTypes: true })
      .filter(entry => entry.isFile() && /\.(ts|vue)$/.test(entry.name))
      .filter(entry => !/\.(test|bench)\.ts$/.test(entry.name))
      .map(entry => join(entry.parentPath, entry.name)),
  )
  const known = new Set(paths)
  const whole = (arrow: Arrow): Arrow =>
    known.has(`${arrow.target}.ts`) ? { ...arrow, target: `${arrow.target}.ts` } : arrow
  return new Map(paths.map(path => [path, importsOf(path).map(whole)]))
}

const all = modules()
const within = (folder: string, path: string) => path === folder || path.startsWith(`${folder}/`)
/**
 * Leaf rooms hold data and rival rules: they know units, figures and errors only, and the plan may
 * read their lists.
 */
const leaves = ['core/units', 'core/catalogue', 'core/drives/layouts', 'core/formats']
const ground =
  /^core\/(units\/|catalogue\/|drives\/layouts\/|formats\/|(errors|figure|band|verdict|headrooms|finding)\.ts$)/
/** Folders of the core that are no domains: ground, document, and how figures are declared. */
const noDomains = ['units', 'catalogue', 'formats', 'plan', 'expressions']
const domains = readdirSync('core', { withFileTypes: true })
  .filter(entry => entry.isDirectory() && !noDomains.includes(entry.name))
  .map(entry => entry.name)

function arrows(from: string): [string, string][] {
  return [...all]
    .filter(([path]) => within(from, path))
    .flatMap(([path, imports]) => imports.map(({ target }): [string, string] => [path, target]))
}

/** Sets of modules that import each other in a circle. */
function circles(follows: (arrow: Arrow) => boolean): string[][] {
  const found: string[][] = []
  const order = new Map<string, number>()
  const least = new Map<string, number>()
  const waiting: string[] = []
  const visit = (path: string): void => {
    order.set(path, order.size)
    least.set(path, order.get(path)!)
    waiting.push(path)
    for (const arrow of all.get(path)!) {
      const { target } = arrow
      if (!follows(arrow) || !all.has(target)) continue
      if (!order.has(target)) visit(target)
      if (waiting.includes(target)) least.set(path, Math.min(least.get(path)!, least.get(target)!))
    }
    if (least.get(path) !== order.get(path)) return
    const circle = waiting.splice(waiting.indexOf(path))
    if (circle.length > 1) found.push(circle.sort())
  }
  for (const path of all.keys()) if (!order.has(path)) visit(path)
  return found
}

describe('the direction of imports', () => {
  it('finds the project', () => expect(all.size).toBeGreaterThan(80))

  it('core knows neither app nor server, and of packages only plain computing', () => {
    const allowed = /^(core\/|zod$|d3-array$|d3-dsv$|pure-rand\/|tinyqueue$|yalps$)/
    expect(arrows('core').filter(([, target]) => !allowed.test(target))).toEqual([])
  })
  it('app and server never import each other', () => {
    expect(arrows('app').filter(([, target]) => within('server', target))).toEqual([])
    expect(arrows('server').filter(([, target]) => within('app', target))).toEqual([])
  })
  it('units import nothing of the core but its errors, and what an estimate is', () => {
    expect(
      arrows('core/units').filter(
        ([, target]) =>
          target.startsWith('core/') && !/^core\/(units\/|(errors|figure)\.ts$)/.test(target),
      ),
    ).toEqual([])
  })
  it('the leaf rooms know no plan and no domain', () => {
    for (const leaf of leaves) {
      // The demo plan is data of the plan's own type.
      const wrong = arrows(leaf).filter(
        ([path, target]) =>
          target.startsWith('core/') && !ground.test(target) && !path.endsWith('tideMillHouse.ts'),
      )
      expect(wrong).toEqual([])
    }
  })
  it('the plan knows the leaf rooms, but no domain', () => {
    expect(
      arrows('core/plan').filter(
        ([, target]) =>
          target.startsWith('core/') && !ground.test(target) && !within('core/plan', target),
      ),
    ).toEqual([])
  })
  it('domains never import in a circle', () => {
    const edges = new Map<string, Set<string>>()
    for (const domain of domains) {
      const targets = arrows(`core/${domain}`)
        .filter(([path]) => !leaves.some(leaf => within(leaf, path)))
        .map(([, target]) => target.split('/'))
        .filter(
          ([top, folder]) =>
            top === 'core' && folder !== undefined && domains.includes(folder) && folder !== domain,
        )
        .filter(parts => !leaves.includes(parts.slice(0, 3).join('/')))
        .map(parts => parts[1]!)
      edges.set(domain, new Set(targets))
    }
    const visit = (domain: string, above: readonly string[]): void => {
      expect(above, `${[...above, domain].join(' → ')}`).not.toContain(domain)
      edges.get(domain)?.forEach(next => visit(next, [...above, domain]))
    }
    domains.forEach(domain => visit(domain, []))
  })
  it('domains are found by themselves', () => {
    expect(domains).toEqual(expect.arrayContaining(['household', 'drives', 'tiers', 'ownership']))
    expect(domains.length).toBeGreaterThanOrEqual(9)
  })
  it('no module imports itself by way of others, not even for a type', () => {
    expect(circles(({ isLater }) => !isLater)).toEqual([])
  })
  it('figures are declared without knowing a domain', () => {
    const known = /^core\/(expressions|units)\/|^core\/(errors|figure|band)\.ts$/
    const wrong = arrows('core/expressions').filter(
      ([, target]) =>
        target.startsWith('core/') && !known.test(target) && target !== 'core/plan/planSchema.ts',
    )
    expect(wrong).toEqual([])
  })
  it('only the tiers and assess put a whole assessment together', () => {
    const callers = [...all]
      .filter(
        ([path, imports]) =>
          within('core', path) && imports.some(({ target }) => target === 'core/assess.ts'),
      )
      .map(([path]) => path)
    expect(callers.filter(path => !within('core/tiers', path))).toEqual([])
    expect(callers.length).toBeGreaterThan(0)
  })
  it('pages stay thin and components do not fetch', () => {
    expect(
      arrows('app/components').filter(([, target]) => target === 'app/services/planApi.ts'),
    ).toEqual([])
  })
  it('the first view is drawn without the schema, its validation, fields, and comparisons', () => {
    /** What a module brings with it when it is loaded: neither types nor what it fetches later. */
    const brings = (path: string) =>
      all.get(path)!.flatMap(({ target, isType, isLater }) => (isType || isLater ? [] : [target]))
    const reached = new Set<string>()
    const visit = (path: string): void => {
      if (reached.has(path)) return
      reached.add(path)
      if (all.has(path)) brings(path).forEach(visit)
    }
    ;['app/pages/plans/[id].vue', 'app/pages/plans/[id]/index.vue'].forEach(visit)
    expect(reached).toContain('core/assess.ts')
    expect(reached.size).toBeGreaterThan(100)
    expect(
      [...reached].filter(
        path =>
          path === 'zod' ||
          within('core/tiers', path) ||
          /core\/plan\/(planSchema|fields|planField)\.ts$|components\/common\/PlanField\.vue$/.test(
            path,
          ),
      ),
    ).toEqual([])
  })
})

describe('a layout says all about itself', () => {
  it('so that nothing outside its file decides by the id of one', () => {
    const ids = layouts.map(({ id }) => id)
    const families = [...new Set(ids.map(id => id.replace(/-\d$/, '')))]
    const decides = new RegExp(
      `[!=]== '(${ids.join('|')})'|'(${ids.join('|')})' [!=]==|` +
        `/\\^?\\(?(${families.join('|')})\\b.*/\\.test|startsWith\\('(${families.join('|')})`,
    )
    const wrong = [...all.keys()]
      .filter(path => !within('core/drives/layouts', path) && !within('core/plan/migrations', path))
      .flatMap(path =>
        readFileSync(path, 'utf8')
          .split('\n')
          .filter(line => decides.test(line))
          .map(line => `${path}: ${line.trim()}`),
      )
    expect(wrong).toEqual([])
    expect("if (layoutId === 'pairs')").toMatch(decides)
  })
})

describe('a component', () => {
  it('has a file name of its own, by which templates and people find it', () => {
    const names = [...all.keys()]
      .filter(path => within('app/components', path) && path.endsWith('.vue'))
      .map(path => path.split('/').at(-1)!)
    expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([])
  })
})
