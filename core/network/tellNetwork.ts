import { counted } from '../units/counted'
import { headrooms } from '../headrooms'
import type { Telling } from '../domain'
import { exactly } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { headroomShare, headroomState, type Verdict } from '../verdict'
import type { NetworkFacts, NetworkSlice } from './networkFacts'
import { homeFigures, loadFigures } from './networkFigures'
import { awayFigures } from './awayFigures'

/** The network's facts in words. */
export function tellNetwork(facts: NetworkFacts, slice: NetworkSlice, format: Format): Telling {
  return {
    figures: () => [
      ...awayFigures(facts, slice, format),
      ...loadFigures(facts, format),
      ...homeFigures(facts, slice, format),
    ],
    verdicts: [homeVerdict(facts, slice, format), awayVerdict(facts, slice, format)],
    findings: networkFindings(facts, slice, format),
  }
}

function homeVerdict(
  { homePeak: peak, payload }: NetworkFacts,
  { atOnce }: NetworkSlice,
  { number: n }: Format,
): Verdict {
  const asked = exactly(peak.peakMbps)
  const possible = payload
  const need =
    atOnce.home === 0
      ? 'Nobody watches at home'
      : `${atOnce.home} ${atOnce.home === 1 ? 'viewer' : 'viewers'} at home need ` +
        `${n(peak.peakMbps, 3)} Mb/s at their peak`
  return {
    id: 'home',
    label: headrooms.home.label,
    domain: 'network',
    unit: 'Mb/s',
    asked,
    possible,
    share: headroomShare(asked, possible),
    state: headroomState(asked, possible),
    sentence:
      `${atOnce.home === 1 ? need.replace(' need ', ' needs ') : need}; the home network ` +
      `carries ${n(payload.likely, 3)} Mb/s` +
      `${payload.low < payload.likely ? `, ${n(payload.low, 3)} at the low end` : ''}.`,
    figures: ['network.homePeakMbps', 'network.homeLinkMbps'],
  }
}

function awayVerdict(
  { awayStreams, awayStreamsBand }: NetworkFacts,
  { network, atOnce }: NetworkSlice,
  format: Format,
): Verdict {
  const asked = exactly(atOnce.away)
  const possible = awayStreamsBand
  return {
    id: 'away',
    label: headrooms.away.label,
    domain: 'network',
    unit: 'streams',
    asked,
    possible,
    share: headroomShare(asked, possible),
    state: headroomState(asked, possible),
    sentence: awaySentence(
      { asked: atOnce.away, possible: awayStreams, rungMbps: network.awayRungMbps },
      format,
    ),
    figures: ['household.watchingAwayAtOnce', 'network.awayStreams'],
  }
}

function awaySentence(
  {
    asked,
    possible,
    rungMbps,
  }: { readonly asked: number; readonly possible: number; readonly rungMbps: number },
  { number: n }: Format,
): string {
  const quality = `at ${n(rungMbps)} Mb/s`
  if (asked === 0)
    return (
      `Nobody watches away; the upload would carry ${n(possible)} ` +
      `${possible === 1 ? 'viewer' : 'viewers'} ${quality}.`
    )
  if (possible === 0) return `The upload cannot carry even one viewer away ${quality}.`
  return (
    `${n(possible)} ${possible === 1 ? 'viewer' : 'viewers'} away can watch ${quality}; ` +
    `${possible >= asked ? 'one more would stutter' : `${asked} are needed`}.`
  )
}

/** A home network that carries less is told as slow: a port, cable or switch of 100 Mb/s. */
export const slowHomeMbps = 100

function networkFindings(
  { awayStreams, carries, payload, uploadGBPerMonth }: NetworkFacts,
  { network, atOnce }: NetworkSlice,
  { number: n, hours }: Format,
): Finding[] {
  const payloadMbps = payload.likely
  return [
    ...(payloadMbps < slowHomeMbps
      ? [
          finding('warning', 'SLOW_PORT', {
            sentence:
              `The home network carries ${n(payloadMbps, 3)} Mb/s from the machine, and that ` +
              'limits everything behind it: one disc film at its peak nearly fills it, and each ' +
              `terabyte of a first fill takes ${hours(8e6 / Math.max(1, payloadMbps) / 3600)}.`,
            from: [
              'network.serverPortMbps',
              'network.cableMbps',
              'network.switchMbps',
              'network.serverLink',
            ],
            fixes: ['Use a gigabit cable, switch or network card.'],
          }),
        ]
      : []),
    ...(atOnce.away > awayStreams
      ? [
          finding('warning', 'AWAY_SHORT', {
            sentence:
              `The upload carries ${n(awayStreams)} of ${counted(atOnce.away, 'viewer')} away at ` +
              `${n(network.awayRungMbps)} Mb/s.`,
            from: ['network.uploadMbps', 'network.awayRungMbps', 'network.awayStreams'],
            fixes: [
              carries
                ? `Send ${carries.lines}p at ${n(carries.rungMbps)} Mb/s: then all ` +
                  `${atOnce.away} can watch.`
                : 'Get a faster internet line; no sent quality carries them all.',
            ],
          }),
        ]
      : []),
    ...(network.dataCapGBPerMonth !== null && uploadGBPerMonth > network.dataCapGBPerMonth
      ? [
          finding('warning', 'UPLOAD_CAP', {
            sentence:
              `Viewers away take about ${n(uploadGBPerMonth, 3)} GB a month; the internet ` +
              `line lets ${n(network.dataCapGBPerMonth)} GB out.`,
            from: ['network.dataCapGBPerMonth', 'network.uploadGBPerMonth'],
            fixes: ['Send a lower quality, or let them keep copies for the way.'],
          }),
        ]
      : []),
    ...(network.needsOutside === 'always'
      ? [
          finding('warning', 'NEEDS_OUTSIDE', {
            sentence:
              'The media software asks the internet every time, so nothing plays at home ' +
              'either while the line is down.',
            from: ['network.needsOutside'],
            fixes: [
              'Choose media software that signs in at home, and try it with the line unplugged.',
            ],
          }),
        ]
      : []),
    ...(atOnce.away > 0
      ? [
          finding('caution', 'TUNNEL', {
            sentence:
              'To reach the machine from away, use a private tunnel rather than a port ' +
              'opened to the world, change every default password, and keep guest shares ' +
              'read-only.',
            from: ['household.watchingAway'],
          }),
        ]
      : []),
  ]
}
