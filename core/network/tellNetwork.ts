import { peakFactors } from '../catalogue/qualities'
import type { Telling } from '../domain'
import { exactly, figure, noFigure, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { headroomShare, headroomState, type Verdict } from '../verdict'
import { gbPerMbpsHour } from '../units/dataSize'
import { overheadFactor } from './awayStreams'
import { shortChance } from './watchingLoad'
import { powerlineShare, serverWifiShare, usualServerLinkMbps } from './chain'
import type { NetworkFacts, NetworkSlice } from './networkFacts'

/** The network's facts in words. */
export function tellNetwork(facts: NetworkFacts, slice: NetworkSlice, format: Format): Telling {
  return {
    figures: networkFigures(facts, slice, format),
    verdicts: [homeVerdict(facts, slice, format), awayVerdict(facts, slice, format)],
    findings: networkFindings(facts, slice, format),
  }
}

function homeLinkText(
  network: NetworkSlice['network'],
  payloadMbps: number,
  { number: n }: Format,
): string {
  const { serverPortMbps, serverLink, serverLinkMbps, cableMbps, switchMbps } = network
  const ethernet = (mbps: number) => `${n(mbps)} × 1448 ÷ 1538`
  const parts = [
    ...(serverLink === 'wifi' ? [] : [ethernet(serverPortMbps)]),
    ...(serverLink === 'cable'
      ? cableMbps
        ? [ethernet(cableMbps)]
        : []
      : [
          `${n(serverLinkMbps ?? usualServerLinkMbps[serverLink])} × ` +
            `${n(serverLink === 'wifi' ? serverWifiShare : powerlineShare)}`,
        ]),
    ...(switchMbps ? [ethernet(switchMbps)] : []),
  ]
  return `${parts.length > 1 ? 'the least of ' : ''}${parts.join(', ')} = ${n(payloadMbps)} Mb/s`
}

/** Chances below it are left out of a formula's text. */
const leastTold = 0.001

/** The busiest moment by habits: what is asked of the home network and of the upload. */
function loadFigures(
  { homeLoad, awayLoad, awayCapacityMbps, homePeak: { meanMbps, largestRiseMbps } }: NetworkFacts,
  { number: n, share }: Format,
): Figure[] {
  const none = 'It follows from habits, and there are none on this side.'
  const home = { unit: 'Mb/s', inputs: ['household.habits', 'library.holdings'] }
  const away = {
    id: 'network.awayShortChance',
    label: 'Upload too small at the busiest moment',
    unit: 'share',
    inputs: [
      'household.habits',
      'network.uploadMbps',
      'network.uploadReserveShare',
      'network.awayRungMbps',
    ],
  }
  const each = (of: NonNullable<typeof homeLoad>) =>
    of.rows
      .filter(({ chance }) => chance >= leastTold)
      .map(({ viewers, chance }) => `${n(viewers)}: ${share(chance)}`)
      .join(', ')
  return [
    ...(homeLoad
      ? [
          figure(homeLoad.meanMbps, {
            ...home,
            id: 'network.homeMeanMbps',
            label: 'At home, on average at the busiest moment',
            formula:
              `viewers with their chances (${each(homeLoad)}), each ${n(meanMbps, 3)} Mb/s ` +
              `and once ${n(largestRiseMbps, 3)} Mb/s = ${n(homeLoad.meanMbps, 3)} Mb/s`,
          }),
          figure(homeLoad.level99Mbps, {
            ...home,
            id: 'network.home99Mbps',
            label: 'At home, 99 % level',
            formula:
              `viewers with their chances (${each(homeLoad)}): not exceeded with 99 % = ` +
              `${n(homeLoad.level99Mbps, 3)} Mb/s`,
          }),
        ]
      : [
          noFigure(none, {
            ...home,
            id: 'network.homeMeanMbps',
            label: 'At home, on average at the busiest moment',
            formula: 'chances × rates',
          }),
          noFigure(none, {
            ...home,
            id: 'network.home99Mbps',
            label: 'At home, 99 % level',
            formula: 'chances × rates',
          }),
        ]),
    awayLoad
      ? figure(shortChance(awayLoad, awayCapacityMbps), {
          ...away,
          formula:
            `viewers with their chances (${each(awayLoad)}); more than ` +
            `${n(awayCapacityMbps, 3)} Mb/s are asked with ` +
            `${share(shortChance(awayLoad, awayCapacityMbps))}`,
        })
      : noFigure(none, { ...away, formula: 'chances of more than the upload carries' }),
  ]
}

function networkFigures(
  facts: NetworkFacts,
  { network, atOnce }: NetworkSlice,
  format: Format,
): Figure[] {
  const { awayStreams: away, uploadNeededMbps: upload, homePeak: peak, payloadMbps } = facts
  const { number: n } = format
  const { uploadMbps, uploadReserveShare: reserve, awayRungMbps: rung } = network
  return [
    figure(away, {
      id: 'network.awayStreams',
      label: 'Streams the upload carries',
      unit: 'streams',
      inputs: ['network.uploadMbps', 'network.uploadReserveShare', 'network.awayRungMbps'],
      formula:
        `${n(uploadMbps)} Mb/s × (1 − ${n(reserve)}) ÷ (${n(rung)} × ${n(overheadFactor)}) = ` +
        `${n((uploadMbps * (1 - reserve)) / (rung * overheadFactor), 3)}, whole: ${n(away)}`,
      source: `${n(overheadFactor)} is what headers and resent packets add.`,
    }),
    figure(upload, {
      id: 'network.uploadNeededMbps',
      label: 'Upload needed',
      unit: 'Mb/s',
      inputs: [
        'household.watchingAwayAtOnce',
        'network.awayRungMbps',
        'network.uploadReserveShare',
      ],
      formula:
        atOnce.away > 0
          ? `${n(atOnce.away)} × ${n(rung)} × ${n(overheadFactor)} ÷ (1 − ${n(reserve)}) = ` +
            `${n(upload, 3)} Mb/s`
          : 'nobody watches away = 0 Mb/s',
      source:
        `${n(overheadFactor)} is what headers and resent packets add; the reserve is kept ` +
        'for calls and work at home.',
    }),
    facts.awayHoursPerMonth > 0
      ? figure(facts.uploadGBPerMonth, {
          id: 'network.uploadGBPerMonth',
          label: 'Sent out in a month',
          unit: 'GB',
          inputs: ['household.habits', 'household.viewers', 'network.awayRungMbps'],
          formula:
            `${n(facts.awayHoursPerMonth, 3)} h away × ${n(rung)} Mb/s × ${n(gbPerMbpsHour)} ` +
            `GB = ${n(facts.uploadGBPerMonth, 3)} GB`,
          source:
            'Hours by the habits of ordinary days; headers and resent packets are not ' +
            'counted in caps.',
        })
      : noFigure('It follows from habits of viewers away, and there are none.', {
          id: 'network.uploadGBPerMonth',
          label: 'Sent out in a month',
          unit: 'GB',
          inputs: ['household.habits'],
          formula: 'hours away × rate sent',
        }),
    ...loadFigures(facts, format),
    figure(peak.peakMbps, {
      id: 'network.homePeakMbps',
      label: 'Peak at home',
      unit: 'Mb/s',
      inputs: ['household.watchingHomeAtOnce', 'library.holdings'],
      formula:
        atOnce.home > 0
          ? `${atOnce.home} × ${n(peak.meanMbps, 3)} + ${n(peak.largestRiseMbps, 3)} = ` +
            `${n(peak.peakMbps, 3)} Mb/s`
          : 'nobody watches at home = 0 Mb/s',
      source:
        'Average rate of the titles for each viewer, and once the largest rise above its ' +
        `average: titles peak at ${n(peakFactors.reencoded)} times, discs at ` +
        `${n(peakFactors.disc)} times.`,
    }),
    figure(payloadMbps, {
      id: 'network.homeLinkMbps',
      label: 'The home network carries',
      unit: 'Mb/s',
      inputs: [
        'network.serverPortMbps',
        'network.cableMbps',
        'network.switchMbps',
        'network.serverLink',
        'network.serverLinkMbps',
      ],
      formula: homeLinkText(network, payloadMbps, format),
      source:
        'TCP payload of Ethernet at MTU 1500; powerline carries a quarter of its label, ' +
        'Wi-Fi half of what the machine shows. The least of all links counts.',
    }),
  ]
}

function homeVerdict(
  { homePeak: peak, payloadMbps }: NetworkFacts,
  { atOnce }: NetworkSlice,
  { number: n }: Format,
): Verdict {
  const asked = exactly(peak.peakMbps)
  const possible = exactly(payloadMbps)
  const need =
    atOnce.home === 0
      ? 'Nobody watches at home'
      : `${atOnce.home} ${atOnce.home === 1 ? 'viewer' : 'viewers'} at home need ` +
        `${n(peak.peakMbps, 3)} Mb/s at their peak`
  return {
    id: 'home',
    label: 'Home network',
    domain: 'network',
    unit: 'Mb/s',
    asked,
    possible,
    share: headroomShare(asked, possible),
    state: headroomState(asked, possible),
    sentence:
      `${atOnce.home === 1 ? need.replace(' need ', ' needs ') : need}; the home network ` +
      `carries ${n(payloadMbps, 3)} Mb/s.`,
    figures: ['network.homePeakMbps', 'network.homeLinkMbps'],
  }
}

function awayVerdict(
  { awayStreams }: NetworkFacts,
  { network, atOnce }: NetworkSlice,
  format: Format,
): Verdict {
  const asked = exactly(atOnce.away)
  const possible = exactly(awayStreams)
  return {
    id: 'away',
    label: 'Away',
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
  { awayStreams, carries, payloadMbps, uploadGBPerMonth }: NetworkFacts,
  { network, atOnce }: NetworkSlice,
  { number: n }: Format,
): Finding[] {
  return [
    ...(payloadMbps < slowHomeMbps
      ? [
          finding('warning', 'SLOW_PORT', {
            sentence:
              `The home network carries ${n(payloadMbps, 3)} Mb/s from the machine, and that ` +
              'limits everything behind it: one disc film at its peak nearly fills it, and a ' +
              'first fill takes weeks.',
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
              `The upload carries ${n(awayStreams)} of ${atOnce.away} viewers away at ` +
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
