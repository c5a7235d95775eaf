import { draft, type EntryDraft } from '../entry'
import { listAt, momentOf, numberAt, part, textAt, type Understood } from './understood'

const tool = 'fio'
/** Shorter runs are over before a cache is full. */
export const minDiskSeconds = 10

export const isFio = (document: unknown): boolean =>
  typeof part(document, 'fio version') === 'string'

type Pattern = 'seqRead' | 'seqWrite' | 'randRead' | 'randWrite'

/** What a job read and wrote, and in which order. */
function patternOf(rw: string, side: 'read' | 'write'): Pattern {
  const isRandom = rw.startsWith('rand')
  return side === 'read' ? (isRandom ? 'randRead' : 'seqRead') : isRandom ? 'randWrite' : 'seqWrite'
}

/** A size as its options write it: '1M', '4k', '64MiB', bytes without a letter; in KiB. */
function blockKiB(words: string): number | null {
  const found = /^(\d+(?:\.\d+)?)\s*([kmg]?)(?:i?b)?$/i.exec(words.trim())
  if (!found) return null
  const size = Number(found[1])
  const unit = { '': 1 / 1024, k: 1, m: 1024, g: 1024 * 1024 }[found[2]!.toLowerCase()]
  return unit === undefined || !(size > 0) ? null : size * unit
}

const whole = (words: string, fallback: number): number => {
  const value = Number(words)
  return Number.isInteger(value) && value > 0 ? value : fallback
}

/** Rates of disks, `fio --output-format=json`. */
export function readFio(document: unknown): Understood {
  const at = momentOf(numberAt(document, 'timestamp'))
  const entries: EntryDraft[] = []
  const notes: string[] = []
  listAt(document, 'jobs').forEach((job, index) => {
    const name = textAt(job, 'jobname') || `job ${index + 1}`
    const error = numberAt(job, 'error') ?? 0
    if (error !== 0) {
      notes.push(`“${name}” failed with error ${error}; no value is taken from it.`)
      return
    }
    const option = (key: string) =>
      textAt(job, 'job options', key) || textAt(document, 'global options', key)
    let measured = 0
    for (const side of ['read', 'write'] as const) {
      const of = part(job, side)
      const bytes = numberAt(of, 'io_bytes')
      const rate = numberAt(of, 'bw_bytes')
      const runtime = numberAt(of, 'runtime')
      if (!bytes || !rate || runtime === null) continue
      measured++
      const seconds = runtime / 1000
      const direct = option('direct') === '1'
      const p99 = numberAt(of, 'clat_ns', 'percentile', '99.000000')
      entries.push(
        draft('disk', {
          at,
          values: {
            pattern: patternOf(option('rw') || option('readwrite'), side),
            blockKiB: blockKiB(option('bs') || option('blocksize')),
            depth: whole(option('iodepth'), 1),
            jobs: whole(option('numjobs'), 1),
            MBps: rate / 1e6,
            iops: numberAt(of, 'iops'),
            p99Ms: p99 === null ? null : p99 / 1e6,
            seconds,
            gb: bytes / 1e9,
            pastCache: direct ? 'yes' : 'notKnown',
            of: '',
          },
          ...(seconds < minDiskSeconds
            ? {
                leftOut: `It ran for ${seconds.toFixed(2)} s; under ${minDiskSeconds} s say little.`,
              }
            : {}),
        }),
      )
    }
    if (measured === 0) notes.push(`“${name}” moved no data, so there is no rate in it.`)
  })
  if (entries.length === 0 && notes.length === 0) notes.push('There is no job in it.')
  return { tool, version: textAt(document, 'fio version').replace(/^fio-/, ''), entries, notes }
}
