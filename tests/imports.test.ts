import { readFileSync, readdirSync } from 'node:fs'
import { dirname, join, normalize } from 'node:path'
import { describe, expect, it } from 'vitest'

/** Every module of the project with what it imports, as paths from the root. */
function modules(): Map<string, string[]> {
  const found = new Map<string, string[]>()
  for (const top of ['core', 'app', 'server']) {
    for (const entry of readdirSync(top, { recursive: true, withFileTypes: true })) {
      if (
        !entry.isFile() ||
        !/\.(ts|vue)$/.test(entry.name) ||
        /\.(test|bench)\.ts$/.test(entry.name)
      )
        continue
      const path = join(entry.parentPath, entry.name)
      const imports = [
        ...readFileSync(path, 'utf8').matchAll(/(?:from|import)\s*\(?\s*'([^']+)'/g),
      ].map(([, target = '']) => {
        if (target.startsWith('~~/')) return target.slice(3)
        if (target.startsWith('~/')) return `app/${target.slice(2)}`
        return target.startsWith('.') ? normalize(join(dirname(path), target)) : target
      })
      found.set(path, imports)
    }
  }
  return found
}

const all = modules()
const within = (folder: string, path: string) => path === folder || path.startsWith(`${folder}/`)
/**
 * Leaf rooms hold data and rival rules: they know units, figures and errors only, and the plan may
 * read their lists.
 */
const leaves = ['core/units', 'core/catalogue', 'core/drives/layouts', 'core/formats']
const ground =
  /^core\/(units\/|catalogue\/|drives\/layouts\/|formats\/|errors$|figure$|band$|verdict$|finding$)/
const domains = [
  'brief',
  'household',
  'library',
  'playback',
  'streams',
  'drives',
  'network',
  'machine',
  'tiers',
  'ownership',
]

function arrows(from: string): [string, string][] {
  return [...all]
    .filter(([path]) => within(from, path))
    .flatMap(([path, imports]) => imports.map(target => [path, target] as [string, string]))
}

describe('the direction of imports', () => {
  it('finds the project', () => expect(all.size).toBeGreaterThan(80))

  it('core knows neither app nor server, and of packages only plain computing', () => {
    const allowed = /^(core\/|zod$|d3-array$|d3-dsv$|pure-rand\/)/
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
          target.startsWith('core/') && !/^core\/(units\/|errors$|figure$)/.test(target),
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
  it('only the tiers and assess put a whole assessment together', () => {
    const callers = [...all]
      .filter(([path, imports]) => within('core', path) && imports.includes('core/assess'))
      .map(([path]) => path)
    expect(callers.filter(path => !within('core/tiers', path))).toEqual([])
    expect(callers.length).toBeGreaterThan(0)
  })
  it('pages stay thin and components do not fetch', () => {
    expect(
      arrows('app/components').filter(([, target]) => target === 'app/services/planApi'),
    ).toEqual([])
  })
  it('the first view is drawn without the schema, its validation, fields, and comparisons', () => {
    /** What a module brings with it when it is loaded: neither types nor what it fetches later. */
    const brings = (path: string) =>
      [
        ...readFileSync(path, 'utf8')
          .replace(/import\s+type[^']*'[^']+'/g, '')
          .matchAll(/^(?:import|export)\s(?:[^']*?from\s)?'([^']+)'/gm),
      ].flatMap(([, target = '']) => {
        const base = target.startsWith('~~/')
          ? target.slice(3)
          : target.startsWith('~/')
            ? `app/${target.slice(2)}`
            : target.startsWith('.')
              ? normalize(join(dirname(path), target))
              : target
        return [base, `${base}.ts`].find(candidate => all.has(candidate)) ?? base
      })
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
