import { ladder, type Rung } from '../catalogue/sentQualities'
import { playbackRules } from './rules'
import { smallCopyTraits } from './smallCopy'
import type { Reason, Session } from './session'
import type { ConversionBook, ConversionStep, ConversionClass } from './conversionBook'

/** What the server does, from best to worst. */
export const outcomes = ['playAsIs', 'repack', 'sound', 'picture', 'cannot'] as const
export type Outcome = (typeof outcomes)[number]

export interface Playability {
  readonly outcome: Outcome
  /** of what cannot be played: what keeps it from it */
  readonly stoppedBy: 'machine' | 'line' | 'device' | null
  /** every reason against playing it as it is */
  readonly reasons: readonly Reason[]
  /** what goes out when the picture is converted */
  readonly output: {
    readonly lines: number
    readonly mbps: number
  } | null
  /** of a conversion, what would go out if no link and no cap limited it, Mb/s; else 0 */
  readonly unlimitedMbps: number
  /** reference streams, likely */
  readonly work: number
  /** of a conversion the one that is done; of one that the machine cannot do the least */
  readonly conversion: ConversionClass | null
  /**
   * the picture sizes that device, line and cap allow, largest first, whatever the machine can do
   */
  readonly steps: readonly ConversionStep[]
  /** a second, small copy is played instead */
  readonly smallCopy: boolean
}

/** What the machine does of conversions. */
export interface ServerAbility {
  /** whether it does one such conversion in real time, on an engine or in software */
  readonly takes: (conversion: ConversionClass) => boolean
  /**
   * reference streams that one conversion alone can use in software, for the reason that says why
   * not
   */
  readonly aloneCapacity: number
}

/**
 * What title, device, line and caps come to before a machine is asked: settled, or conversions of
 * which the machine does one.
 */
export interface Prospect {
  readonly settled: Playability | null
  readonly reasons: readonly Reason[]
  readonly unlimitedMbps: number
  readonly steps: readonly ConversionStep[]
}

function reasonsOf(session: Session): Reason[] {
  const reasons: Reason[] = []
  for (const { code, needs, broken } of playbackRules) {
    const values = broken(session)
    if (values !== null) reasons.push({ code, needs, values })
  }
  return reasons
}

/**
 * The best rung of each picture size up to these lines that the device takes and the limits carry;
 * and the best of them all whatever the limits.
 */
function rungsFor(
  lines: number,
  { allowedMbps, deviceMbps }: { readonly allowedMbps: number; readonly deviceMbps: number },
): { readonly carried: Rung[]; readonly best: Rung | null } {
  const carried: Rung[] = []
  let best: Rung | null = null
  for (const rung of ladder) {
    if (rung.lines > lines || rung.rungMbps > deviceMbps) continue
    best ??= rung
    // The ladder falls, so rungs of one size stand together, the best first.
    if (rung.rungMbps <= allowedMbps && carried.at(-1)?.lines !== rung.lines) carried.push(rung)
  }
  return { carried, best }
}

const untouched = {
  output: null,
  unlimitedMbps: 0,
  conversion: null,
  steps: [],
  smallCopy: false,
  stoppedBy: null,
} as const

/** What one title on one device at one place comes to, whatever the machine, and why. */
export function prospectOf(session: Session, book: ConversionBook): Prospect {
  const reasons = reasonsOf(session)
  const settled = (
    play: Pick<Playability, 'outcome' | 'work'> & Partial<Playability>,
  ): Prospect => ({
    settled: { ...untouched, reasons, ...play },
    reasons,
    unlimitedMbps: 0,
    steps: [],
  })
  const worst = (['picture', 'sound', 'repack'] as const).find(needs =>
    reasons.some(reason => reason.needs === needs),
  )
  if (!worst) return settled({ outcome: 'playAsIs', work: 0 })
  const { table } = book
  if (worst === 'repack') return settled({ outcome: 'repack', work: table.repack.likely })
  if (worst === 'sound') return settled({ outcome: 'sound', work: table.audio.likely })

  const copy = smallCopyTraits(session.title)
  if (copy && reasonsOf({ ...session, title: copy }).length === 0)
    return settled({ outcome: 'playAsIs', work: 0, smallCopy: true })

  const { title, device, capMbps, linkMbps } = session
  const allowedMbps = Math.min(capMbps, linkMbps)
  const shows = Math.min(
    device.screenLines,
    title.quality.lines,
    device.video.find(can => can.codec === 'h264')?.lines ?? 0,
  )
  const { carried, best } = rungsFor(shows, { allowedMbps, deviceMbps: device.maxMbps })
  if (carried.length === 0 || best === null) {
    const stop: Omit<Reason, 'needs'> =
      best === null
        ? { code: 'NO_OUTPUT', values: {} }
        : { code: 'NO_RUNG', values: { allowedMbps } }
    return settled({
      reasons: [...reasons, { ...stop, needs: 'picture' }],
      outcome: 'cannot',
      stoppedBy: best === null ? 'device' : 'line',
      work: 0,
    })
  }
  const how = {
    soundConverted: reasons.some(reason => reason.needs === 'sound'),
    burn: reasons.some(reason => reason.code === 'SUBTITLES'),
  }
  return {
    settled: null,
    reasons,
    unlimitedMbps: Math.min(best.rungMbps, title.bitrateMbps),
    steps: carried.map(({ lines, rungMbps }) => ({
      lines,
      mbps: Math.min(rungMbps, title.bitrateMbps),
      conversion: book.conversion(session, lines, how),
    })),
  }
}

/**
 * What the server does for one title on one device at one place, and why.
 * A conversion goes to the largest picture that the device shows, the source has, the limits carry
 * by their rung of the
 * ladder, and one conversion alone manages in real time; when none is left, it cannot be played,
 * and it is told whether
 * device, line or machine is to blame.
 */
export function playability(
  { settled, reasons, unlimitedMbps, steps }: Prospect,
  { takes, aloneCapacity }: ServerAbility,
): Playability {
  if (settled) return settled
  const done = steps.find(({ conversion }) => takes(conversion))
  if (done) {
    const { lines, mbps, conversion } = done
    return {
      outcome: 'picture',
      stoppedBy: null,
      reasons,
      output: { lines, mbps },
      unlimitedMbps,
      work: conversion.work.likely,
      conversion,
      steps,
      smallCopy: false,
    }
  }
  const { conversion: least, lines } = steps.at(-1)!
  return {
    outcome: 'cannot',
    stoppedBy: 'machine',
    output: null,
    unlimitedMbps,
    work: least.work.likely,
    conversion: least,
    steps,
    smallCopy: false,
    reasons: [
      ...reasons,
      {
        code: 'TOO_SLOW',
        needs: 'picture',
        values: { lines, needs: least.work.likely, has: aloneCapacity },
      },
    ],
  }
}

/** Whether a session needs its picture converted, whatever the machine can do. */
export function needsConversion({
  outcome,
  stoppedBy,
}: Pick<Playability, 'outcome' | 'stoppedBy'>): boolean {
  return outcome === 'picture' || stoppedBy === 'machine'
}
