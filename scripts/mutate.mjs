// Changes the core by lot, one place at a time, and runs the tests that know the file: a change
// that no test notices is told.
// Usage: npm run mutate -- --seed 7 [--count 100] [--only core/drives]
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { dirname, join } from 'node:path'
import { parseArgs } from 'node:util'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformInt } from 'pure-rand/distribution/uniformInt'
import ts from 'typescript'

const { values } = parseArgs({
  options: {
    seed: { type: 'string', default: '1' },
    count: { type: 'string', default: '100' },
    only: { type: 'string', default: 'core' },
  },
})
const generator = xoroshiro128plus(Number(values.seed))
const below = count => uniformInt(generator, 0, count - 1)

const files = readdirSync('core', { recursive: true })
  .map(name => join('core', name))
  .filter(path => path.startsWith(values.only))
  .filter(path => path.endsWith('.ts') && !/\.(test|bench)\.ts$/.test(path))
  // Models, demo plan and words of fields are data: they are changed at will.
  .filter(
    path => !/^core\/(catalogue\/(?!hardware\/own)|plan\/(?!read|edit|paths|keptAside))/.test(path),
  )

const other = {
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '&&': '||',
  '||': '&&',
}

/** Every place of a file that can be changed, with what it is changed to. */
function placesOf(path) {
  const text = readFileSync(path, 'utf8')
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true)
  const places = []
  const visit = node => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node))
      return
    if (ts.isBinaryExpression(node)) {
      const sign = node.operatorToken.getText(source)
      const isText = /['"`]/.test(node.getText(source))
      if (other[sign] && !(sign === '+' && isText))
        places.push({
          at: node.operatorToken.getStart(source),
          from: sign,
          to: other[sign],
        })
    } else if (ts.isNumericLiteral(node)) {
      const value = Number(node.text.replaceAll('_', ''))
      places.push({
        at: node.getStart(source),
        from: node.getText(source),
        to: value === 0 ? '1' : String(value * 1.1 + (Number.isInteger(value) ? 0.9 : 0)),
      })
    }
    ts.forEachChild(node, visit)
  }
  visit(source)
  return places.map(place => ({ path, text, ...place }))
}

function fails(args) {
  const projects = ['core', 'project'].flatMap(name => ['--project', name])
  const { status } = spawnSync('npx', ['vitest', ...args, ...projects, '--bail=1'], {
    stdio: 'ignore',
    timeout: 600_000,
  })
  return status !== 0
}

const all = files.flatMap(placesOf)
const survived = []
const count = Math.min(Number(values.count), all.length)
for (let made = 0; made < count; made++) {
  const { path, text, at, from, to } = all[below(all.length)]
  writeFileSync(path, text.slice(0, at) + to + text.slice(at + from.length))
  let noticed
  try {
    // The tests beside it first: most changes are noticed there.
    noticed = fails(['run', dirname(path)]) || fails(['related', path, '--run'])
  } finally {
    writeFileSync(path, text)
  }
  const line = text.slice(0, at).split('\n').length
  const told = `${path}:${line} ${from} → ${to}`
  console.log(`${String(made + 1).padStart(3)} ${noticed ? 'noticed ' : 'SURVIVED'} ${told}`)
  if (!noticed) survived.push(told)
}
console.log(`${survived.length} of ${count} changes survived (seed ${values.seed}).`)
process.exit(survived.length > count / 10 ? 1 : 0)
