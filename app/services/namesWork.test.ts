import { describe, expect, it } from 'vitest'
import { createNamesWork, type NameSettings } from './namesWork'

const settings: NameSettings = {
  year: 2026,
  answers: [],
  byHand: [],
  isEncrypted: false,
  takenRules: [],
  taken: [],
}
const listOf = (...lines: string[]) => new Blob([`${lines.join('\n')}\n`])

describe('names checked beside the page', () => {
  it('counts by folder and rule, asks alike questions once, and gives back what is taken', async () => {
    const work = createNamesWork()
    expect(
      await work.read(
        listOf(
          '/pool/films/low.water.1978.mkv',
          '/pool/films/Estuary.mkv',
          '/pool/films/Estuary.nfo',
          '/pool/series/Reedlight christmas special.mkv',
          '/pool/series/Reedlight 113.mkv',
          '/pool/series/Reedlight 114.mkv',
          '/pool/household/a.txt',
          '/pool/household/clip_low.water.1999.mkv',
        ),
      ),
    ).toBe(8)
    const found = work.check(settings)
    expect(found.root).toBe('/pool/')
    expect(found.states.films).toMatchObject({ sure: 1, ask: 1, right: 1 })
    expect(found.states.series).toMatchObject({ confirm: 1, ask: 2 })
    expect(found.questions.map(({ key, files }) => [key, files])).toEqual([
      ['season|Reedlight', 2],
      ['year|Estuary', 1],
    ])
    expect(found).toMatchObject({ taken: 1, left: 1, moves: 0, questionCount: 2 })
    expect(work.csv()).toBe(
      'from,to,rule,sure\n' +
        'films/low.water.1978.mkv,films/Low Water (1978)/Low Water (1978).mkv,F1 F2,yes\n',
    )
    const special = 'series/Reedlight christmas special.mkv'
    expect(work.take({ ...settings, takenRules: ['E2'] })).toMatchObject({ taken: 2, left: 0 })
    // One by one goes before all alike.
    expect(work.take({ ...settings, takenRules: ['E2'], taken: [[special, false]] })).toMatchObject(
      { taken: 1, left: 1 },
    )
    expect(work.script()).toContain("'films/low.water.1978.mkv'")
    expect(
      work.check({ ...settings, answers: [['season|Reedlight', '1']] }).states.series,
    ).toMatchObject({ sure: 2, confirm: 1 })
  })
  it('shows rows by folder and rule, a page at a time', async () => {
    const work = createNamesWork()
    await work.read(
      listOf(
        ...Array.from({ length: 120 }, (_, at) => `films/film.number.${at}.x.1978.mkv`),
        'household/aux.txt',
      ),
    )
    work.check(settings)
    expect(work.rows({ top: null, rule: null }, 0, 50)).toMatchObject({ total: 121 })
    expect(work.rows({ top: 'household', rule: null }, 0, 50).rows).toMatchObject([
      { to: 'household/aux_.txt', rule: 'X3', state: 'sure', isTaken: true },
    ])
    expect(work.rows({ top: null, rule: 'X3' }, 0, 50).total).toBe(1)
    expect(work.rows({ top: null, rule: 'F1' }, 100, 50).rows).toHaveLength(20)
  })
  it('keeps moves between top folders apart from new names', async () => {
    const work = createNamesWork()
    await work.read(listOf('photos/a/IMG_20260814_153207.mov', 'photos/a/IMG_20260814_153208.jpg'))
    work.check({ ...settings, takenRules: ['P1'] })
    expect(work.moves()).toContain('own-video/2026/2026-08-14')
    expect(work.csv()).not.toContain('own-video')
  })
  it('shows an invented list, and refuses what is none', async () => {
    const work = createNamesWork()
    work.readExample()
    const example = work.check(settings)
    expect(example.questionCount).toBeGreaterThan(2)
    for (const state of ['right', 'sure', 'confirm', 'ask', 'leaveOut'] as const)
      expect(
        Object.values(example.states).reduce((sum, own) => sum + own[state], 0),
      ).toBeGreaterThan(0)
    await expect(work.read(new Blob([]))).rejects.toThrow('The list is empty.')
  })
})
