import { foldedPath } from './caseClashes'
import type { Rename } from './renameList'

type Pair = Pick<Rename, 'from' | 'to'>

/** A text as one word of a shell, whatever it holds. */
export const shellWord = (text: string): string => `'${text.replaceAll("'", "'\\''")}'`

/** A pattern of a shell that finds a name in any case of its letters a to z. */
function anyCase(name: string): string {
  return name
    .split(/([a-zA-Z]+)/)
    .map((piece, at) =>
      at % 2 === 0
        ? piece === ''
          ? ''
          : shellWord(piece)
        : [...piece].map(letter => `[${letter.toUpperCase()}${letter.toLowerCase()}]`).join(''),
    )
    .join('')
}

/** One change of a name, in the order in which they are done. */
interface Step extends Pair {
  /** false for the third name by which a swap, a chain or a change of case goes */
  readonly isSource: boolean
  readonly isTarget: boolean
}

/**
 * Direct changes where the new name is free; where it is the old name of another file, or the same
 * but for case, by way of a third name: all of those go there first.
 */
function stepsOf(renames: readonly Pair[], third: (at: number) => string): Step[] {
  const sources = new Set(renames.map(({ from }) => foldedPath(from)))
  const isBusy = ({ to }: Pair) => sources.has(foldedPath(to))
  const busy = renames.filter(isBusy)
  const free = renames.filter(rename => !isBusy(rename))
  // What lies deepest goes first.
  const depth = (path: string) => path.split('/').length
  const deepestFirst = (a: Pair, b: Pair) => depth(b.from) - depth(a.from)
  return [
    ...busy.map(({ from }, at) => ({ from, to: third(at), isSource: true, isTarget: false })),
    ...free.sort(deepestFirst).map(pair => ({ ...pair, isSource: true, isTarget: true })),
    ...busy.map(({ to }, at) => ({ from: third(at), to, isSource: false, isTarget: true })),
  ]
}

const folderOf = (path: string) => path.slice(0, Math.max(0, path.lastIndexOf('/')))
function foldersAbove(path: string): string[] {
  const folders: string[] = []
  for (let folder = folderOf(path); folder !== ''; folder = folderOf(folder)) folders.push(folder)
  return folders
}

const helpers = `
fail() { printf '%s\\n' "Stopped: $*" "Nothing after this was changed. To go back: sh $undo run" >&2; exit 1; }
there() { [ -e "./$1" ] || [ -L "./$1" ]; }
# A folder of the list has to lie below this one, on the same file system.
inside() {
  [ "$1" = "$last" ] && return 0
  at=$(cd -P -- "./$1" && pwd -P && printf x) || fail "no folder $1"
  case $at in "$root"/*) ;; *) [ "$at" = "$rootx" ] || fail "$1 leads out of this folder" ;; esac
  device=$(df -P -- "./$1" | tail -n 1 | cut -d ' ' -f 1) || fail "$1 cannot be looked at"
  [ "$device" = "$home_device" ] || fail "$1 is another file system"
  last=$1
}
`

/**
 * A script for a POSIX shell that gives the files their new names, to be started in the folder that
 * the paths begin at. It only prints unless it is called with "run". Before it changes anything it
 * looks that every file is there and that no new name is taken, in any case of letters; then it
 * makes the folders it needs, goes by way of a third name for swaps, chains and changes of case,
 * and stops at the first error. It writes a script that takes everything back as it goes.
 * @param renames paths relative to that folder; none begins with / or holds ..
 */
export function renameScript(renames: readonly Pair[]): string {
  const third = (at: number) => `.numeron-${at + 1}.tmp`
  const steps = stepsOf(renames, third)
  const sourceOf = new Map(renames.map(({ from }) => [foldedPath(from), from]))
  const made = [...new Set(renames.flatMap(({ to }) => foldersAbove(to)))].sort(
    (a, b) => a.length - b.length,
  )
  const left = [...new Set(renames.flatMap(({ from }) => foldersAbove(from)))].sort(
    (a, b) => b.length - a.length,
  )
  const checks = renames.map(({ from, to }) => {
    const name = to.slice(to.lastIndexOf('/') + 1)
    const folder = folderOf(to)
    // A name that one of these files gives up is free.
    const given = sourceOf.get(foldedPath(to))
    const pattern = `./${folder === '' ? '' : `${shellWord(folder)}/`}${anyCase(name)}`
    return `here ${shellWord(from)}\n` + `free ${shellWord(given ?? '')} ${pattern}`
  })
  const done = steps.map(({ from, to }, at) => `go ${at + 1} ${shellWord(from)} ${shellWord(to)}`)
  const back = steps
    .map(({ from, to }, at) => `back ${at + 1} ${shellWord(to)} ${shellWord(from)}`)
    .reverse()
  const emptied = left.map(folder => `rmdir -- ./${shellWord(folder)} 2>/dev/null || :`)
  const undo = [
    '#!/bin/sh',
    '# Takes back what the script beside it did. Prints unless it is called with run.',
    'LC_ALL=C; export LC_ALL',
    'run=$1; count=$(cat ./.numeron-done 2>/dev/null) || count=0',
    'there() { [ -e "./$1" ] || [ -L "./$1" ]; }',
    'stop() { echo "Stopped: $1" >&2; exit 1; }',
    'folder() { [ "$run" = run ] && mkdir -p -- "./$1"; return 0; }',
    'back() {',
    '  [ "$1" -le "$count" ] || return 0',
    '  [ "$run" = run ] || { printf \'%s\\n\' "$2 -> $3"; return 0; }',
    '  # The last one may have been stopped before it was done.',
    '  there "$2" || { [ "$1" -eq "$count" ] && return 0; stop "$2 is gone"; }',
    '  there "$3" && stop "$3 is there again"',
    '  mv -- "./$2" "./$3" || exit 1',
    '}',
    ...left.toReversed().map(folder => `folder ${shellWord(folder)}`),
    ...back,
    '[ "$run" = run ] || exit 0',
    // Folders that were there before the change stay, even where they are empty.
    "sed -n 's/^made //p' ./.numeron-made 2>/dev/null | sort -rn | while read -r number; do",
    '  case $number in',
    ...made.map((folder, at) => `  ${at + 1}) rmdir -- ./${shellWord(folder)} 2>/dev/null ;;`),
    '  esac',
    'done',
    'rm -f ./.numeron-done ./.numeron-made',
    'echo "Everything has its old name again."',
  ].join('\n')
  const mark = endMark(undo)
  return `${[
    '#!/bin/sh',
    `# ${renames.length} new names. Start it in the folder that the list begins at.`,
    '# It only prints unless it is called with: run',
    'LC_ALL=C; export LC_ALL',
    'run=$1; undo=./numeron-undo.sh; last=/',
    'rootx=$(pwd -P && printf x); root=${rootx%??}',
    "home_device=$(df -P . | tail -n 1 | cut -d ' ' -f 1)",
    helpers.trim(),
    'here() { there "$1" || fail "$1 is not there"; case $1 in */*) inside "${1%/*}" ;; esac; }',
    'free() {',
    '  given=$1; shift',
    '  for found do',
    '    there "${found#./}" || continue',
    '    [ "$found" = "./$given" ] || fail "the new name is taken: $found"',
    '  done',
    '}',
    ...checks,
    'if [ "$run" != run ]; then',
    ...renames.map(
      ({ from, to }) => `printf '%s\\n' ${shellWord(from)} ${shellWord(`  -> ${to}`)}`,
    ),
    `echo "${renames.length} new names. Nothing was changed: call it with run to change them."`,
    'exit 0',
    'fi',
    'there .numeron-done && fail "there was a change before this one: take it back, or remove" \\',
    '  ".numeron-done, .numeron-made and numeron-undo.sh"',
    `cat > "$undo" <<'${mark}' || fail "the way back cannot be written"`,
    undo,
    mark,
    'echo 0 > ./.numeron-done || fail "nothing can be written here"',
    ': > ./.numeron-made',
    'make() {',
    '  [ -d "./$2" ] && { inside "$2"; return 0; }',
    '  mkdir -- "./$2" || fail "no folder $2"',
    '  echo "made $1" >> ./.numeron-made; inside "$2"',
    '}',
    'go() {',
    '  there "$3" && fail "the new name is taken: $3"',
    '  echo "$1" > ./.numeron-done || fail "nothing can be written here"',
    '  mv -- "./$2" "./$3" || fail "$2"',
    '}',
    ...made.map((folder, at) => `make ${at + 1} ${shellWord(folder)}`),
    ...done,
    ...emptied,
    `echo "${renames.length} files have their new names. To go back: sh $undo run"`,
  ].join('\n')}\n`
}

/** A word that ends a text in a script and does not stand in it. */
function endMark(text: string): string {
  let mark = 'NUMERON_END'
  while (text.includes(mark)) mark += '_'
  return mark
}
