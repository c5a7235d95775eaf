// Prints every string that a reader of Numeron may meet, view by view, so that they can be read in
// one go:
// `npm run strings`, or `npm run strings household` for one view. Not a test.
import { readFileSync, readdirSync } from 'node:fs'
import { basename } from 'node:path'
import ts from 'typescript'
import { parse } from 'vue/compiler-sfc'

const views = [
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
  'start',
  'plans',
  'common',
  'charts',
  'plan',
  'catalogue',
  'units',
  'formats',
  'server',
]
/** Attributes whose values are read or spoken. */
const spoken = new Set([
  'label',
  'title',
  'placeholder',
  'question',
  'aria-label',
  'add',
  'name',
  'detail',
  'heading',
])
/** What looks like a sentence or a name: words with a space between, or one word with a capital. */
const isRead = text =>
  /[a-z]/.test(text) &&
  (/\S \S/.test(text) || /^[A-Z][a-z]+/.test(text)) &&
  !/^[\w-]+(\.[\w-]+)+$/.test(text) &&
  !/^(import|M\d|[a-z-]+: )/.test(text)

function literals(code) {
  const found = []
  const visit = node => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) found.push(node.text)
    else if (ts.isTemplateExpression(node))
      found.push(
        [node.head.text, ...node.templateSpans.map(span => `…${span.literal.text}`)].join(''),
      )
    ts.forEachChild(node, visit)
  }
  visit(ts.createSourceFile('x.ts', code, ts.ScriptTarget.Latest))
  return found
}
function templateTexts(node, found = []) {
  if (node.type === 2) found.push(node.content.trim())
  for (const prop of node.props ?? []) {
    if (prop.type === 6 && spoken.has(prop.name) && prop.value) found.push(prop.value.content)
    if (prop.type === 7 && prop.exp?.content) found.push(...literals(`(${prop.exp.content})`))
  }
  if (node.type === 5) found.push(...literals(`(${node.content.content})`))
  for (const child of node.children ?? []) templateTexts(child, found)
  return found
}
function stringsOf(file) {
  const source = readFileSync(file, 'utf8')
  if (!file.endsWith('.vue')) return literals(source)
  const { descriptor } = parse(source)
  return [
    ...(descriptor.template?.ast ? templateTexts(descriptor.template.ast) : []),
    ...literals(descriptor.scriptSetup?.content ?? ''),
  ]
}

const all = ['app', 'core', 'server']
  .flatMap(folder => readdirSync(folder, { recursive: true }).map(file => `${folder}/${file}`))
  .filter(file => /\.(ts|vue)$/.test(file) && !/\.(test|bench)\.ts$/.test(file))
  .sort()
/** The view whose strings a file holds: by its folder. */
const viewOf = file =>
  file.startsWith('server/')
    ? 'server'
    : /^app\/pages\/plans\/index/.test(file)
      ? 'plans'
      : (/^app\/pages\/plans\/\[id\]\/(\w+)/.exec(file)?.[1] ??
        /^(?:app\/components|core)\/(\w+)\//.exec(file)?.[1] ??
        'common')

const only = process.argv[2]
for (const view of views.filter(candidate => !only || candidate === only)) {
  console.log(`\n## ${view}`)
  for (const file of all.filter(candidate => viewOf(candidate) === view)) {
    const strings = [
      ...new Set(
        stringsOf(file)
          .map(text => text.replace(/\s+/g, ' ').trim())
          .filter(isRead),
      ),
    ]
    if (strings.length)
      console.log(`\n${basename(file)}\n${strings.map(text => `  ${text}`).join('\n')}`)
  }
}
