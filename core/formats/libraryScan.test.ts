import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { qualities } from '../catalogue/qualities'
import { holdingsOf, maxGroups, ScanGrouping } from '../library/scanGroups'
import { planSchema } from '../plan/planSchema'
import { LibraryScanReader, problemsKept } from './libraryScan'
import { encodingOf } from './encodingOf'
import { readProbeDocument } from './probeDocument'
import type { ScannedFile } from './scannedFile'

function read(
  text: string,
  chunk = text.length,
): { files: ScannedFile[]; reader: LibraryScanReader } {
  const files: ScannedFile[] = []
  const reader = new LibraryScanReader(file => files.push(file))
  for (let at = 0; at < text.length; at += Math.max(1, chunk))
    reader.push(text.slice(at, at + Math.max(1, chunk)))
  reader.end()
  return { files, reader }
}
const probe = (changes: object = {}, stream: object = {}) => ({
  format: { filename: 'a {film}.mkv', duration: '6600.5', size: '6600500000', ...changes },
  streams: [
    {
      codec_type: 'video',
      codec_name: 'h264',
      width: 1920,
      height: 1080,
      pix_fmt: 'yuv420p',
      r_frame_rate: '24/1',
      avg_frame_rate: '24/1',
      ...stream,
    },
    { codec_type: 'audio', codec_name: 'ac3' },
  ],
})
function grouped(files: readonly ScannedFile[]) {
  const grouping = new ScanGrouping(qualities)
  files.forEach(file => grouping.add(file))
  return grouping.summary()
}

describe('a scan in JSON', () => {
  const documents = Array.from({ length: 7 }, (_, index) =>
    probe({ filename: `title "${index}" }{.mkv` }),
  )
  const strung: readonly (readonly [string, string])[] = [
    ['an array', JSON.stringify(documents, null, 2)],
    ['JSON lines', documents.map(document => JSON.stringify(document)).join('\r\n')],
    [
      'one after the other',
      documents.map(document => JSON.stringify(document, null, 4)).join('\n'),
    ],
  ]
  it.each(strung)('strung as %s, cut into chunks anywhere, gives every file', (_, text) => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 900 }), chunk => {
        const { files, reader } = read(text, chunk)
        expect(files.map(file => file.path)).toEqual(
          documents.map(document => document.format.filename),
        )
        expect(reader.problemCount).toBe(0)
      }),
      { numRuns: 40 },
    )
  })
  it('of a single document with a byte-order mark is read', () =>
    expect(read(`\uFEFF${JSON.stringify(probe())}`).files).toHaveLength(1))
  it('cut off in the middle keeps what came before, and says where it breaks off', () => {
    const { files, reader } = read(strung[2]![1].slice(0, -200))
    expect(files).toHaveLength(6)
    expect(reader.problems).toEqual([
      { line: expect.any(Number), message: expect.stringContaining('breaks off') },
    ])
  })
  it('lists rubbish between, inside and instead of objects, with its line', () => {
    const { files, reader } = read(
      `${JSON.stringify(probe())}\nffprobe: ` +
        `error\n{"a":1}\n{"format":{,}}\n${JSON.stringify(probe())}`,
    )
    expect(files).toHaveLength(2)
    expect(reader.problems.map(problem => problem.line)).toEqual([2, 3, 4])
  })
  it('keeps the first problems and counts the rest', () => {
    const { reader } = read('{"a":1}\n'.repeat(1000))
    expect(reader.problems).toHaveLength(problemsKept)
    expect(reader.problemCount).toBe(1000)
  })
  it('that is empty says so', () =>
    expect(read('  \n').reader.problems[0]?.message).toContain('empty'))
})

describe('one ffprobe document', () => {
  it('gives size, length, picture and bitrate', () => {
    expect(readProbeDocument(probe())).toMatchObject({
      durationS: 6600.5,
      sizeBytes: 6_600_500_000,
      videoCodec: 'h264',
      height: 1080,
      bitrateMbps: 8,
      audioTracks: 1,
      highDynamicRange: false,
      interlaced: false,
    })
  })
  it('tells HDR by the transfer, 10 bits by the pixel format, interlacing and a variable rate', () => {
    expect(
      readProbeDocument(
        probe({}, { codec_name: 'hevc', color_transfer: 'smpte2084', pix_fmt: 'yuv420p10le' }),
      ),
    ).toMatchObject({ highDynamicRange: true, bitsPerSample: 10 })
    expect(readProbeDocument(probe({}, { field_order: 'tt' }))?.interlaced).toBe(true)
    expect(
      readProbeDocument(probe({}, { r_frame_rate: '60/1', avg_frame_rate: '29700/1001' }))
        ?.variableFrameRate,
    ).toBe(true)
  })
  it('demands nothing: left out, misspelt or odd values count as left out', () => {
    expect(readProbeDocument({ format: {} })).toMatchObject({
      videoCodec: null,
      durationS: null,
      bitrateMbps: null,
      audioTracks: null,
    })
    expect(
      readProbeDocument({ streams: [{ codec_type: 'video', width: 'wide', disposition: 3 }] }),
    ).toMatchObject({ videoCodec: 'unknown', width: null })
    expect(readProbeDocument(probe({ duration: 'N/A', size: -5 }))).toMatchObject({
      durationS: null,
      sizeBytes: null,
    })
    expect(
      readProbeDocument({
        streams: [
          { codec_type: 'video', codec_name: 'mjpeg', disposition: { attached_pic: 1 } },
          { codec_type: 'audio' },
        ],
      })?.videoCodec,
    ).toBeNull()
  })
  it('is not any other value', () => {
    for (const value of [null, 3, [], {}, { a: 1 }]) expect(readProbeDocument(value)).toBeNull()
    fc.assert(fc.property(fc.anything(), value => void readProbeDocument(value)))
  })
})

describe('a scan in CSV', () => {
  it('reads columns by name, clock times and quoted fields', () => {
    const { files, reader } = read(
      'path,size,duration,codec,height\n"Films/A, the ' +
        'first.mkv",6600000000,1:50:00,h264,1080\nb.mkv,1000,90.5,hevc,2160\n',
    )
    expect(reader.problems).toEqual([])
    expect(files).toMatchObject([
      { path: 'Films/A, the first.mkv', durationS: 6600, bitrateMbps: 8, height: 1080 },
      { durationS: 90.5, videoCodec: 'hevc' },
    ])
  })
  it('reads semicolons, decimal commas, CRLF, a byte-order mark and other units', () => {
    const { files } = read(
      '\uFEFFName;Size GB;Minutes;Video codec;Height;HDR\r\nA;6,6;110;HEVC;2160;yes\r\n',
    )
    expect(files).toMatchObject([
      {
        path: 'A',
        sizeBytes: 6_600_000_000,
        durationS: 6600,
        videoCodec: 'hevc',
        highDynamicRange: true,
      },
    ])
  })
  it('lists lines that do not fit and fields that are no numbers, and reads the rest', () => {
    const { files, reader } = read(
      'path,size,duration,codec,height\na,1\nb,big,60,h264,1080\n\nc,1000,60,h264,1080',
    )
    expect(files.map(file => [file.path, file.sizeBytes])).toEqual([
      ['b', null],
      ['c', 1000],
    ])
    expect(reader.problems).toEqual([
      { line: 2, message: expect.stringContaining('2 fields') },
      { line: 3, message: expect.stringContaining('"big" is not a number') },
    ])
  })
  it('without a header that helps is refused', () =>
    expect(read('a,b,c\n1,2,3').reader.problems[0]?.message).toContain('header row'))
  it('never throws', () => {
    fc.assert(fc.property(fc.string(), text => void read(`path,codec,height,size\n${text}`)))
  })
})

describe('the encoding of a scan', () => {
  const bytes = (text: string, little: boolean) =>
    Uint8Array.from(
      [...text].flatMap(sign => (little ? [sign.charCodeAt(0), 0] : [0, sign.charCodeAt(0)])),
    )
  it('is told by a byte-order mark, or by every other byte being nothing', () => {
    expect(encodingOf(Uint8Array.from([0xff, 0xfe, 0x7b, 0]))).toBe('utf-16le')
    expect(encodingOf(Uint8Array.from([0xfe, 0xff, 0, 0x7b]))).toBe('utf-16be')
    expect(encodingOf(bytes('{"format": 1}', true))).toBe('utf-16le')
    expect(encodingOf(bytes('path,size', false))).toBe('utf-16be')
    expect(encodingOf(new TextEncoder().encode('\uFEFF{"a":1}'))).toBe('utf-8')
    expect(encodingOf(new Uint8Array())).toBe('utf-8')
  })
})

describe('holdings from a scan', () => {
  const scanned = (changes: Partial<ScannedFile> = {}): ScannedFile => ({
    path: 'x',
    sizeBytes: 6.6e9,
    durationS: 6600,
    videoCodec: 'h264',
    width: 1920,
    height: 1080,
    bitsPerSample: 8,
    highDynamicRange: false,
    interlaced: false,
    variableFrameRate: false,
    audioTracks: 1,
    soundCodec: null,
    channels: null,
    subtitleCodecs: [],
    container: null,
    framesPerSecond: null,
    bitrateMbps: 8,
    ...changes,
  })
  it('weigh what their rate and length come to where no size is told', () => {
    // 8 Mb/s over 6 600 s are 6.6 GB.
    expect(grouped([scanned({ sizeBytes: null })]).groups[0]!.sizeBytes).toBe(6.6e9)
    expect(grouped([scanned({ sizeBytes: 5e9 })]).groups[0]!.sizeBytes).toBe(5e9)
  })
  it.each([
    [{}, 'hd1080-h264'],
    [{ bitrateMbps: 28 }, 'hd1080-disc'],
    [{ width: 1920, height: 800 }, 'hd1080-h264'],
    [{ width: 1280, height: 536 }, 'hd720-h264'],
    [{ width: 720, height: 576, videoCodec: 'mpeg2video', bitrateMbps: 5 }, 'sd-disc'],
    [{ width: 720, height: 480 }, 'sd-h264'],
    [{ videoCodec: 'hevc', bitrateMbps: 5 }, 'hd1080-hevc'],
    [{ videoCodec: 'hevc', bitsPerSample: 10, bitrateMbps: 5 }, 'hd1080-hevc'],
    [
      {
        videoCodec: 'hevc',
        width: 3840,
        height: 2160,
        bitsPerSample: 10,
        highDynamicRange: true,
        bitrateMbps: 25,
      },
      'uhd-hdr-hevc',
    ],
    [
      {
        videoCodec: 'hevc',
        width: 3840,
        height: 1600,
        bitsPerSample: 10,
        highDynamicRange: true,
        bitrateMbps: 60,
      },
      'uhd-disc',
    ],
    [{ videoCodec: 'av1', width: 3840, height: 2160, bitrateMbps: 12 }, 'uhd-sdr-av1'],
  ] as const)('%j is %s', (changes, id) =>
    expect(grouped([scanned(changes)]).groups[0]?.quality.id).toBe(id),
  )

  it('carry counts, mean lengths and true mean bitrates, and add up to the bytes of the scan', () => {
    const { groups } = grouped([
      scanned(),
      scanned({ durationS: 4400, sizeBytes: 6.6e9, bitrateMbps: 16 * 0.9 }),
    ])
    expect(groups).toMatchObject([
      { titles: 2, minutes: expect.closeTo(91.667, 3), sizeBytes: 1.32e10 },
    ])
    expect(groups[0]!.bitrateMbps).toBeCloseTo((8 * 6600 + 14.4 * 4400) / 11_000, 9)
    const plan = planSchema.parse({ name: 'x', library: { holdings: holdingsOf(groups) } })
    expect(plan.library.holdings[0]).toMatchObject({
      quality: 'hd1080-h264',
      titles: 2,
      minutes: 91.67,
    })
  })
  it('are kept apart by what they are made of, where it differs from the usual', () => {
    const disc = {
      videoCodec: 'hevc',
      width: 3840,
      height: 2160,
      bitsPerSample: 10,
      highDynamicRange: true,
      bitrateMbps: 60,
    }
    const { groups } = grouped([
      scanned({
        container: 'matroska,webm',
        soundCodec: 'dts',
        channels: 6,
        subtitleCodecs: ['hdmv_pgs_subtitle'],
      }),
      scanned({
        container: 'mov,mp4,m4a',
        soundCodec: 'aac',
        channels: 2,
        subtitleCodecs: ['subrip', 'hdmv_pgs_subtitle'],
      }),
      scanned({
        container: 'mov,mp4,m4a',
        soundCodec: 'aac',
        channels: 2,
        subtitleCodecs: ['ass'],
        framesPerSecond: 59.94,
      }),
      scanned({ ...disc, container: 'matroska,webm', soundCodec: 'dts', channels: 8 }),
    ])
    expect(groups).toHaveLength(4)
    const made = (part: object) =>
      groups.find(group =>
        Object.entries(part).every(
          ([key, value]) => (group.makeup as Record<string, unknown>)[key] === value,
        ),
      )
    expect(made({ sound: 'dts', subtitles: 'bitmap' })).toBeDefined()
    expect(made({ subtitles: 'styled', framesPerSecond: 60 })).toBeDefined()
    expect(groups.some(group => group.quality.id === 'uhd-disc')).toBe(true)
    const holdings = holdingsOf(groups)
    expect(planSchema.parse({ name: 'x', library: { holdings } }).library.holdings).toEqual(
      holdings,
    )
  })
  it('are episodes by their name or their length', () => {
    const kinds = (changes: Partial<ScannedFile>) => grouped([scanned(changes)]).groups[0]?.kind
    expect([
      kinds({ path: 'Lock keepers/S01E03.mkv' }),
      kinds({ path: 'Weir 2x04.mkv' }),
      kinds({ durationS: 1500 }),
      kinds({ path: 'The mill.mkv' }),
    ]).toEqual(['series', 'series', 'series', 'film'])
  })
  it('of thousands of unlike files fold into few, and lose neither titles nor bytes', () => {
    const files = Array.from({ length: 3000 }, (_, index) =>
      scanned({
        path: `odd ${index}`,
        videoCodec: `codec-${index}`,
        height: 300 + index,
        channels: (index % 9) + 1,
        framesPerSecond: 24 + (index % 90),
      }),
    )
    const { groups, oddities } = grouped(files)
    expect(groups.length).toBeLessThanOrEqual(maxGroups)
    expect(groups.reduce((sum, group) => sum + group.titles, 0)).toBe(3000)
    expect(groups.reduce((sum, group) => sum + group.sizeBytes, 0)).toBeCloseTo(3000 * 6.6e9, -3)
    expect(oddities.find(entry => entry.oddity === 'unknownCodec')?.files).toBe(3000)
  })
  it('lists what is odd with examples, and leaves out what cannot be counted', () => {
    const { groups, oddities } = grouped([
      ...Array.from({ length: 9 }, (_, index) =>
        scanned({ path: `odd ${index}`, videoCodec: `codec-${index}` }),
      ),
      scanned({ durationS: null }),
      scanned({ videoCodec: null }),
      scanned({ bitrateMbps: null }),
      scanned({ audioTracks: 0 }),
      scanned({ interlaced: true }),
      scanned({ videoCodec: 'vp9' }),
    ])
    expect(oddities.map(entry => [entry.oddity, entry.files])).toEqual([
      ['noPicture', 1],
      ['noDuration', 1],
      ['noSize', 1],
      ['noAudio', 1],
      ['unknownCodec', 9],
      ['otherRung', 1],
      ['interlaced', 1],
    ])
    expect(oddities.find(entry => entry.oddity === 'unknownCodec')?.examples).toHaveLength(5)
    expect(groups.reduce((sum, group) => sum + group.titles, 0)).toBe(12)
  })
})
