import { describe, expect, it } from 'vitest'
import { maxListedFiles, PathListError, readPathList } from './pathList'

const isTop = (folder: string) => ['films', 'photos'].includes(folder)
const read = (text: string) => readPathList(text, isTop)
const paths = (text: string) => read(text).files.map(({ path }) => path)

describe('a list of files', () => {
  it('is read from lines of find, with and without time and size, by line ends and by NUL', () => {
    expect(paths('./films/a.mkv\n./films/b c.mkv\n.\n')).toEqual(['films/a.mkv', 'films/b c.mkv'])
    expect(read('1790000000.5\t123\t/pool/films/a.mkv\n').files).toMatchObject([
      { path: 'films/a.mkv', sizeBytes: 123 },
    ])
    expect(read('123\tfilms/a.mkv\r\n0\tfilms/b.mkv\r\n').files).toMatchObject([
      { path: 'films/a.mkv', sizeBytes: 123 },
      { path: 'films/b.mkv', sizeBytes: 0 },
    ])
    expect(paths('films/two\nlines.mkv\0films/b.mkv\0')).toEqual([
      'films/two\nlines.mkv',
      'films/b.mkv',
    ])
    expect(paths('films/ blank .mkv\n')).toEqual(['films/ blank .mkv'])
  })
  it('loses what all paths begin with, up to the tree', () => {
    expect(read('/srv/pool/films/a\n/srv/pool/photos/b\n')).toMatchObject({
      root: '/srv/pool/',
      files: [{ path: 'films/a' }, { path: 'photos/b' }],
    })
    expect(read('/srv/pool/films/x/a\n/srv/pool/films/x/b\n').root).toBe('/srv/pool/')
    expect(read('old/x/a\nold/x/b\n')).toMatchObject({ root: 'old/x/', files: [{ path: 'a' }, {}] })
    expect(read('a\nb\n').root).toBe('')
  })
  it('is read from a table in any order of columns, with tags and times', () => {
    const { files, kind } = read(
      'size;Path;Taken;Album Artist;title\n5;"films/a;b.mkv";2026-08-14;The Weirs;Neap\n' +
        ';photos/c.jpg;;;\n',
    )
    expect(kind).toBe('table')
    expect(files).toMatchObject([
      {
        path: 'films/a;b.mkv',
        sizeBytes: 5,
        taken: '2026-08-14',
        tags: { albumArtist: 'The Weirs', title: 'Neap', artist: '' },
      },
      { path: 'photos/c.jpg', sizeBytes: null, taken: null },
    ])
    expect(read('path,height\nfilms/a.mkv,1080\n').files[0]).toMatchObject({
      height: 1080,
      tags: null,
    })
    // A header alone names no file; a line that only looks like a path is no header.
    expect(() => read('path,size\n')).toThrow('The list names no file.')
    expect(paths('films/a, b.mkv\nfilms/c.mkv\n')).toHaveLength(2)
    expect(read('path,size\n"films/a.mkv,5\n').notes[0]).toContain('quotation mark')
  })
  it('is read from documents of a scan', () => {
    const document = (filename: string, tags = {}) =>
      JSON.stringify({ format: { filename, size: '9', tags }, streams: [] })
    const { files, notes } = read(
      `${document('films/a.mkv', { creation_time: '2026-08-14T15:32:07.000000Z' })}\n` +
        `${document('films/b.flac', { ARTIST: 'The Weirs', track: '3' })}\n{"x":1}\n`,
    )
    expect(files).toMatchObject([
      { path: 'films/a.mkv', sizeBytes: 9, taken: '2026-08-14T15:32:07.000000Z', tags: null },
      { path: 'films/b.flac', tags: { artist: 'The Weirs', track: '3' } },
    ])
    expect(notes).toEqual(['One object of the scan tells of no file and was left out.'])
  })
  it('reads backslashes as folders only where a list has no slash', () => {
    expect(paths('films\\a\\b.mkv\nfilms\\c.mkv\n')).toEqual(['films/a/b.mkv', 'films/c.mkv'])
    const mixed = read('films/a\\b.mkv\nfilms/c.mkv\n')
    expect(mixed.files[0]!.path).toBe('films/a\\b.mkv')
    expect(mixed.notes[0]).toContain('both / and \\')
  })
  it('says what is wrong with what is none', () => {
    expect(() => read('')).toThrow(PathListError)
    expect(() => read(' \n')).toThrow('The list is empty.')
    expect(() => read('\u0001\u0002\u0003PNG'.repeat(200))).toThrow(/no list of files/)
    expect(read('films/a\uFFFDb.mkv\n').notes[0]).toContain('UTF-8')
    const line = 'films/a.mkv\n'
    expect(() => read(line.repeat(maxListedFiles + 1))).toThrow(/400001 files; 400000 can be/)
  })
})
