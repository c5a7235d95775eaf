import { dsvFormat } from 'd3-dsv'
import { columnName, delimiterOf, unclosedQuote } from './csvTable'
import { JsonObjectSplitter } from './jsonDocuments'
import { listedFile, type ListedFile, type Tags } from './listedFile'
import { readProbeDocument } from './probeDocument'

/** Most files of one list. */
export const maxListedFiles = 400_000

/** A list of files, as it was understood. */
export interface PathList {
  readonly files: readonly ListedFile[]
  /** what all paths begin with, up to the top of the tree; it is cut off */
  readonly root: string
  /** how it was read */
  readonly kind: 'lines' | 'table' | 'scan'
  /** what is worth knowing of how it was read, as sentences */
  readonly notes: readonly string[]
}

/** A list that cannot be read, with a sentence that says what is allowed. */
export class PathListError extends Error {}

const columnNames: Readonly<Record<string, readonly string[]>> = {
  path: ['path', 'file', 'filename', 'name'],
  sizeBytes: ['size', 'bytes', 'sizebytes'],
  width: ['width'],
  height: ['height', 'lines'],
  taken: ['taken', 'datetaken', 'created', 'creationtime', 'datetimeoriginal'],
  checksum: ['checksum', 'sha256', 'sha1', 'md5', 'hash'],
  artist: ['artist'],
  albumArtist: ['albumartist'],
  album: ['album'],
  year: ['year', 'date'],
  disc: ['disc', 'disk', 'discnumber'],
  track: ['track', 'tracknumber'],
  title: ['title'],
}
const tagColumns = ['artist', 'albumArtist', 'album', 'year', 'disc', 'track', 'title'] as const

const numberOrNull = (text: string): number | null => {
  const value = text.trim() === '' ? NaN : Number(text.trim())
  return Number.isFinite(value) && value >= 0 ? value : null
}

/** Whether a first line names columns, one of them the path. */
function isTable(line: string): boolean {
  const names = line.split(delimiterOf(line)).map(columnName)
  return names.length > 1 && names.some(name => columnNames.path!.includes(name))
}

function readTable(text: string, notes: string[]): ListedFile[] {
  const tidy = text.replace(/^\uFEFF/, '')
  const end = tidy.indexOf('\n')
  const delimiter = delimiterOf(tidy.slice(0, end < 0 ? undefined : end))
  const unclosed = unclosedQuote(tidy, delimiter)
  if (unclosed) notes.push(`Line ${unclosed.line}: ${unclosed.message}`)
  const [header = [], ...rows] = dsvFormat(delimiter).parseRows(tidy)
  const names = header.map(columnName)
  const at = Object.fromEntries(
    Object.entries(columnNames).map(([key, known]) => [
      key,
      names.findIndex(name => known.includes(name)),
    ]),
  )
  const hasTags = tagColumns.some(key => at[key]! >= 0)
  return rows.flatMap(row => {
    // A path keeps its blanks; a cell that is not there is empty.
    const cell = (key: string) => row[at[key]!] ?? ''
    const path = cell('path')
    if (path === '') return []
    const tags = Object.fromEntries(tagColumns.map(key => [key, cell(key).trim()]))
    return [
      listedFile(path, {
        sizeBytes: numberOrNull(cell('sizeBytes')),
        width: numberOrNull(cell('width')),
        height: numberOrNull(cell('height')),
        taken: cell('taken').trim() || null,
        checksum: cell('checksum').trim() || null,
        tags: hasTags ? (tags as unknown as Tags) : null,
      }),
    ]
  })
}

/** Tags and the time of creation of a probe document, which a scan of the library leaves out. */
function ofProbe(value: unknown): Pick<ListedFile, 'tags' | 'taken'> {
  const format = (value as { format?: { tags?: Record<string, unknown> } } | null)?.format
  const own = Object.fromEntries(
    Object.entries(format?.tags ?? {}).map(([key, text]) => [
      columnName(key),
      typeof text === 'string' ? text.trim() : '',
    ]),
  )
  const find = (key: string) => columnNames[key]!.map(name => own[name]).find(Boolean) ?? ''
  const tags = Object.fromEntries(tagColumns.map(key => [key, find(key)])) as unknown as Tags
  const isTagged = tags.artist !== '' || tags.album !== '' || tags.albumArtist !== ''
  return { tags: isTagged ? tags : null, taken: own.creationtime || null }
}

function readScan(text: string, notes: string[]): ListedFile[] {
  const splitter = new JsonObjectSplitter()
  const pieces = [...splitter.push(text), ...splitter.end()]
  let left = 0
  const files = pieces.flatMap(piece => {
    let value: unknown = null
    try {
      value = piece.kind === 'problem' ? null : JSON.parse(piece.text)
    } catch {
      // Counted below with what is no scan of a file.
    }
    const scanned = value === null ? null : readProbeDocument(value)
    if (!scanned || scanned.path === '') {
      left++
      return []
    }
    const { path, sizeBytes, width, height } = scanned
    return [listedFile(path, { sizeBytes, width, height, ...ofProbe(value) })]
  })
  if (left > 0)
    notes.push(
      left === 1
        ? 'One object of the scan tells of no file and was left out.'
        : `${left} objects of the scan tell of no file and were left out.`,
    )
  return files
}

/** A line of find: a path, or time, size and path with tabs between them. */
function readLine(line: string): ListedFile | null {
  const fields = /^(?:\d+(?:\.\d+)?\t)?(\d+)\t(.+)$/s.exec(line)
  const path = (fields ? fields[2]! : line).replace(/^\.\//, '')
  return path === '' || path === '.'
    ? null
    : listedFile(path, {
        sizeBytes: fields ? Number(fields[1]) : null,
      })
}

function readLines(text: string): ListedFile[] {
  const lines = text.includes('\0') ? text.split('\0') : text.split(/\r?\n/)
  return lines.flatMap(line => readLine(line) ?? [])
}

/** Paths with / between folders; \ where a list has no / at all. */
function withSlashes(files: readonly ListedFile[], notes: string[]): readonly ListedFile[] {
  const hasSlash = files.some(({ path }) => path.includes('/'))
  const hasBackslash = files.some(({ path }) => path.includes('\\'))
  if (!hasBackslash) return files
  if (hasSlash) {
    notes.push('Some paths hold both / and \\. There \\ is read as a sign of the name.')
    return files
  }
  return files.map(file => ({ ...file, path: file.path.replaceAll('\\', '/') }))
}

/**
 * What all paths begin with, up to the folder above the first of the tree's own folders.
 * @param isTop whether a folder is one of the tree's
 */
function rootOf(files: readonly ListedFile[], isTop: (folder: string) => boolean): string {
  let common: string[] | null = null
  for (const { path } of files) {
    const folders: string[] = path.split('/').slice(0, -1)
    if (common === null) common = folders
    else {
      let at = 0
      while (at < common.length && common[at] === folders[at]) at++
      common = common.slice(0, at)
    }
  }
  const own = (common ?? []).findIndex(isTop)
  const root = own < 0 ? (common ?? []) : common!.slice(0, own)
  return root.length === 0 ? '' : `${root.join('/')}/`
}

const control = (text: string) => {
  let count = 0
  for (const sign of text) if (sign < ' ' && !'\t\n\r\0'.includes(sign)) count++
  return count
}

/**
 * Reads a list of files: a table with a header row, documents of a scan, or lines of find, with or
 * without size, separated by line ends or by NUL.
 * @param isTop whether a folder is one of the tree's, where a list's common beginning ends
 * @throws {PathListError} what it is and what is allowed
 */
export function readPathList(text: string, isTop: (folder: string) => boolean): PathList {
  const beginning = text.slice(0, 4000)
  if (text.trim() === '') throw new PathListError('The list is empty.')
  if (control(beginning) > beginning.length / 50)
    throw new PathListError(
      'This is no list of files but a file that programs read. A list is text: a path a line, a ' +
        'table with a column "path", or a scan.',
    )
  const notes: string[] = []
  const tidy = text.replace(/^\uFEFF/, '')
  const first = /[^\s]/.exec(tidy)?.[0]
  const firstLine = tidy.slice(0, Math.max(0, tidy.indexOf('\n')) || undefined)
  const kind =
    first === '{' || first === '['
      ? 'scan'
      : isTable(firstLine.replace(/\r$/, ''))
        ? 'table'
        : 'lines'
  const read =
    kind === 'scan'
      ? readScan(tidy, notes)
      : kind === 'table'
        ? readTable(tidy.replace(/\r\n/g, '\n'), notes)
        : readLines(tidy)
  if (read.length === 0) throw new PathListError('The list names no file.')
  if (read.length > maxListedFiles)
    throw new PathListError(
      `The list names ${read.length} files; ${maxListedFiles} can be checked at once. Split it by ` +
        'its top folders.',
    )
  if (text.includes('\uFFFD'))
    notes.push(
      'Some letters could not be read and are shown as \uFFFD. Save the list as UTF-8: a script ' +
        'would not find these files.',
    )
  const files = withSlashes(read, notes)
  const root = rootOf(files, isTop)
  return {
    kind,
    notes,
    root,
    files:
      root === '' ? files : files.map(file => ({ ...file, path: file.path.slice(root.length) })),
  }
}
