import { spawnSync } from 'node:child_process'
import {
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { foldedPath } from '../core/commissioning/names/caseClashes'
import { renameScript, shellWord } from '../core/commissioning/names/renameScript'
import { drawFrom } from './plans/drawPlan'

type Tree = Record<string, string>
const made: string[] = []
function treeOf(files: Tree): string {
  const root = mkdtempSync(join(tmpdir(), 'numeron-names-'))
  made.push(root)
  for (const [path, content] of Object.entries(files)) {
    mkdirSync(dirname(join(root, path)), { recursive: true })
    writeFileSync(join(root, path), content)
  }
  return root
}
/** Every file with its bytes, every folder as '/', every link as where it leads. */
function read(root: string, at = ''): Tree {
  const found: Tree = {}
  for (const name of readdirSync(join(root, at))) {
    const path = at === '' ? name : `${at}/${name}`
    const state = lstatSync(join(root, path))
    if (state.isSymbolicLink()) found[path] = `-> ${readlinkSync(join(root, path))}`
    else if (state.isDirectory()) {
      found[`${path}/`] = ''
      Object.assign(found, read(root, path))
    } else found[path] = readFileSync(join(root, path), 'utf8')
  }
  return found
}
afterEach(() => made.splice(0).forEach(root => rmSync(root, { recursive: true, force: true })))

const own = ['numeron-undo.sh', '.numeron-done', '.numeron-made', 'rename.sh']
const withoutOwn = (tree: Tree): Tree =>
  Object.fromEntries(Object.entries(tree).filter(([path]) => !own.includes(path)))
function start(root: string, script: string, ...args: string[]) {
  writeFileSync(join(root, 'rename.sh'), script)
  return spawnSync('sh', ['rename.sh', ...args], { cwd: root, encoding: 'utf8' })
}
const goBack = (root: string, ...args: string[]) =>
  spawnSync('sh', ['numeron-undo.sh', ...args], { cwd: root, encoding: 'utf8' })

/** Renames a tree, looks that every file has its bytes, and takes it back. */
function thereAndBack(files: Tree, renames: readonly { from: string; to: string }[]): void {
  const root = treeOf(files)
  const before = read(root)
  const script = renameScript(renames)
  writeFileSync(join(root, 'rename.sh'), script)
  expect(spawnSync('sh', ['-n', 'rename.sh'], { cwd: root }).status).toBe(0)
  const printed = start(root, script)
  expect(printed.stderr).toBe('')
  expect(printed.status).toBe(0)
  expect(withoutOwn(read(root))).toEqual(before)
  const done = start(root, script, 'run')
  expect(done.stderr).toBe('')
  expect(done.status).toBe(0)
  const targets = new Map(renames.map(({ from, to }) => [from, to]))
  const after = read(root)
  for (const [path, content] of Object.entries(files))
    expect(after[targets.get(path) ?? path]).toBe(content)
  const isFile = (path: string) => !path.endsWith('/')
  expect(Object.keys(withoutOwn(after)).filter(isFile)).toHaveLength(Object.keys(files).length)
  expect(spawnSync('sh', ['-n', 'numeron-undo.sh'], { cwd: root }).status).toBe(0)
  expect(goBack(root).status).toBe(0)
  expect(withoutOwn(read(root))).toEqual(withoutOwn(after))
  const back = goBack(root, 'run')
  expect(back.stderr).toBe('')
  expect(back.status).toBe(0)
  expect(withoutOwn(read(root))).toEqual(before)
}

describe('the script of new names', () => {
  it('quotes any text as one word', () => {
    expect(shellWord("it's")).toBe("'it'\\''s'")
  })
  it('gives hostile names to hostile names, and takes them back', () => {
    thereAndBack(
      {
        'films/it\'s $(touch x) `y` "z".mkv': 'a',
        'films/-rf': 'b',
        'films/two\nlines.mkv': 'c',
        'films/*?[a].mkv': 'd',
        'films/ blank .mkv': 'e',
        'films/back\\slash': 'f',
        'films/ünï.mkv': 'g',
        'films/NUMERON_END': 'h',
        'films/keep.mkv': 'i',
      },
      [
        { from: 'films/it\'s $(touch x) `y` "z".mkv', to: "films/It's (1978)/It's (1978).mkv" },
        { from: 'films/-rf', to: 'films/-n' },
        { from: 'films/two\nlines.mkv', to: 'films/-d\n/one\nline' },
        { from: 'films/*?[a].mkv', to: 'films/[!b]*.mkv' },
        { from: 'films/ blank .mkv', to: 'films/blank.mkv' },
        { from: 'films/back\\slash', to: 'films/a\\b' },
        { from: 'films/ünï.mkv', to: 'films/Ünï.mkv' },
        { from: 'films/NUMERON_END', to: 'films/$HOME' },
      ],
    )
  })
  it('swaps, goes along chains and round circles, and changes case alone', () => {
    thereAndBack({ a: '1', b: '2', c: '3', d: '4', e: '5', Case: '6' }, [
      { from: 'a', to: 'b' },
      { from: 'b', to: 'c' },
      { from: 'c', to: 'a' },
      { from: 'd', to: 'e' },
      { from: 'e', to: 'f' },
      { from: 'Case', to: 'case' },
    ])
  })
  it('merges a spelling into another, and leaves no folder that it emptied', () => {
    const files = { 'x/Bills/a': '1', 'x/Bills/b': '2', 'x/bills/c': '3' }
    thereAndBack(files, [{ from: 'x/bills/c', to: 'x/Bills/c' }])
    const root = treeOf(files)
    start(root, renameScript([{ from: 'x/bills/c', to: 'x/Bills/c' }]), 'run')
    expect(Object.keys(read(root))).not.toContain('x/bills/')
  })
  it('changes nothing where a new name is taken, in another case too, or a file is gone', () => {
    for (const files of [
      { 'a/x': '1', 'a/Low Water.mkv': '2' },
      { 'a/x': '1', 'a/lOW wATER.mkv': '2' },
      { 'a/y': '1' },
    ] as Tree[]) {
      const root = treeOf(files)
      const before = read(root)
      const done = start(root, renameScript([{ from: 'a/x', to: 'a/Low Water.mkv' }]), 'run')
      expect(done.status).toBe(1)
      expect(done.stderr).toMatch(/^Stopped: /)
      expect(withoutOwn(read(root))).toEqual(before)
    }
  })
  it('never leaves its folder', () => {
    const outside = treeOf({ 'x.mkv': 'outside' })
    const root = treeOf({ 'films/a.mkv': '1' })
    symlinkSync(outside, join(root, 'films', 'link'))
    for (const pair of [
      { from: 'films/link/x.mkv', to: 'films/x.mkv' },
      { from: 'films/a.mkv', to: 'films/link/a.mkv' },
    ]) {
      const done = start(root, renameScript([pair]), 'run')
      expect(done.stderr).toContain('leads out of this folder')
      expect(done.status).toBe(1)
      rmSync(join(root, '.numeron-done'), { force: true })
    }
    expect(read(outside)).toEqual({ 'x.mkv': 'outside' })
    expect(read(root)['films/a.mkv']).toBe('1')
  })
  it('stopped anywhere, is taken back whole', () => {
    const files: Tree = { a: '1', b: '2', 'd/c': '3', Case: '4' }
    const script = renameScript([
      { from: 'a', to: 'b' },
      { from: 'b', to: 'a' },
      { from: 'd/c', to: 'e/f/c' },
      { from: 'Case', to: 'case' },
    ])
    const steps = script.split('\n').filter(line => /^go \d/.test(line))
    expect(steps.length).toBe(7)
    for (let stop = 1; stop <= steps.length; stop++)
      for (const cut of [
        // Before the step, and within it: it was noted and not done.
        script.replace(`\ngo ${stop} `, `\nexit 9\ngo ${stop} `),
        script.replace(`\ngo ${stop} `, `\necho ${stop} > ./.numeron-done; exit 9\ngo ${stop} `),
      ]) {
        const root = treeOf(files)
        const before = read(root)
        expect(start(root, cut, 'run').status).toBe(9)
        const back = goBack(root, 'run')
        expect([stop, back.stderr, back.status]).toEqual([stop, '', 0])
        expect(withoutOwn(read(root))).toEqual(before)
      }
  })
  it('does so for trees and names at random', () => {
    const letters = ['a', 'B', 'ä', ' ', "'", '"', '\n', '-', '$', '*', '\\', '.', '`', ';']
    for (let seed = 1; seed <= 25; seed++) {
      const { below, pick } = drawFrom(seed)
      const name = () => {
        const text = Array.from({ length: 1 + below(6) }, () => pick(letters)).join('')
        return /^\.+$/.test(text) || text === '' ? `n${below(99)}` : text
      }
      const path = () => Array.from({ length: 1 + below(3) }, name).join('/')
      const paths: string[] = []
      const isFree = (one: string) =>
        paths.every(other => {
          const [a, b] = [foldedPath(one), foldedPath(other)]
          return a !== b && !a.startsWith(`${b}/`) && !b.startsWith(`${a}/`)
        })
      for (let draw = 0; draw < 40; draw++) {
        const one = path()
        if (isFree(one)) paths.push(one)
      }
      const files = Object.fromEntries(paths.slice(0, 12).map((one, at) => [one, `${seed}-${at}`]))
      const sources = Object.keys(files).slice(0, 9)
      // Names among themselves, and such as are new.
      const pool = [...sources.slice(3), ...paths.slice(12, 18)]
      const renames = sources.flatMap((from, at) => {
        const to = pool[(at * 5 + seed) % pool.length]!
        return to === from ? [] : [{ from, to }]
      })
      const wanted = new Set<string>()
      const distinct = renames.filter(({ to }) => {
        const isNew = !wanted.has(to)
        wanted.add(to)
        return isNew
      })
      const giving = new Set(distinct.map(({ from }) => from))
      const possible = distinct.filter(({ to }) => giving.has(to) || !(to in files))
      // Whoever gives up nothing any more may not be written over.
      const still = new Set(possible.map(({ from }) => from))
      if (possible.some(({ to }) => to in files && !still.has(to))) continue
      thereAndBack(files, possible)
    }
  })
})
