// Measures the coefficients of conversions anew with ffmpeg, and writes them as a work table that
// Numeron imports.
// Usage: node scripts/measure-work.mjs [file]; default work-table.json. Takes some minutes and all
// of the processor.
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const target = process.argv[2] ?? 'work-table.json'
const seconds = 4
const repeats = 3
const shipped = JSON.parse(
  readFileSync(new URL('../core/catalogue/transcodeWork.json', import.meta.url), 'utf8'),
).coefficients
const version = /^ffmpeg version (\S+)/.exec(
  spawnSync('ffmpeg', ['-version'], { encoding: 'utf8' }).stdout ?? '',
)?.[1]
if (!version) {
  console.error('ffmpeg is not installed; on Debian: apt-get install ffmpeg')
  process.exit(1)
}
const encoders = spawnSync('ffmpeg', ['-v', 'error', '-encoders'], { encoding: 'utf8' }).stdout
const folder = mkdtempSync(join(tmpdir(), 'numeron-work-'))
process.once('exit', () => rmSync(folder, { recursive: true, force: true }))

/** Processor seconds of one run; null when it fails. */
function cost(given) {
  const run = spawnSync('ffmpeg', ['-nostdin', '-y', '-benchmark', '-hide_banner', ...given], {
    encoding: 'utf8',
    timeout: 600_000,
  })
  const [, user, system] = /utime=([\d.]+)s stime=([\d.]+)s/.exec(run.stderr) ?? []
  return run.status === 0 && user ? Number(user) + Number(system) : null
}
function clip(name, size, rate, encode, pixels = 'yuv420p') {
  const file = join(folder, `${name}.mkv`)
  const made = cost([
    '-v',
    'info',
    '-f',
    'lavfi',
    '-i',
    `testsrc2=s=${size}:r=${rate},noise=alls=10:allf=t`,
    '-f',
    'lavfi',
    '-i',
    'anoisesrc=r=48000:a=0.2',
    '-t',
    String(seconds),
    '-pix_fmt',
    pixels,
    ...encode,
    '-c:a',
    'ac3',
    '-ac',
    '6',
    file,
  ])
  console.log(
    made === null ? `clip ${name}: not made; the shipped coefficient stays` : `clip ${name}`,
  )
  return made === null ? null : file
}
const rate = mbps => ['-b:v', `${mbps}M`, '-maxrate', `${mbps * 1.5}M`, '-bufsize', `${mbps * 2}M`]
const x264 = ['-c:v', 'libx264', '-preset', 'veryfast']
const clips = {
  h264: clip('h264', '1920x1080', 24, [...x264, ...rate(8)]),
  h264Disc: clip('h264-disc', '1920x1080', 24, [...x264, ...rate(28)]),
  mpeg2: clip('mpeg2', '720x576', 25, ['-c:v', 'mpeg2video', ...rate(5)]),
  hevc8: clip('hevc8', '1920x1080', 24, [
    '-c:v',
    'libx265',
    '-preset',
    'superfast',
    '-x265-params',
    'log-level=error',
    ...rate(5),
  ]),
  hevc10: clip(
    'hevc10',
    '1920x1080',
    24,
    ['-c:v', 'libx265', '-preset', 'superfast', '-x265-params', 'log-level=error', ...rate(6)],
    'yuv420p10le',
  ),
  hevc10Uhd25: clip(
    'hevc10-uhd25',
    '3840x2160',
    24,
    ['-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=error', ...rate(25)],
    'yuv420p10le',
  ),
  hevc10Uhd60: clip(
    'hevc10-uhd60',
    '3840x2160',
    24,
    ['-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=error', ...rate(60)],
    'yuv420p10le',
  ),
  av1: encoders.includes('libsvtav1')
    ? clip('av1', '1920x1080', 24, ['-c:v', 'libsvtav1', '-preset', '10', '-b:v', '3500k'])
    : null,
}
/** Picture size relative to 1080p and frames relative to 24 of each clip. */
const sizes = { mpeg2: (((720 * 576) / 1920 / 1080) * 25) / 24, hevc10Uhd25: 4, hevc10Uhd60: 4 }

/** The same case some times, bracketed by the reference: median, least and most of the ratios. */
const reference = () =>
  cost([
    '-v',
    'info',
    '-i',
    clips.h264,
    ...x264,
    ...rate(8),
    '-c:a',
    'aac',
    '-ac',
    '2',
    '-f',
    'null',
    '-',
  ])
function ratio(name, given) {
  const ratios = []
  for (let run = 0; run < repeats; run++) {
    const before = reference()
    const own = cost(['-v', 'info', ...given])
    const after = reference()
    if (own === null || before === null || after === null) break
    ratios.push(own / ((before + after) / 2))
  }
  if (ratios.length < repeats) return null
  ratios.sort((a, b) => a - b)
  console.log(`${name}: ${ratios.map(value => value.toFixed(3)).join(' ')}`)
  return { low: ratios[0], value: ratios[Math.floor(repeats / 2)], high: ratios.at(-1) }
}
const tidy = value => Number(Math.max(0, value).toPrecision(3))
const scaled = (found, by) =>
  found && { value: tidy(found.value * by), low: tidy(found.low * by), high: tidy(found.high * by) }
/** What a part adds to a case that has everything else. */
const added = (whole, without, by = 1) =>
  whole &&
  without &&
  (() => {
    const value = tidy((whole.value - without.value) * by)
    return {
      value,
      low: Math.min(value, tidy((whole.low - without.value) * by)),
      high: Math.max(value, tidy((whole.high - without.value) * by)),
    }
  })()
const own = (found, fallback) => found ?? { ...fallback, note: 'not measured here; as shipped' }

const decode = Object.fromEntries(
  Object.entries(clips).map(([name, file]) => [
    name,
    file
      ? scaled(
          ratio(`decode ${name}`, ['-i', file, '-map', '0:v', '-f', 'null', '-']),
          1 / (sizes[name] ?? 1),
        )
      : null,
  ]),
)
const video = (file, given) => ['-i', file, '-map', '0:v', ...given, '-f', 'null', '-']
const toItself = ratio('1080p to 1080p, picture only', video(clips.h264, [...x264, ...rate(8)]))
const decoded = decode.h264
const scaledOnly = ratio('1080p scaled to 720p', video(clips.h264, ['-vf', 'scale=1280:720']))
const mapped =
  clips.hevc10 &&
  ratio(
    '1080p tone-mapped',
    video(clips.hevc10, [
      '-vf',
      'setparams=color_trc=smpte2084:color_primaries=bt2020:colorspace=bt2020nc,' +
        'zscale=t=linear:npl=100,format=gbrpf32le,zscale=p=bt709,tonemap=hable,' +
        'zscale=t=bt709:m=bt709:r=tv,format=yuv420p',
    ]),
  )
const woven = ratio('deinterlaced', video(clips.h264, ['-vf', 'yadif=0']))
const hevc = ratio(
  '1080p to HEVC',
  video(clips.h264, [
    '-c:v',
    'libx265',
    '-preset',
    'superfast',
    '-x265-params',
    'log-level=error',
    ...rate(5),
  ]),
)
const audio = ratio('sound to stereo', [
  '-i',
  clips.h264,
  '-map',
  '0:a',
  '-c:a',
  'aac',
  '-ac',
  '2',
  '-f',
  'null',
  '-',
])
const remux = ratio('repacked', ['-i', clips.h264, '-c', 'copy', join(folder, 'out.mkv')])

const coefficients = {
  decode: {
    ...Object.fromEntries(
      Object.keys(shipped.decode).map(name => [name, own(decode[name], shipped.decode[name])]),
    ),
  },
  scale: own(added(scaledOnly, decoded), shipped.scale),
  tonemap: own(added(mapped, decode.hevc10), shipped.tonemap),
  deinterlace: { sameRate: own(added(woven, decoded), shipped.deinterlace.sameRate) },
  burn: shipped.burn,
  encode: {
    h264VeryFast: own(added(toItself, decoded), shipped.encode.h264VeryFast),
    hevcSuperFast: own(added(hevc, decoded), shipped.encode.hevcSuperFast),
  },
  audio: { surroundToStereo: own(scaled(audio, 1), shipped.audio.surroundToStereo) },
  remux: own(scaled(remux, 1), shipped.remux),
}
// The reference itself, put together from the parts: how far the sum is off.
const sum =
  coefficients.decode.h264.value +
  coefficients.encode.h264VeryFast.value +
  coefficients.audio.surroundToStereo.value
writeFileSync(
  target,
  `${JSON.stringify(
    {
      unit:
        'reference stream: H.264 8-bit 1080p at 24 frames/s, 8 Mb/s, decoded and encoded to ' +
        'H.264 1080p 8 Mb/s at a very fast preset, with 5.1 sound to stereo AAC, in real ' +
        'time = 1',
      source:
        `measured ${new Date().toISOString().slice(0, 10)} with ffmpeg ${version}; synthetic ` +
        `clips of ${seconds} s, ${repeats} repeats bracketed by the reference; processor ` +
        'time; burning in as shipped',
      modelError: {
        median: tidy(Math.abs(sum - 1)),
        max: tidy(Math.abs(sum - 1)),
        note: 'of the reference put together from its parts',
      },
      coefficients,
    },
    null,
    1,
  )}\n`,
)
console.log(`${target}: the reference from its parts comes to ${sum.toFixed(3)}`)
