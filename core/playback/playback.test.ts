import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess, planAssessor } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { deviceClasses, type Capabilities, type VideoAbility } from '../catalogue/deviceClasses'
import {
  codecFamilies,
  containers,
  soundCodecs,
  type CodecFamily,
  type Container,
  type HdrKind,
  type SoundCodec,
  type SubtitleKind,
} from '../catalogue/media'
import { peakMbps, qualities } from '../catalogue/qualities'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type Plan, type PlanInput } from '../plan/planSchema'
import { watchersOf } from '../household/weekHabits'
import { workTable } from '../catalogue/workTable'
import { seededRandom } from '../random'
import { cellKey, fixesOf } from '../tiers/rankFixes'
import { plainFormat } from '../units/format'
import { hourShares, isOffered, rowShares } from './matrix'
import { outcomes, playability, prospectOf, type Playability } from './playability'
import { ConversionBook } from './conversionBook'
import { fixKinds } from './fixes/fixKinds'
import { levelNeeded, levels, playbackRules, reasonText } from './rules'
import type { Session } from './session'
import { matrixSummaries } from './summaries'
import { titleTraits, type TitleTraits } from './titleTraits'
import { groupCell } from './groupCells'
import { rowGroups } from './rowGroups'

const classOf = (id: string): Capabilities => deviceClasses.find(entry => entry.id === id)!
const qualityOf = (id: string) => qualities.find(entry => entry.id === id)!
function title(id: string, changes: Partial<TitleTraits> = {}): TitleTraits {
  const quality = qualityOf(id)
  const { usual } = quality
  const bitrateMbps = changes.bitrateMbps ?? quality.bitrateMbps.likely
  return {
    key: id,
    group: id,
    label: quality.label,
    groupLabel: quality.label,
    quality,
    container: usual.container,
    sound: usual.sound,
    channels: usual.channels,
    subtitles: usual.subtitles,
    hdr: quality.hdr,
    framesPerSecond: usual.framesPerSecond,
    interlaced: usual.interlaced,
    bitrateMbps,
    peakMbps: peakMbps(quality, bitrateMbps),
    titles: { film: 1 },
    holdings: [0],
    smallCopies: 'none',
    notOfferedTo: [],
    ...changes,
  }
}

function play(
  of: TitleTraits,
  device: Capabilities,
  limits: Partial<Session> = {},
  aloneCapacity = Infinity,
): Playability {
  const prospect = prospectOf(
    { title: of, device, linkMbps: 500, capMbps: Infinity, subtitled: false, ...limits },
    new ConversionBook(catalogue.workTable, 'atSourceSize'),
  )
  return playability(prospect, { takes: ({ work }) => work.likely <= aloneCapacity, aloneCapacity })
}

const codes = (result: Playability) => result.reasons.map(reason => reason.code)

describe('what is done with a title', () => {
  it('a plain H.264 film plays as it is on nearly everything', () => {
    for (const id of [
      'tv2016',
      'tv2020',
      'tv2024',
      'stickHd',
      'stick4k',
      'console',
      'projector',
      'player',
    ]) {
      expect(
        play(
          title('hd1080-h264', { container: 'mp4', sound: 'aac', channels: 2, subtitles: 'none' }),
          classOf(id),
        ).outcome,
        id,
      ).toBe('playAsIs')
    }
  })
  it('only the container: repacked, for next to nothing', () => {
    const result = play(
      title('hd1080-h264', { container: 'mkv', sound: 'aac', channels: 2 }),
      classOf('browser'),
    )
    expect(result).toMatchObject({ outcome: 'repack', work: 0.02, output: null })
    expect(codes(result)).toEqual(['CONTAINER'])
  })
  it('only the sound: the sound is converted, for a twentieth', () => {
    const result = play(
      title('hd1080-h264', { container: 'mp4', sound: 'dts', channels: 6 }),
      classOf('tv2020'),
    )
    expect(result).toMatchObject({ outcome: 'sound', work: 0.05 })
    expect(
      codes(
        play(
          title('hd1080-h264', { sound: 'ac3', channels: 6, container: 'mp4' }),
          classOf('stickHd'),
        ),
      ),
    ).toEqual(['CHANNELS'])
  })
  it('the picture: with every reason, not the first', () => {
    const result = play(title('uhd-disc'), classOf('stickHd'), {
      linkMbps: 20,
      capMbps: 8,
      subtitled: true,
    })
    expect(result.outcome).toBe('picture')
    expect(codes(result)).toEqual([
      'CODEC',
      'HDR',
      'DEVICE_RATE',
      'LINK_RATE',
      'CAP',
      'SUBTITLES',
      'SOUND',
    ])
    expect(result.output).toMatchObject({ lines: 1080, mbps: 8 })
  })
  it('burned-in subtitles are work of the picture', () => {
    const film = title('hd1080-disc', { subtitles: 'bitmap', sound: 'ac3', channels: 2 })
    expect(play(film, classOf('tv2024')).outcome).toBe('playAsIs')
    const burned = play(film, classOf('tv2024'), { subtitled: true })
    expect([burned.outcome, ...codes(burned)]).toEqual(['picture', 'SUBTITLES'])
    expect(burned.conversion?.task.burn).toBe('bitmap')
    expect(
      play({ ...film, subtitles: 'text' }, classOf('tv2024'), { subtitled: true }).outcome,
    ).toBe('playAsIs')
    expect(play(film, classOf('projector'), { subtitled: true }).outcome).toBe('playAsIs')
  })
  it('peaks are held against the link and the device, the mean against a cap', () => {
    const film = title('hd1080-h264', { container: 'mp4', sound: 'aac', channels: 2 })
    expect(film.peakMbps).toBe(12)
    expect(play(film, classOf('tv2020'), { linkMbps: 12 }).outcome).toBe('playAsIs')
    expect(codes(play(film, classOf('tv2020'), { linkMbps: 11.9 }))).toEqual(['LINK_RATE'])
    expect(play(film, classOf('tv2020'), { capMbps: 8 }).outcome).toBe('playAsIs')
    expect(codes(play(film, classOf('tv2020'), { capMbps: 7.9 }))).toEqual(['CAP'])
  })
  it("a disc's peaks are 1.8 times its mean, 48 Mb/s at most in HD and 128 in UHD", () => {
    expect(title('hd1080-disc').peakMbps).toBe(48)
    expect(title('hd1080-disc', { bitrateMbps: 20 }).peakMbps).toBe(36)
    expect(title('uhd-disc').peakMbps).toBe(108)
    expect(title('uhd-disc', { bitrateMbps: 80 }).peakMbps).toBe(128)
  })
  it('interlaced pictures are converted where the device does not deinterlace', () => {
    const old = title('sd-disc')
    expect(
      play(old, classOf('tv2020')).reasons.filter(reason => reason.needs === 'picture'),
    ).toEqual([])
    expect(codes(play(old, classOf('browser')))).toEqual(
      expect.arrayContaining(['CODEC', 'INTERLACED']),
    )
    expect(play(old, classOf('browser')).conversion?.task.source.interlaced).toBe(true)
  })
  it('dynamic metadata fall back to their base', () => {
    const film = title('uhd-hdr-hevc', {
      hdr: 'dynamic',
      container: 'mp4',
      sound: 'aac',
      channels: 2,
    })
    expect(codes(play(film, classOf('tv2016')))).toEqual([])
    expect(codes(play({ ...film, hdr: 'hlg' }, classOf('tv2016')))).toEqual(['HDR'])
  })
  it('goes to the largest picture that fits: screen, source, rung', () => {
    const lines = (of: string, device: string, capMbps: number) =>
      play(title(of), classOf(device), { capMbps, linkMbps: capMbps }).output?.lines
    expect(lines('uhd-disc', 'stickHd', 20)).toBe(1080)
    expect(lines('uhd-disc', 'tv2016', 5)).toBe(720)
    expect(lines('uhd-disc', 'tv2016', 2)).toBe(480)
    expect(lines('hd720-h264', 'stickHd', 3)).toBe(720)
    expect(lines('uhd-disc', 'tv2016', 0.9)).toBe(360)
  })
  it('cannot be played below the lowest rung', () => {
    const result = play(title('hd1080-h264'), classOf('tv2020'), { linkMbps: 0.5 })
    expect(result).toMatchObject({ outcome: 'cannot', work: 0 })
    expect(codes(result).at(-1)).toBe('NO_RUNG')
  })
  it(
    'takes a smaller rung when the processor is too slow for the larger, and cannot when it ' +
      'is too slow for all',
    () => {
      const needs = (lines: number) =>
        new ConversionBook(catalogue.workTable, 'atSourceSize').conversion(
          {
            title: title('uhd-hdr-hevc'),
            device: classOf('browser'),
            linkMbps: 99,
            capMbps: 99,
            subtitled: false,
          },
          lines,
          { burn: false, soundConverted: true },
        ).work.likely
      const capacity = (needs(1080) + needs(720)) / 2
      expect(play(title('uhd-hdr-hevc'), classOf('browser'), {}, capacity).output?.lines).toBe(720)
      const slow = play(title('uhd-hdr-hevc'), classOf('browser'), {}, 1)
      expect(slow.outcome).toBe('cannot')
      expect(codes(slow).at(-1)).toBe('TOO_SLOW')
    },
  )
  it('plays a small second copy where the title itself would be converted', () => {
    const film = title('uhd-disc', { smallCopies: 'hd720' })
    expect(play(film, classOf('stickHd'))).toMatchObject({
      outcome: 'playAsIs',
      smallCopy: true,
      work: 0,
    })
    expect(play(film, classOf('projector'))).toMatchObject({
      outcome: 'playAsIs',
      smallCopy: false,
    })
  })
  it('never sends more than the source has', () => {
    expect(play(title('sd-disc', { bitrateMbps: 1.2 }), classOf('browser')).output).toMatchObject({
      lines: 480,
      mbps: 1.2,
    })
  })
  it("the standards' levels follow size and frame rate", () => {
    const level = (id: string, framesPerSecond: number) =>
      levelNeeded({ quality: qualityOf(id), framesPerSecond })
    expect([
      level('hd1080-h264', 24),
      level('hd1080-h264', 60),
      level('uhd-hdr-hevc', 24),
      level('uhd-hdr-hevc', 60),
      level('sd-disc', 25),
    ]).toEqual([4, 4.2, 5, 5.1, 0])
    // By the standards' tables of picture sizes and rates: up to 30 frames a second, and above.
    expect(levels).toEqual({
      h264: { 576: [3, 3.1], 720: [3.1, 3.2], 1080: [4, 4.2], 2160: [5.1, 5.2] },
      hevc: { 576: [3, 3.1], 720: [3.1, 4], 1080: [4, 4.1], 2160: [5, 5.1] },
      av1: { 576: [2.1, 3], 720: [3.1, 4], 1080: [4, 4.1], 2160: [5, 5.1] },
    })
  })
  it('every rule has a code of its own', () =>
    expect(new Set(playbackRules.map(rule => rule.code)).size).toBe(playbackRules.length))
})

const families = Object.keys(codecFamilies) as CodecFamily[]
const anyAbility = (codec: CodecFamily): fc.Arbitrary<VideoAbility> =>
  fc.record({
    codec: fc.constant(codec),
    level: fc.constantFrom(3, 4, 4.1, 5, 5.2),
    lines: fc.constantFrom(576, 720, 1080, 2160),
    framesPerSecond: fc.constantFrom(30, 60),
    bits: fc.constantFrom(8 as const, 10 as const),
  })
const anyDevice: fc.Arbitrary<Capabilities> = fc.record({
  video: fc.subarray(families).chain(list => fc.tuple(...list.map(anyAbility))),
  screenLines: fc.constantFrom(480, 720, 1080, 1440, 2160),
  hdr: fc.subarray<HdrKind>(['hdr10', 'hlg', 'dynamic']),
  containers: fc.subarray(Object.keys(containers) as Container[]),
  sound: fc.subarray(Object.keys(soundCodecs) as SoundCodec[]),
  channels: fc.constantFrom(2, 6, 8),
  subtitles: fc.subarray<SubtitleKind>(['text', 'styled', 'bitmap']),
  maxMbps: fc.double({ min: 1, max: 150, noNaN: true }),
  deinterlaces: fc.boolean(),
})

const anyTitle: fc.Arbitrary<TitleTraits> = fc
  .record({
    quality: fc.constantFrom(...qualities.map(quality => quality.id)),
    bitrateMbps: fc.double({ min: 0.5, max: 100, noNaN: true }),
    container: fc.constantFrom(...(Object.keys(containers) as Container[])),
    sound: fc.constantFrom(...(Object.keys(soundCodecs) as SoundCodec[])),
    channels: fc.constantFrom(2, 6, 8),
    subtitles: fc.constantFrom<SubtitleKind>('none', 'text', 'styled', 'bitmap'),
    interlaced: fc.boolean(),
    framesPerSecond: fc.constantFrom(24, 25, 50, 60),
    smallCopies: fc.constantFrom('none' as const, 'hd720' as const),
  })
  .map(({ quality, ...changes }) =>
    title(quality, { ...changes, peakMbps: peakMbps(qualityOf(quality), changes.bitrateMbps) }),
  )
const anyRate = fc.oneof(fc.double({ min: 0.3, max: 150, noNaN: true }), fc.constant(Infinity))
const rank = ({ outcome }: Playability) => outcomes.indexOf(outcome)

/** A device with one capability more. */
const gains: readonly ((device: Capabilities, of: TitleTraits) => Capabilities)[] = [
  (device, of) => ({ ...device, containers: [...device.containers, of.container] }),
  (device, of) => ({ ...device, sound: [...device.sound, of.sound] }),
  device => ({ ...device, channels: 8 }),
  device => ({ ...device, hdr: ['hdr10', 'hlg', 'dynamic'] }),
  (device, of) => ({ ...device, subtitles: [...device.subtitles, of.subtitles] }),
  device => ({ ...device, maxMbps: device.maxMbps * 2 }),
  device => ({ ...device, deinterlaces: true }),
  device => ({ ...device, video: device.video.map(can => ({ ...can, level: 7 })) }),
  device => ({ ...device, video: device.video.map(can => ({ ...can, lines: 2160 })) }),
  device => ({ ...device, video: device.video.map(can => ({ ...can, framesPerSecond: 240 })) }),
  device => ({ ...device, video: device.video.map(can => ({ ...can, bits: 10 as const })) }),
  device => ({
    ...device,
    video: [
      ...device.video,
      ...families
        .filter(codec => !device.video.some(can => can.codec === codec))
        .map(codec => ({ codec, level: 6, lines: 2160, framesPerSecond: 60, bits: 10 as const })),
    ],
  }),
]

describe('whatever the title and the device', () => {
  const limits = fc.record({ linkMbps: anyRate, capMbps: anyRate, subtitled: fc.boolean() })
  const capacity = fc.constantFrom(0.5, 2, 5, Infinity)
  it('a device that gains a capability never gets a worse outcome', () => {
    fc.assert(
      fc.property(
        anyTitle,
        anyDevice,
        limits,
        capacity,
        fc.constantFrom(...gains),
        (of, device, limit, alone, gain) => {
          const [before, after] = [
            play(of, device, limit, alone),
            play(of, gain(device, of), limit, alone),
          ]
          // A small copy played as it is may give way to the title itself, repacked: better, and
          // one step more work.
          fc.pre(!before.smallCopy)
          expect(rank(after)).toBeLessThanOrEqual(rank(before))
          expect(
            after.reasons.filter(reason => !['NO_RUNG', 'TOO_SLOW'].includes(reason.code)).length,
          ).toBeLessThanOrEqual(
            before.reasons.filter(reason => !['NO_RUNG', 'TOO_SLOW'].includes(reason.code)).length,
          )
        },
      ),
      { numRuns: 600 },
    )
  })
  it('a lower cap never makes the outcome better, nor the picture that goes out', () => {
    fc.assert(
      fc.property(
        anyTitle,
        anyDevice,
        limits,
        capacity,
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (of, device, limit, alone, factor) => {
          const [before, after] = [
            play(of, device, limit, alone),
            play(of, device, { ...limit, capMbps: Math.min(500, limit.capMbps) * factor }, alone),
          ]
          fc.pre(!after.smallCopy) // under a lower cap a small copy may take the place of the title
          expect(rank(after)).toBeGreaterThanOrEqual(rank(before))
          if (before.output && after.output)
            expect(after.output.lines).toBeLessThanOrEqual(before.output.lines)
          // A lower cap alone never turns work that has to be done into none; only a small copy
          // could, and it must fit the cap too.
          if (before.work > 0 && after.outcome !== 'cannot') expect(after.work).toBeGreaterThan(0)
        },
      ),
      { numRuns: 600 },
    )
  })
  it('what plays as it is has no reasons, and what does not has some', () => {
    fc.assert(
      fc.property(anyTitle, anyDevice, limits, capacity, (of, device, limit, alone) => {
        const result = play(of, device, limit, alone)
        if (result.outcome !== 'playAsIs') expect(result.reasons.length).toBeGreaterThan(0)
        else if (!result.smallCopy) expect(result.reasons).toEqual([])
        if (result.output)
          expect(result.output.lines).toBeLessThanOrEqual(Math.max(device.screenLines, 0))
        expect(Number.isFinite(result.work)).toBe(true)
      }),
      { numRuns: 300 },
    )
  })
})

const demo = planSchema.parse(tideMillHouse)
const factsOf = (plan: Plan) => planAssessor(1).facts(plan, catalogue, ['household', 'playback'])
const {
  household: { week },
  playback: { matrix },
} = factsOf(demo)

describe('the matrix of the demo household', () => {
  it(
    'has a row for each kind of title, most titles first, and a column for each device where ' +
      'it is used',
    () => {
      expect(matrix.rows[0]).toMatchObject({
        quality: { id: 'hd1080-hevc' },
        titles: { series: 1350 },
      })
      expect(matrix.columns.map(column => [column.deviceName, column.placeName])).toContainEqual([
        'Cottage set-top',
        'Lock cottage',
      ])
      expect(matrix.cells).toHaveLength(matrix.rows.length)
      expect(matrix.cells.every(row => row.length === matrix.columns.length)).toBe(true)
    },
  )
  it(
    'gives the line away what upload, place and household allow: 22 · 0.75 ÷ 1.08 ÷ 2, and 6 ' +
      '· 0.8 at sea',
    () => {
      const ship = matrix.columns.find(column => column.placeName === 'Survey ship')!
      expect(ship.linkMbps).toBeCloseTo(4.8, 9)
      expect(
        matrix.columns.find(column => column.placeName === 'Lock cottage')!.linkMbps,
      ).toBeCloseTo((22 * 0.75) / 1.08 / 2, 9)
      expect(ship.capMbps).toBe(4)
    },
  )
  const sharesOf = (habit: object, rows: TitleTraits[]) =>
    rowShares({ habit } as never, { rows, keepsMusic: true }).rows
  it('spreads a habit over the kinds it watches, and within a kind over its titles', () => {
    const habit = { watches: { film: 3, series: 1, homeVideo: 0, music: 0 } }
    const rows = [
      { titles: { film: 30 } },
      { titles: { film: 10, series: 5 } },
      { titles: { homeVideo: 9 } },
    ].map(row => ({ ...row, notOfferedTo: [] as string[] })) as unknown as TitleTraits[]
    expect(sharesOf(habit, rows)).toEqual([0.75 * 0.75, 0.75 * 0.25 + 0.25, 0])
    expect(sharesOf({ watches: { film: 0, series: 0, homeVideo: 0, music: 0 } }, rows)).toEqual([
      30 / 54,
      15 / 54,
      9 / 54,
    ])
    const sings = { watches: { film: 0, series: 1, homeVideo: 0, music: 3 } }
    expect(rowShares({ habit: sings } as never, { rows, keepsMusic: true })).toEqual({
      rows: [0, 0.25, 0],
      soundAlone: 0.75,
    })
    // Without music its share falls to what is kept.
    expect(rowShares({ habit: sings } as never, { rows, keepsMusic: false })).toEqual({
      rows: [0, 1, 0],
      soundAlone: 0,
    })
  })
  it('gives the hours of titles that a device is not offered to what else the habit watches', () => {
    const habit = { device: 'stick', watches: { film: 3, series: 1, homeVideo: 0, music: 0 } }
    const rows = (first: string[], second: string[] = []) =>
      [
        { titles: { film: 30 }, notOfferedTo: first },
        { titles: { film: 10, series: 5 }, notOfferedTo: second },
        { titles: { homeVideo: 9 }, notOfferedTo: [] },
      ] as unknown as TitleTraits[]
    expect(sharesOf(habit, rows(['stick']))).toEqual([0, 1, 0])
    expect(sharesOf(habit, rows(['tablet']))).toEqual([0.75 * 0.75, 0.75 * 0.25 + 0.25, 0])
    // Without any films or series left, whatever is offered is as likely.
    expect(sharesOf(habit, rows(['stick'], ['stick']))).toEqual([0, 0, 1])
    expect([
      isOffered({ notOfferedTo: ['stick'] }, 'stick'),
      isOffered({ notOfferedTo: ['stick'] }, null),
    ]).toEqual([false, true])
  })
  it('shares of hours add up to 1', () => {
    const { shares } = hourShares(matrix, week)!
    expect(Object.values(shares).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12)
    matrix.sessions.forEach((sessions, at) =>
      expect(
        sessions.reduce((sum, { chance }) => sum + chance, matrix.soundAlone[at]!),
      ).toBeCloseTo(1, 12),
    )
  })
  it('is sent at no more than the device takes, and to none that takes nothing of it', () => {
    const session = (maxMbps: number) =>
      prospectOf(
        {
          title: title('uhd-hdr-hevc'),
          device: {
            ...classOf('tv2016'),
            maxMbps,
            video: classOf('tv2016').video.filter(({ codec }) => codec === 'h264'),
          },
          linkMbps: 1000,
          capMbps: Infinity,
          subtitled: false,
        },
        new ConversionBook(workTable, 'atSourceSize'),
      )
    const rates = (maxMbps: number) => session(maxMbps).steps.map(({ mbps }) => mbps)
    expect(Math.max(...rates(100))).toBeGreaterThan(8)
    expect(Math.max(...rates(8))).toBe(8)
    expect(session(8).unlimitedMbps).toBe(8)
    expect(session(0.1)).toMatchObject({ settled: { outcome: 'cannot', stoppedBy: 'device' } })
  })
  it('to guests counts as too low below what a viewer accepts who says nothing', () => {
    const { watchers } = watchersOf(
      planSchema.parse({
        name: 'x',
        household: {
          viewers: [{ id: 'a' }],
          habits: [{ viewer: '', onBusyDays: true }],
        },
      }).household,
    )
    expect(watchers.map(({ listed, lowestRungMbps }) => [listed, lowestRungMbps])).toEqual([
      [true, 2.8],
      [false, 2.8],
    ])
  })
  it('of a habit to which nothing is offered count as not watched, and not as played', () => {
    const of = (notOfferedTo: string[]) =>
      factsOf(
        planSchema.parse({
          name: 'x',
          library: { holdings: [{ quality: 'uhd-hdr-hevc', titles: 10, notOfferedTo }] },
          household: {
            viewers: [{ id: 'a' }, { id: 'b' }],
            devices: [
              { id: 'tv', class: 'tv2020' },
              { id: 'old', class: 'tv2016' },
            ],
            habits: [
              { viewer: 'a', device: 'tv', minutes: 60 },
              { viewer: 'b', device: 'old', minutes: 180 },
            ],
          },
        }),
      ).playback
    const [all, one, none] = [of([]), of(['old']), of(['tv', 'old'])]
    expect(all!.sharedHours).toBeCloseTo(4 * one!.sharedHours, 9)
    expect(one!.shares!.playAsIs).toBe(
      of([]).matrix.cells[0]![0]!.plain.outcome === 'playAsIs' ? 1 : 0,
    )
    expect([none!.shares, none!.sharedHours, none!.demand.hoursPerWeek]).toEqual([null, 0, 0])
  })
  it('shares of hours are what playing 60 000 titles by chance comes to', () => {
    const random = seededRandom(20261125)
    const habits = week.habits
      .map((habit, at) => ({ habit, at }))
      .filter(({ habit }) => !habit.habit.onBusyDays)
    const hours = habits.reduce((sum, { habit }) => sum + habit.hoursPerWeek, 0)
    const runs = 60_000
    let converted = 0
    for (let run = 0; run < runs; run++) {
      let at = random() * hours
      const { habit } = habits.find(entry => (at -= entry.habit.hoursPerWeek) < 0)!
      const kinds = Object.entries(habit.habit.watches).filter(
        ([kind, parts]) =>
          parts > 0 && matrix.rows.some(row => (row.titles as Record<string, number>)[kind]),
      )
      let kindAt = random() * kinds.reduce((sum, [, parts]) => sum + parts, 0)
      const kind = kinds.find(([, parts]) => (kindAt -= parts) < 0)![0]
      const titlesOf = (row: TitleTraits) => (row.titles as Record<string, number>)[kind] ?? 0
      let titleAt = random() * matrix.rows.reduce((sum, row) => sum + titlesOf(row), 0)
      const row = matrix.rows.findIndex(entry => (titleAt -= titlesOf(entry)) < 0)
      const column = matrix.columns.findIndex(entry =>
        entry.habits.includes(week.habits.indexOf(habit)),
      )
      const cell = matrix.cells[row]![column]!
      const shown = cell.subtitled && random() < 0.25 ? cell.subtitled : cell.plain
      if (shown.outcome === 'picture') converted++
    }
    const share = hourShares(matrix, week)!.shares.picture
    expect(Math.abs(converted / runs - share)).toBeLessThan(
      4 * Math.sqrt((share * (1 - share)) / runs),
    )
  })
  it('sums up by row and by column to the hours of the week', () => {
    const { rows, columns, cellHours } = matrixSummaries(matrix, week)
    const hours = week.habits.reduce(
      (sum, { habit, hoursPerWeek }) => (habit.onBusyDays ? sum : sum + hoursPerWeek),
      0,
    )
    expect(columns.reduce((sum, column) => sum + column.hoursPerWeek, 0)).toBeCloseTo(hours, 9)
    expect(rows.reduce((sum, row) => sum + row.hoursPerWeek, 0)).toBeCloseTo(hours, 9)
    expect(cellHours.flat().reduce((sum, cell) => sum + cell, 0)).toBeCloseTo(hours, 9)
    const picture = columns.reduce(
      (sum, column) => sum + column.hoursPerWeek * (column.shares?.picture ?? 0),
      0,
    )
    expect(picture / hours).toBeCloseTo(hourShares(matrix, week)!.shares.picture, 9)
    matrix.columns.forEach((column, at) =>
      expect(columns[at]!.hoursPerWeek).toBeCloseTo(column.hoursPerWeek, 9),
    )
  })
  it('without devices shows the generic classes', () => {
    const bare = planSchema.parse({ name: 'x', library: tideMillHouse.library })
    const { columns } = factsOf(bare).playback.matrix
    expect(columns.map(column => column.className)).toEqual(deviceClasses.map(entry => entry.label))
  })
  it("takes a class of one's own before a generic one", () => {
    const input: PlanInput = {
      ...tideMillHouse,
      household: {
        ...tideMillHouse.household,
        capabilitySets: [
          {
            id: 'tablet',
            label: 'Panel',
            video: [],
            hdr: [],
            containers: [],
            sound: [],
            subtitles: [],
          },
        ],
      },
    }
    const plan = planSchema.parse(input)
    const own = factsOf(plan).playback.matrix
    const panel = own.columns.findIndex(column => column.className === 'Panel')
    expect(own.cells.every(row => row[panel]!.plain.outcome === 'cannot')).toBe(true)
  })
  it('leaves out what is no video, and puts holdings alike but for their bitrate in one group', () => {
    const { library } = planSchema.parse({
      name: 'x',
      library: {
        holdings: [
          { titles: 10, bitrateMbps: 6 },
          { titles: 30, bitrateMbps: 10 },
          { titles: 2, bitrateMbps: 6 },
          { kind: 'music', quality: 'music-lossless', titles: 5 },
          { titles: 4, sound: 'dts' },
        ],
      },
    })
    const rows = titleTraits(library, qualities)
    expect(rows.map(row => [row.holdings, row.bitrateMbps, row.titles.film])).toEqual([
      [[0, 2], 6, 12],
      [[1], 10, 30],
      [[4], 8, 4],
    ])
    expect(rows.map(({ label }) => label.split(', ').at(-1))).toEqual(['6 Mb/s', '10 Mb/s', 'DTS'])
    expect(rowGroups(rows).map(({ rows: own, highestMbps }) => [own, highestMbps])).toEqual([
      [[0, 1], 10],
      [[2], 8],
    ])
  })
  it('look at a scanned holding by the quarters of its bitrates', () => {
    const { library } = planSchema.parse({
      name: 'x',
      library: {
        holdings: [{ titles: 8, bitrateMbps: 10, bitrateQuarters: [4, 6, 8, 22] }],
      },
    })
    const rows = titleTraits(library, qualities)
    expect(rows.map(row => [row.bitrateMbps, row.titles.film, row.holdings])).toEqual([
      [4, 2, [0]],
      [6, 2, [0]],
      [8, 2, [0]],
      [22, 2, [0]],
    ])
    expect(new Set(rows.map(({ key }) => key)).size).toBe(4)
  })
  it('are each judged by their own bitrate: half of them over a cap are converted', () => {
    const of = (holdings: object[]) => {
      const plan = planSchema.parse({
        name: 'x',
        library: { holdings },
        household: {
          viewers: [{ id: 'a' }],
          devices: [{ id: 'tv', class: 'tv2020' }],
          habits: [{ viewer: 'a', device: 'tv', capMbps: 12 }],
        },
      })
      return assess(plan, catalogue).domains.playback
    }
    const two = of([
      { titles: 100, bitrateMbps: 3 },
      { titles: 100, bitrateMbps: 20 },
    ])
    expect(two.demand.convertingShares).toEqual([0.5])
    // One holding whose scan found the same.
    const one = of([{ titles: 200, bitrateMbps: 11.5, bitrateQuarters: [3, 3, 20, 20] }])
    expect(one.demand.convertingShares).toEqual([0.5])
    expect(one.demand.mix).toHaveLength(1)
    // And by its mean alone nothing is over the cap.
    expect(of([{ titles: 200, bitrateMbps: 11.5 }]).demand.convertingShares).toEqual([0])
    const week = assess(planSchema.parse({ name: 'x' }), catalogue).domains.household.week
    const group = rowGroups(two.matrix.rows)[0]!
    const shown = groupCell(two.matrix, matrixSummaries(two.matrix, two.demand.week ?? week), {
      rows: group.rows,
      column: 0,
    })
    expect([shown.cell.plain.outcome, shown.worstShare]).toEqual(['picture', 0.5])
    expect(shown.parts.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12)
  })
})

describe('fixes', () => {
  const { ranked, cells } = fixesOf(demo, catalogue)
  it('are ranked by what they remove, each of another kind of thing', () => {
    expect(ranked.length).toBeGreaterThan(3)
    expect(ranked.map(fix => fix.removedShare)).toEqual(
      ranked.map(fix => fix.removedShare).sort((a, b) => b - a),
    )
    expect(new Set(ranked.map(fix => fix.group)).size).toBe(ranked.length)
  })
  it('remove what the matrix of the changed plan says', () => {
    const trouble = (plan: typeof demo) => {
      const shares = factsOf(plan).playback.shares!
      return shares.picture + shares.cannot
    }
    for (const fix of ranked)
      expect(fix.removedShare).toBeCloseTo(1 - trouble(fix.plan) / trouble(demo), 9)
  })
  it('leave a plan that is valid, and change nothing else', () => {
    for (const { plan } of ranked) {
      expect(planSchema.parse(plan)).toEqual(plan)
      expect({ ...plan, household: 0, library: 0, network: 0 }).toEqual({
        ...demo,
        household: 0,
        library: 0,
        network: 0,
      })
    }
  })
  it('name for each cell the cheapest that leaves nothing to convert there', () => {
    const row = matrix.rows.findIndex(entry => entry.quality.id === 'hd1080-hevc')
    const column = matrix.columns.findIndex(entry => entry.deviceName === 'Attic stick')
    expect(matrix.cells[row]![column]!.plain.outcome).toBe('picture')
    const fix = cells.get(cellKey(row, column))!
    const after = factsOf(fix.plan).playback.matrix
    const cell =
      after.cells[
        after.rows.findIndex(entry => entry.holdings.includes(matrix.rows[row]!.holdings[0]!))
      ]![after.columns.findIndex(entry => entry.key === matrix.columns[column]!.key)]!
    expect(['playAsIs', 'repack', 'sound']).toContain(cell.plain.outcome)
    expect([...cells.keys()].every(key => /^\d+ \d+$/.test(key))).toBe(true)
  })
  it('second copies cost their space', () => {
    const copies = ranked.find(fix => fix.id.startsWith('copies-'))!
    expect(copies.extraTB).toBeGreaterThan(0)
    expect(copies.plan.library.holdings.some(holding => holding.smallCopies !== 'none')).toBe(true)
  })
  it('of one household with one stick: replacing it removes all', () => {
    const plan = planSchema.parse({
      name: 'x',
      household: {
        viewers: [{ id: 'a' }],
        devices: [{ id: 'stick', name: 'Stick', class: 'stickHd' }],
        habits: [{ viewer: 'a', device: 'stick', watches: { film: 1, series: 0 } }],
      },
      library: {
        holdings: [
          {
            quality: 'hd1080-hevc',
            titles: 50,
            container: 'mp4',
            sound: 'aac',
            channels: 2,
            subtitles: 'none',
          },
        ],
      },
    })
    const {
      ranked: [first],
    } = fixesOf(plan, catalogue)
    expect(first).toMatchObject({ group: 'device-stick', price: 60, hoursAfter: 0 })
    expect(first!.removedShare).toBeCloseTo(1, 9)
    expect(first!.label).toContain('Replace Stick by: streaming stick, 4K')
  })
  it('are none where nothing is converted', () =>
    expect(fixesOf(planSchema.parse({ name: 'x' }), catalogue)).toEqual({
      ranked: [],
      cells: new Map(),
    }))
  it('each kind proposes for the demo', () => {
    for (const kind of fixKinds)
      expect(kind(demo, matrix, catalogue).length, String(kind)).toBeGreaterThanOrEqual(0)
    expect(
      fixKinds.filter(kind => kind(demo, matrix, catalogue).length > 0).length,
    ).toBeGreaterThanOrEqual(4)
  })
})

describe('titles that a device is not offered', () => {
  const hdr = demo.library.holdings.findIndex(holding => holding.quality === 'uhd-hdr-hevc')
  const kept = {
    ...demo,
    library: {
      ...demo.library,
      holdings: demo.library.holdings.map((holding, at) =>
        at === hdr ? { ...holding, notOfferedTo: ['attic', 'cabin', 'settop'] } : holding,
      ),
    },
  }
  it('need no conversion there, and stay what they are elsewhere', () => {
    const { playback } = factsOf(kept)
    const row = playback.matrix.rows.findIndex(entry => entry.holdings.includes(hdr))
    playback.matrix.columns.forEach((column, at) =>
      expect(playback.matrix.cells[row]![at]!.offered, column.key).toBe(
        !['attic', 'cabin', 'settop'].includes(column.deviceId!),
      ),
    )
    expect(playback.shares!.cannot).toBeLessThan(factsOf(demo).playback.shares!.cannot)
    expect(playback.stuck).toEqual([])
    playback.matrix.sessions.forEach(sessions =>
      expect(sessions.reduce((sum, { chance }) => sum + chance, 0)).toBeLessThanOrEqual(1 + 1e-12),
    )
  })
  it('mend a verdict that only they spoilt', () => {
    const state = (plan: Plan) => assess(plan, catalogue).domains.streams.state
    expect([state(demo), state(kept)]).toEqual(['short', 'tight'])
  })
  it('are proposed as a fix that costs nothing', () => {
    const fix = fixesOf(demo, catalogue).ranked.find(entry => entry.leavesOut)!
    expect(fix).toMatchObject({ price: 0, extraTB: 0 })
    expect(fix.label).toMatch(/^Do not offer .* on /)
  })
  it('that are all its viewers have are a finding, and no conversion', () => {
    const plan = planSchema.parse({
      name: 'x',
      machine: { score: 4000 },
      library: { holdings: [{ titles: 3, notOfferedTo: ['stick'] }] },
      household: {
        viewers: [{ id: 'a' }],
        devices: [{ id: 'stick', class: 'stickHd' }],
        habits: [{ name: 'Evening', viewer: 'a', device: 'stick' }],
      },
    })
    const { findings, figures } = assess(plan, catalogue)
    expect(findings.map(entry => entry.code)).toContain('NOTHING_OFFERED')
    expect(figures['streams.asked']!.value).toBe(0)
  })
})

describe('reasons in words', () => {
  it('are whole sentences with their numbers, whatever the title and the device', () => {
    fc.assert(
      fc.property(
        anyTitle,
        anyDevice,
        fc.record({ linkMbps: anyRate, capMbps: anyRate, subtitled: fc.boolean() }),
        fc.constantFrom(0.1, 3, Infinity),
        (of, device, limit, alone) => {
          for (const reason of play(of, device, limit, alone).reasons)
            expect(reasonText(reason, plainFormat)).toMatch(
              /^[A-Z0-9](?!.*(undefined|NaN|Infinity)).*\.$/,
            )
        },
      ),
      { numRuns: 300 },
    )
  })
  it('tell machine, line and device apart', () => {
    expect(play(title('hd1080-h264'), classOf('tv2020'), { linkMbps: 0.5 })).toMatchObject({
      stoppedBy: 'line',
    })
    expect(play(title('uhd-hdr-hevc'), classOf('browser'), {}, 0.1)).toMatchObject({
      stoppedBy: 'machine',
    })
    expect(play(title('hd1080-h264'), { ...classOf('tv2020'), video: [] })).toMatchObject({
      stoppedBy: 'device',
    })
  })
})

describe('conversions asked', () => {
  it('follow the convolution of viewers: hand case of two viewers in one slot', () => {
    const plan = planSchema.parse({
      name: 'x',
      machine: { score: 4000, cores: 4 },
      choices: { systemReserveShare: 0 },
      household: {
        viewers: [
          { id: 'a', lowestRungMbps: 10 },
          { id: 'b', lowestRungMbps: 10 },
        ],
        devices: [{ id: 'stick', class: 'stickHd', link: 'wired100' }],
        subtitlesShare: 0,
        forcedSubtitlesShare: 0,
        habits: ['a', 'b'].map(viewer => ({
          viewer,
          device: 'stick',
          days: ['sat' as const],
          earliest: 1200,
          latest: 1200,
          minutes: 60,
          chance: viewer === 'a' ? 0.5 : 0.4,
          watches: { film: 1, series: 0 },
        })),
      },
      library: { holdings: [{ quality: 'hd1080-hevc', titles: 1 }] },
    })
    const { figures, domains } = assess(plan, catalogue)
    // P(2) = 0.2, P(>=1) = 0.7: two convert more often than once in twenty.
    expect([
      figures['streams.asked95']?.value,
      figures['streams.asked99']?.value,
      figures['streams.askedHeadCount']?.value,
    ]).toEqual([2, 2, 2])
    const work = domains.streams.mix[0]!.work.likely
    // The machine has 2 reference streams; two conversions need more only if each takes over 1.
    // Then 12 slots · 5 min · 0.2 · 4.348.
    const short = (work / 2) * 200 > 100 ? 12 * 5 * 0.2 * 4.348 : 0
    expect(figures['streams.minutesShortPerMonth']?.value).toBeCloseTo(short, 9)
    expect(short).toBeGreaterThan(0)
  })
})
