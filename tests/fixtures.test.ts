import { readFileSync, readdirSync } from 'node:fs'
import { expect, it } from 'vitest'
import { qualities } from '~~/core/catalogue/qualities'
import { LibraryScanReader } from '~~/core/formats/libraryScan'
import { ScanGrouping } from '~~/core/library/scanGroups'

it("the tool's own files are read: a mixed library of seven", () => {
  const grouping = new ScanGrouping(qualities)
  const reader = new LibraryScanReader(file => grouping.add(file))
  for (const name of readdirSync('tests/fixtures').filter(file => file.startsWith('ffprobe')))
    reader.push(readFileSync(`tests/fixtures/${name}`, 'utf8'))
  reader.end()
  expect(reader.problems).toEqual([])
  const { files, groups, oddities } = grouping.summary()
  expect(files).toBe(7)
  const titles: Record<string, number> = {}
  for (const group of groups)
    titles[group.quality.id] = (titles[group.quality.id] ?? 0) + group.titles
  expect(titles).toEqual({
    'uhd-hdr-hevc': 1,
    'hd1080-h264': 2,
    'hd1080-hevc': 1,
    'hd1080-av1': 1,
    'hd720-h264': 1,
    'sd-disc': 1,
  })
  expect(groups.find(group => group.quality.id === 'uhd-hdr-hevc')?.bitrateMbps).toBeCloseTo(
    27.44,
    2,
  )
  expect(groups.some(group => group.makeup.subtitles === 'bitmap')).toBe(true)
  expect(oddities).toEqual([{ oddity: 'interlaced', files: 1, examples: ['mpeg2_576i25_5m.mkv'] }])
})

it('a scan of 100 000 files keeps its memory small', () => {
  const one = readFileSync('tests/fixtures/ffprobe_h264_1080p24_8m.json', 'utf8')
  const grouping = new ScanGrouping(qualities)
  const reader = new LibraryScanReader(file => grouping.add(file))
  const chunk = one.repeat(50)
  const before = process.memoryUsage().heapUsed
  // The least in use late in the reading is what is really held; the rest is garbage not collected
  // yet.
  let held = Infinity
  for (let at = 0; at < 2000; at++) {
    reader.push(chunk)
    if (at > 1000) held = Math.min(held, process.memoryUsage().heapUsed)
  }
  reader.end()
  expect(grouping.summary().files).toBe(100_000)
  expect((held - before) / 1e6).toBeLessThan(100)
}, 180_000)
