import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkNames, type NameOptions } from './checkNames'
import { listedFile, type ListedFile } from '../../formats/listedFile'

const options: NameOptions = { year: 2026 }
type Row = string | ListedFile
const asFile = (row: Row) => (typeof row === 'string' ? listedFile(row) : row)
const check = (rows: readonly Row[], more: Partial<NameOptions> = {}) =>
  checkNames(rows.map(asFile), { ...options, ...more })
/** Findings as short lines: 'from > to', with ~ where it is to be confirmed. */
function told(rows: readonly Row[], more: Partial<NameOptions> = {}): Record<string, string> {
  // What is told beside a proposal for the same file stands behind it.
  const findings = check(rows, more).findings.toReversed()
  const all = Object.fromEntries(
    findings.map(found => [
      found.path,
      found.kind === 'rename'
        ? `${found.isSure ? '' : '~'}${found.to}`
        : found.kind === 'ask'
          ? `? ${found.ask.key}`
          : found.kind === 'leaveOut'
            ? '- out'
            : `! ${found.rule}`,
    ]),
  )
  return Object.fromEntries(Object.entries(all).toReversed())
}
const rulesOf = (rows: readonly Row[], path: string) =>
  check(rows).findings.flatMap(found =>
    found.kind === 'rename' && found.path === path ? found.rules : [],
  )
const one = (row: Row, more: Partial<NameOptions> = {}) =>
  Object.values(told([row], more))[0] ?? 'right'

describe('films', () => {
  it.each([
    [
      'films/the.ferrymans.ledger.1962.1080p.x264.mkv',
      'films/The Ferrymans Ledger (1962)/The Ferrymans Ledger (1962).mkv',
    ],
    ['films/1907.1988.mkv', 'films/1907 (1988)/1907 (1988).mkv'],
    ['films/Low Water.mkv', '? year|Low Water'],
    ['films/1984.mkv', '? year|1984'],
    ['films/Low Water (1978)/Low Water (1978).mkv', 'right'],
    ['films/Low Water (1978).mkv', 'films/Low Water (1978)/Low Water (1978).mkv'],
    ['films/Low Water 1920x1080.mkv', '? year|Low Water'],
    // Next year can be announced; the one after it is no year of a film.
    ['films/Low Water 2027.mkv', 'films/Low Water (2027)/Low Water (2027).mkv'],
    ['films/Low Water 2028.mkv', '? year|Low Water 2028'],
    ['films/Low Water 1888.mkv', 'films/Low Water (1888)/Low Water (1888).mkv'],
    ['films/Low Water 1887.mkv', '? year|Low Water 1887'],
    ['films/Winter of 1899 (1978).mkv', 'films/Winter of 1899 (1978)/Winter of 1899 (1978).mkv'],
    ['films/Low Water (1978)/whatever.mkv', 'films/Low Water (1978)/Low Water (1978).mkv'],
    ['films/low_water_(1978)/x.mkv', 'films/Low Water (1978)/Low Water (1978).mkv'],
    ['films/Low Water (1978) cd1.avi', 'films/Low Water (1978)/Low Water (1978) - part 1.avi'],
    [
      'films/Low Water (1978)/Low Water (1978) [directors cut].mkv',
      'films/Low Water (1978)/Low Water (1978) - Directors Cut.mkv',
    ],
    ['films/Low Water (1978)/Low Water (1978) - 1080p.mkv', 'right'],
    ['films/Low Water (1978)/Low Water (1978) - Directors Cut - 1080p - part 1.mkv', 'right'],
    [
      'films/Low Water (1978)/Low Water (1978) 1080p.mkv',
      'films/Low Water (1978)/Low Water (1978).mkv',
    ],
    ['films/Low.Water.1978.of.the.estuary.mkv', '~films/Low Water (1978)/Low Water (1978).mkv'],
    [
      'films/Estuary box/Low Water (1978)/Low Water (1978).mkv',
      '~films/Low Water (1978)/Low Water (1978).mkv',
    ],
    ['films/low.water.1978/VIDEO_TS/VTS_01_1.VOB', 'films/Low Water (1978)/VIDEO_TS/VTS_01_1.VOB'],
    ['films/Low Water (1978)/VIDEO_TS/VIDEO_TS.IFO', 'right'],
  ])('%s: %s', (path, expected) => {
    expect(one(path)).toBe(expected)
  })
  it('F4: several versions are told apart by their heights, from the name or the scan', () => {
    const both = [
      'films/Low Water (1978)/Low Water (1978) 4K.mkv',
      listedFile('films/Low Water (1978)/Low Water (1978).mkv', { height: 1080 }),
    ]
    expect(Object.values(told(both))).toEqual([
      'films/Low Water (1978)/Low Water (1978) - 2160p.mkv',
      'films/Low Water (1978)/Low Water (1978) - 1080p.mkv',
    ])
    expect(rulesOf(both, 'films/Low Water (1978)/Low Water (1978).mkv')).toEqual(['F4'])
    const unknown = [both[0]!, 'films/Low Water (1978)/Low Water (1978).mkv']
    const key = 'height|films/Low Water (1978)/Low Water (1978).mkv'
    expect(Object.values(told(unknown))).toContain(`? ${key}`)
    expect(Object.values(told(unknown, { answers: new Map([[key, '720']]) }))).toContain(
      'films/Low Water (1978)/Low Water (1978) - 720p.mkv',
    )
    const alike = ['films/Low Water (1978) 1080p.mkv', 'films/Low Water (1978) 1080p HEVC.mkv']
    expect(Object.values(told(alike))).toEqual([
      '~films/Low Water (1978)/Low Water (1978) - 1080p.mkv',
      '~films/Low Water (1978)/Low Water (1978) - 1080p.mkv',
    ])
  })
  it('F6: subtitles go beside their film, with language, forced and hearing impaired', () => {
    const film = 'films/Low Water (1978)/Low Water (1978).mkv'
    const beside = (name: string, more = {}) =>
      told([film, `films/Low Water (1978)/${name}`], more)[`films/Low Water (1978)/${name}`] ??
      'right'
    const as = (name: string) => `films/Low Water (1978)/${name}`
    expect(beside('Low Water (1978) german forced.srt')).toBe(as('Low Water (1978).de.forced.srt'))
    expect(beside('Low Water (1978).srt')).toBe('right')
    expect(beside('Low Water (1978).de.forced.srt')).toBe('right')
    expect(beside('subs/2_English.srt')).toBe(`~${as('Low Water (1978).en.srt')}`)
    const key = `hi|${as('Low Water (1978).en.hi.srt')}`
    expect(beside('Low Water (1978).en.hi.srt')).toBe(`? ${key}`)
    expect(
      beside('Low Water (1978).en.hi.srt', { answers: new Map([[key, 'hard of hearing']]) }),
    ).toBe(as('Low Water (1978).en.sdh.srt'))
    const hindi = `hi|${as('Low Water (1978).hi.srt')}`
    expect(beside('Low Water (1978).hi.srt', { answers: new Map([[hindi, 'Hindi']]) })).toBe(
      as('Low Water (1978).hin.srt'),
    )
    expect(beside('Low Water (1978).hin.srt')).toBe('right')
    expect(beside('Low Water (1978).en - extra words.srt')).toMatch(/^~/)
    // Beside several versions it is named after all of them.
    const versions = [as('Low Water (1978) - 2160p.mkv'), as('Low Water (1978) - 1080p.mkv')]
    expect(told([...versions, as('subs/2_English.srt')])).toEqual({
      [as('subs/2_English.srt')]: `~${as('Low Water (1978).en.srt')}`,
    })
    // Two of one language would get one name.
    const two = told([film, as('subs/1_English.srt'), as('subs/2_English.srt')])
    expect(new Set(Object.values(two))).toEqual(new Set([`~${as('Low Water (1978).en.srt')}`]))
  })
  it('F7: extras into Extras, samples and half files left out', () => {
    const dir = 'films/Low Water (1978)'
    const film = listedFile(`${dir}/Low Water (1978).mkv`, { sizeBytes: 10e9 })
    const sample = (sizeBytes: number | null) =>
      listedFile(`${dir}/sample-lowwater.mkv`, { sizeBytes })
    const of = (row: Row, more = {}) => told([film, row], more)[asFile(row).path] ?? 'right'
    expect(of(sample(0.9e9))).toBe('- out')
    expect(of(sample(1.1e9))).toBe(`? sample|${dir}/sample-lowwater.mkv`)
    expect(of(sample(null))).toBe(`? sample|${dir}/sample-lowwater.mkv`)
    const keep = new Map([[`sample|${dir}/sample-lowwater.mkv`, 'keep']])
    expect(of(sample(null), { answers: keep })).toBe(`${dir}/Extras/sample-lowwater.mkv`)
    expect(of(`${dir}/Low Water (1978)-trailer.mp4`)).toBe(
      `${dir}/Extras/Low Water (1978)-trailer.mp4`,
    )
    expect(of(`${dir}/Featurettes/The weir.mkv`)).toBe(`${dir}/Extras/The weir.mkv`)
    expect(of(`${dir}/Extras/The weir.mkv`)).toBe('right')
    expect(of(`${dir}/half.mkv.part`)).toBe('- out')
    expect(of(listedFile(`${dir}/empty.nfo`, { sizeBytes: 0 }))).toBe('- out')
    expect(of(`${dir}/Thumbs.db`)).toBe('- out')
    expect(of(`${dir}/poster.jpg`)).toBe('right')
    // What lies beside a film goes with it.
    expect(
      told(['films/low.water.1978.mkv', 'films/low.water.1978.nfo'])['films/low.water.1978.nfo'],
    ).toBe(`${dir}/Low Water (1978).nfo`)
  })
  it('asks one question for all files of a film, and takes the answer for all', () => {
    const rows = ['films/Low Water/Low Water.mkv', 'films/Low Water/Low Water.en.srt']
    expect(told(rows)).toEqual({
      'films/Low Water/Low Water.mkv': '? year|Low Water',
    })
    const answers = new Map([['year|Low Water', '1978']])
    expect(Object.values(told(rows, { answers }))).toEqual([
      'films/Low Water (1978)/Low Water (1978).mkv',
      'films/Low Water (1978)/Low Water (1978).en.srt',
    ])
    for (const wrong of ['1887', '2028', 'x', ''])
      expect(one(rows[0]!, { answers: new Map([['year|Low Water', wrong]]) })).toMatch(/^\?/)
  })
})

describe('series', () => {
  it.each([
    ['series/Reedlight 1x07.mkv', 'series/Reedlight/Season 01/Reedlight - S01E07.mkv'],
    [
      'series/Reedlight christmas special.mkv',
      '~series/Reedlight/Specials/Reedlight - S00E01 - Christmas Special.mkv',
    ],
    ['series/Reedlight S02E01-02.mkv', 'series/Reedlight/Season 02/Reedlight - S02E01-E02.mkv'],
    ['series/Reedlight S02E01E02.mkv', 'series/Reedlight/Season 02/Reedlight - S02E01-E02.mkv'],
    [
      'series/Harbour News 14.03.2026.mkv',
      'series/Harbour News/Season 2026/Harbour News - 2026-03-14.mkv',
    ],
    ['series/Harbour News 03.04.2026.mkv', '? dates|Harbour News'],
    [
      'series/Harbour News 04.04.2026.mkv',
      'series/Harbour News/Season 2026/Harbour News - 2026-04-04.mkv',
    ],
    ['series/Reedlight 113.mkv', '? season|Reedlight'],
    [
      'series/reedlight/season 1/reedlight.s01e07.the.weir.1080p.web.x264.mkv',
      'series/Reedlight/Season 01/Reedlight - S01E07 - The Weir.mkv',
    ],
    ['series/Reedlight/Season 01/Reedlight - S01E07 - The Weir.mkv', 'right'],
    ['series/Reedlight/Season 2026/Reedlight - 2026-03-14.mkv', 'right'],
    [
      'series/Reedlight/Season 01/07 - The Weir.mkv',
      'series/Reedlight/Season 01/Reedlight - S01E07 - The Weir.mkv',
    ],
    ['series/Reedlight/Specials/Reedlight - S00E03 - Christmas Special.mkv', 'right'],
  ])('%s: %s', (path, expected) => {
    expect(one(path)).toBe(expected)
  })
  it('takes answers on seasons and dates once for all alike', () => {
    const season = new Map([['season|Reedlight', '1']])
    expect(
      Object.values(
        told(['series/Reedlight 113.mkv', 'series/Reedlight 99.mkv'], { answers: season }),
      ),
    ).toEqual([
      'series/Reedlight/Season 01/Reedlight - S01E13.mkv',
      'series/Reedlight/Season 01/Reedlight - S01E99.mkv',
    ])
    const dates = (answer: string) =>
      one('series/Harbour News 03.04.2026.mkv', {
        answers: new Map([['dates|Harbour News', answer]]),
      })
    expect(dates('day first')).toContain('2026-04-03')
    expect(dates('month first')).toContain('2026-03-04')
  })
  it('E2: specials get the next free number', () => {
    expect(
      told([
        'series/Reedlight/Specials/Reedlight - S00E01 - Pilot.mkv',
        'series/Reedlight/Specials/Reedlight summer special.mkv',
        'series/Reedlight/Specials/Reedlight winter special.mkv',
      ]),
    ).toEqual({
      'series/Reedlight/Specials/Reedlight summer special.mkv':
        '~series/Reedlight/Specials/Reedlight - S00E02 - Summer Special.mkv',
      'series/Reedlight/Specials/Reedlight winter special.mkv':
        '~series/Reedlight/Specials/Reedlight - S00E03 - Winter Special.mkv',
    })
  })
  it('E6: two series of one name have their years, one alone has none', () => {
    expect(
      Object.values(told(['series/Reedlight (1979)/1x01.mkv', 'series/Reedlight (2011)/1x01.mkv'])),
    ).toEqual([
      'series/Reedlight (1979)/Season 01/Reedlight (1979) - S01E01.mkv',
      'series/Reedlight (2011)/Season 01/Reedlight (2011) - S01E01.mkv',
    ])
    expect(Object.values(told(['series/Reedlight (1979)/1x01.mkv']))).toEqual([
      '~series/Reedlight/Season 01/Reedlight - S01E01.mkv',
    ])
    const mixed = ['series/Reedlight/1x01.mkv', 'series/Reedlight (2011)/1x01.mkv']
    expect(Object.values(told(mixed))).toContain('? seriesYear|Reedlight')
    expect(
      Object.values(told(mixed, { answers: new Map([['seriesYear|Reedlight', '1979']]) })),
    ).toContain('series/Reedlight (1979)/Season 01/Reedlight (1979) - S01E01.mkv')
  })
  it('takes subtitles and pictures of an episode along', () => {
    expect(
      told([
        'series/Reedlight/reedlight.s01e07.mkv',
        'series/Reedlight/reedlight.s01e07.english.srt',
        'series/Reedlight/reedlight.s01e07-thumb.jpg',
        'series/Reedlight/poster.jpg',
      ]),
    ).toEqual({
      'series/Reedlight/reedlight.s01e07.mkv': 'series/Reedlight/Season 01/Reedlight - S01E07.mkv',
      'series/Reedlight/reedlight.s01e07.english.srt':
        'series/Reedlight/Season 01/Reedlight - S01E07.en.srt',
      'series/Reedlight/reedlight.s01e07-thumb.jpg':
        'series/Reedlight/Season 01/Reedlight - S01E07-thumb.jpg',
    })
  })
})

const tags = (more: Partial<NonNullable<ListedFile['tags']>>) => ({
  artist: '',
  albumArtist: '',
  album: '',
  year: '',
  disc: '',
  track: '',
  title: '',
  ...more,
})

describe('music', () => {
  const singers = {
    artist: 'The Millrace Singers',
    album: 'Lock and Quay',
    year: '2019',
    track: '1/12',
    title: 'Slack Tide',
  }
  it('M1, M4: artist, year and album, track; tags go before names', () => {
    const at = 'music/The Millrace Singers/2019 - Lock and Quay/01 - Slack Tide.flac'
    expect(one(at)).toBe('right')
    expect(one(listedFile('music/Track 1.flac', { tags: tags(singers) }))).toBe(at)
    expect(one('music/The Millrace Singers/Lock and Quay (2019)/1. Slack Tide.flac')).toBe(at)
    expect(one('music/The Millrace Singers/Lock and Quay/01 - Slack Tide.flac')).toBe(
      '? album|The Millrace Singers|Lock and Quay',
    )
    expect(one('music/The Millrace Singers/2019 - Lock and Quay/Track 1.flac')).toBe(
      '? track|music/The Millrace Singers/2019 - Lock and Quay/Track 1.flac',
    )
    expect(one('music/Track 1.flac')).toBe('? sort|music/Track 1.flac')
  })
  it('M2: of several discs the first is numbered too', () => {
    const dir = 'music/The Millrace Singers/2019 - Lock and Quay'
    expect(
      Object.values(told([`${dir}/CD1/01 - Slack.flac`, `${dir}/CD2/01 - Neap.flac`])),
    ).toEqual([`${dir}/1-01 - Slack.flac`, `${dir}/2-01 - Neap.flac`])
    expect(told([`${dir}/1-01 - Slack.flac`, `${dir}/2-01 - Neap.flac`])).toEqual({})
  })
  it('M3: an album of several artists lies under Various Artists', () => {
    const track = (artist: string, track: string, title: string) =>
      listedFile(`music/mix/${track}.flac`, {
        tags: tags({ artist, album: 'Songs of the Estuary', year: '2004', track, title }),
      })
    const dir = 'music/Various Artists/2004 - Songs of the Estuary'
    expect(
      Object.values(told([track('Tamsin Lode', '3', 'Neap'), track('The Weirs', '4', 'Ebb')])),
    ).toEqual([`${dir}/03 - Tamsin Lode - Neap.flac`, `${dir}/04 - The Weirs - Ebb.flac`])
    expect(
      told([`${dir}/03 - Tamsin Lode - Neap.flac`, `${dir}/04 - The Weirs - Ebb.flac`]),
    ).toEqual({})
  })
  it('what a cue sheet or a playlist names is to be confirmed', () => {
    const found = told([
      listedFile('music/x/Track 1.flac', { tags: tags(singers) }),
      'music/x/album.cue',
    ])
    expect(found['music/x/Track 1.flac']).toMatch(/^~/)
    expect(found['music/x/album.cue']).toBe(
      '~music/The Millrace Singers/2019 - Lock and Quay/album.cue',
    )
  })
})

describe('photos and own video', () => {
  it('P1: by the day they were taken, the name of the camera behind it', () => {
    expect(
      Object.values(
        told([
          listedFile('photos/DCIM/100A/IMG_0042.JPG', { taken: '2026-08-14T15:32:07' }),
          listedFile('photos/DCIM/101A/IMG_0042.JPG', { taken: '2026:08:14 16:00:01' }),
        ]),
      ),
    ).toEqual([
      'photos/2026/2026-08/2026-08-14 153207 IMG_0042.JPG',
      'photos/2026/2026-08/2026-08-14 160001 IMG_0042.JPG',
    ])
    expect(one(listedFile('DCIM/MVI_2231.MOV', { taken: '2026-08-14 15:40:10' }))).toBe(
      'own-video/2026/2026-08-14/2026-08-14 154010 MVI_2231.MOV',
    )
    expect(one(listedFile('MVI_2231.MOV', { taken: '2026-08-14T23:40:10Z' }))).toBe(
      '~own-video/2026/2026-08-14/2026-08-14 234010 MVI_2231.MOV',
    )
    expect(one('photos/IMG_20260814_153207.jpg')).toBe(
      'photos/2026/2026-08/2026-08-14 153207 IMG_20260814_153207.jpg',
    )
    expect(one('photos/IMG_0042.jpg')).toBe('photos/undated/IMG_0042.jpg')
    expect(one('photos/undated/IMG_0042.jpg')).toBe('right')
    expect(one('photos/2026-08-14 Regatta/IMG_0042.jpg')).toBe(
      '~photos/2026/2026-08 Regatta/2026-08-14 IMG_0042.jpg',
    )
    expect(one('own-video/2026/2026-08-14 Regatta/2026-08-14 154010 MVI_2231.MOV')).toBe('right')
    // No day of any calendar.
    expect(one('photos/IMG_20260231_153207.jpg')).toBe('photos/undated/IMG_20260231_153207.jpg')
    expect(one('photos/IMG_20240229_153207.jpg')).toContain('2024-02-29')
  })
  it('P2: what belongs to a photo goes with it', () => {
    expect(
      Object.values(
        told([
          listedFile('photos/x/IMG_1.JPG', { taken: '2026-08-14T15:32:07' }),
          'photos/x/IMG_1.DNG',
          'photos/x/IMG_1.xmp',
          'photos/x/IMG_1.JPG.xmp',
          'photos/x/IMG_1.MOV',
        ]),
      ),
    ).toEqual(
      ['.JPG', '.DNG', '.xmp', '.JPG.xmp', '.MOV'].map(
        ending => `~photos/2026/2026-08 x/2026-08-14 153207 IMG_1${ending}`,
      ),
    )
  })
  it('P3: duplicates are told, and not deleted', () => {
    const same = { sizeBytes: 5, checksum: 'ab', taken: '2026-08-14' }
    expect(
      told([listedFile('photos/a.jpg', same), listedFile('photos/b.jpg', same)])['photos/b.jpg'],
    ).toBe('! P3')
    const other = { ...same, sizeBytes: 6 }
    expect(
      told([listedFile('photos/a.jpg', same), listedFile('photos/b.jpg', other)])['photos/b.jpg'],
    ).not.toBe('! P3')
  })
})

describe('names that every desktop takes', () => {
  it.each([
    ['household/Tide: 12:30?.txt', 'household/Tide - 12.30.txt'],
    ['household/Reedlight./a.txt', 'household/Reedlight/a.txt'],
    ['household/aux.mkv', 'household/aux_.mkv'],
    ['household/Com1.tar.gz', 'household/Com1_.tar.gz'],
    ['household/com10.txt', 'right'],
    ['household/auxiliary.txt', 'right'],
    ['household/ a .txt', 'household/a.txt'],
    ['household/a\tb.txt', 'household/a b.txt'],
    ['household/say "yes" <now>|later*.txt', "household/say 'yes' (now)-later.txt"],
    ['household/Plan:.txt', 'household/Plan.txt'],
    ['household/Café.txt', 'household/Caf\u00e9.txt'],
    ['household/???', '? name|household/???'],
    ['projects/aux.mkv', 'right'],
    ['computers/pc/a:b', 'right'],
    ['household/photos.library/a:b', 'right'],
  ])('%s: %s', (path, expected) => {
    expect(one(path === 'household/Café.txt' ? 'household/Cafe\u0301.txt' : path)).toBe(expected)
  })
  it('X5: spellings become one, the one with more files; as many are asked', () => {
    expect(
      told(['household/Bills/a.txt', 'household/Bills/b.txt', 'household/bills/c.txt']),
    ).toEqual({ 'household/bills/c.txt': 'household/Bills/c.txt' })
    const even = ['household/Bills/a.txt', 'household/bills/c.txt']
    expect(told(even)).toEqual({
      'household/Bills/a.txt': '? case|/household/bills',
      'household/bills/c.txt': '? case|/household/bills',
    })
    expect(told(even, { answers: new Map([['case|/household/bills', 'bills']]) })).toEqual({
      'household/Bills/a.txt': 'household/bills/a.txt',
    })
    // Files that would fall on each other are told, and stay.
    const clash = told(['household/Bills/a.txt', 'household/Bills/b.txt', 'household/bills/A.txt'])
    expect(clash['household/Bills/a.txt']).toBe('! X5')
    expect(clash['household/bills/A.txt']).toBe('~household/Bills/A.txt')
  })
  it('X6: cut within the title, year and ending kept, alike for all of a film', () => {
    const title = 'Ä'.repeat(140)
    const dir = `films/${title} (1978)`
    const found = Object.values(
      told([`${dir}/${title} (1978).mkv`, `${dir}/${title} (1978).de.forced.srt`]),
    )
    const cut = 'Ä'.repeat((255 - ' (1978).de.forced.srt'.length) >> 1)
    expect(found).toEqual([
      `films/${cut} (1978)/${cut} (1978).mkv`,
      `films/${cut} (1978)/${cut} (1978).de.forced.srt`,
    ])
    const short = 'Ä'.repeat((143 - ' (1978).mkv'.length) >> 1)
    expect(
      told([`${dir}/${title} (1978).mkv`], { isEncrypted: true })[`${dir}/${title} (1978).mkv`],
    ).toBe(`films/${short} (1978)/${short} (1978).mkv`)
    expect(one(`household/${'a'.repeat(251)}.txt`)).toBe('! X6')
    expect(one(`household/${'a'.repeat(252)}.txt`)).toBe(`household/${'a'.repeat(251)}.txt`)
    expect(one(`household/${'a'.repeat(120)}/${'b'.repeat(105)}.txt`)).toBe('right')
    expect(one(`household/${'a'.repeat(120)}/${'b'.repeat(106)}.txt`)).toBe('! X6')
  })
  it('counts what no FAT32 medium holds, lists hidden names, and leaves folders out', () => {
    const found = check([
      listedFile('household/a.bin', { sizeBytes: 2 ** 32 - 1 }),
      listedFile('household/b.bin', { sizeBytes: 2 ** 32 }),
      'household/.hidden',
      'household/',
      'household/docs',
      'household/docs/a.txt',
    ])
    expect(found.overFat32).toBe(1)
    expect(found.hidden).toEqual(['household/.hidden'])
    expect(found.files).toBe(4)
    expect(found.right).toBe(3)
  })
  it('takes what was written by hand, made safe', () => {
    const byHand = new Map([['films/x.mkv', 'films/Low Water (1978)/Low Water (1978).mkv']])
    expect(one('films/x.mkv', { byHand })).toBe('films/Low Water (1978)/Low Water (1978).mkv')
  })
})

/** Pieces that names are made of, good and bad, and the folders they lie in. */
const pieces = [
  'Low Water', 'low.water', 'Reedlight', 'reedlight', 'Harbour News', '(1978)', '1978', '1907',
  'S01E02', '1x07', 's02e01-02', '2026-03-14', '14.03.2026', '113', 'christmas special', '1080p',
  '4K', 'x264', 'cd1', '[directors cut]', 'german', 'forced', 'hi', 'sample', 'trailer', ' - ', ' ',
  '.', '_', ':', '?', '"', 'aux', 'con', 'IMG_0042', 'IMG_20260814_153207', 'Ä', 'e\u0301', '01',
  '1-03', 'The Weirs', '\t', 'of the estuary', 'x'.repeat(90), 'ü'.repeat(120),
] // prettier-ignore
const tops = ['films', 'series', 'music', 'photos', 'own-video', 'household', 'inbox', 'stuff']
const endings = [
  'mkv',
  'avi',
  'srt',
  'jpg',
  'dng',
  'MOV',
  'flac',
  'nfo',
  'cue',
  'txt',
  'part',
  'VOB',
]
const folders = (
  'Season 01,Specials,Extras,subs,VIDEO_TS,CD1,CD2,2019 - Lock and Quay,DCIM,2026,2026-08,' +
  '2026-08-14 Regatta,Various Artists'
).split(',')
const aName = fc
  .array(fc.constantFrom(...pieces), { minLength: 1, maxLength: 4 })
  .map(parts => parts.join(''))
const aPath = fc
  .tuple(
    fc.constantFrom(...tops),
    fc.array(fc.oneof(aName, fc.constantFrom(...folders)), { maxLength: 3 }),
    aName,
    fc.constantFrom(...endings),
  )
  .map(([top, between, name, ending]) => [top, ...between, `${name}.${ending}`].join('/'))
const aFile = fc
  .tuple(
    aPath,
    fc.option(fc.constantFrom('2026-08-14T15:32:07', '2024-02-29', '2026-13-01'), { nil: null }),
    fc.option(fc.constantFrom(480, 800, 1080, 2160), { nil: null }),
    fc.option(fc.constantFrom(0, 1000, 5e9, 20e9), { nil: null }),
  )
  .map(([path, taken, height, sizeBytes]) => listedFile(path, { taken, height, sizeBytes }))

describe('a proposal', () => {
  it('checked again proposes nothing, loses no file, and is a path that every desktop takes', () => {
    fc.assert(
      fc.property(fc.array(aFile, { minLength: 1, maxLength: 12 }), files => {
        const first = check(files)
        const renames = first.findings.filter(found => found.kind === 'rename')
        const to = new Map(renames.map(found => [found.path, found]))
        for (const { to: target, path } of renames) {
          expect(target).not.toBe(path)
          for (const part of target.split('/')) {
            expect(part).not.toMatch(/[<>:"\\|?*]|^ | $|\.$/)
            expect(part).toBe(part.normalize('NFC'))
            expect(part).not.toMatch(/^(con|prn|aux|nul|com[1-9]|lpt[1-9])(\.|$)/i)
            expect(new TextEncoder().encode(part).length).toBeLessThanOrEqual(255)
            expect([...part].every(sign => sign >= ' ')).toBe(true)
          }
        }
        // Taken one at a time is taken all together, but for those that fall on one name.
        if (renames.some(({ clashes }) => clashes)) return
        const again = check(
          files.map(file => ({ ...file, path: to.get(file.path)?.to ?? file.path })),
        )
        const next = again.findings.flatMap(found => (found.kind === 'rename' ? [found] : []))
        expect(next.map(({ path, to: target }) => `${path} > ${target}`)).toEqual([])
      }),
      { numRuns: 1500 },
    )
  })
})
