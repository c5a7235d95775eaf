import { peakFactors } from '../catalogue/qualities'
import type { Telling } from '../domain'
import { exactly, figure, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { headroomShare, headroomState, type Verdict } from '../verdict'
import { overheadFactor } from './awayStreams'
import type { NetworkFacts, NetworkSlice } from './networkFacts'

/** The network's facts in words. */
export function tellNetwork(facts: NetworkFacts, slice: NetworkSlice, format: Format): Telling {
  return { figures: networkFigures(facts, slice, format), verdicts: [homeVerdict(facts, slice, format), awayVerdict(facts, slice, format)], findings: networkFindings(facts, slice, format) }
}

function networkFigures({ awayStreams: away, uploadNeededMbps: upload, homePeak: peak, payloadMbps }: NetworkFacts, { network, atOnce }: NetworkSlice, { number: n }: Format): Figure[] {
  const { uploadMbps, uploadReserveShare: reserve, awayRungMbps: rung, serverPortMbps } = network
  return [
    figure(away, {
      id: 'network.awayStreams', label: 'Streams the upload carries', unit: 'streams', inputs: ['network.uploadMbps', 'network.uploadReserveShare', 'network.awayRungMbps'],
      formula: `${n(uploadMbps)} Mb/s × (1 − ${n(reserve)}) ÷ (${n(rung)} × ${n(overheadFactor)}) = ${n(uploadMbps * (1 - reserve) / (rung * overheadFactor), 3)}, whole: ${n(away)}`,
      source: `${n(overheadFactor)} is what headers and resent packets add.`,
    }),
    figure(upload, {
      id: 'network.uploadNeededMbps', label: 'Upload needed', unit: 'Mb/s', inputs: ['household.watchingAwayAtOnce', 'network.awayRungMbps', 'network.uploadReserveShare'],
      formula: atOnce.away > 0 ? `${n(atOnce.away)} × ${n(rung)} × ${n(overheadFactor)} ÷ (1 − ${n(reserve)}) = ${n(upload, 3)} Mb/s` : 'nobody watches away = 0 Mb/s',
      source: `${n(overheadFactor)} is what headers and resent packets add; the reserve is kept for calls and work at home.`,
    }),
    figure(peak.peakMbps, {
      id: 'network.homePeakMbps', label: 'Peak at home', unit: 'Mb/s', inputs: ['household.watchingHomeAtOnce', 'library.holdings'],
      formula: atOnce.home > 0 ? `${atOnce.home} × ${n(peak.meanMbps, 3)} + ${n(peak.largestRiseMbps, 3)} = ${n(peak.peakMbps, 3)} Mb/s` : 'nobody watches at home = 0 Mb/s',
      source: `Average rate of the titles for each viewer, and once the largest rise above its average: titles peak at ${n(peakFactors.reencoded)} times, discs at ${n(peakFactors.disc)} times.`,
    }),
    figure(payloadMbps, {
      id: 'network.homeLinkMbps', label: 'The home network carries', unit: 'Mb/s', inputs: ['network.serverPortMbps'],
      formula: `${n(serverPortMbps)} × 1448 ÷ 1538 = ${n(payloadMbps)} Mb/s`, source: 'TCP payload of Ethernet at MTU 1500.',
    }),
  ]
}

function homeVerdict({ homePeak: peak, payloadMbps }: NetworkFacts, { atOnce }: NetworkSlice, { number: n }: Format): Verdict {
  const asked = exactly(peak.peakMbps)
  const possible = exactly(payloadMbps)
  const need = atOnce.home === 0 ? 'Nobody watches at home' : `${atOnce.home} ${atOnce.home === 1 ? 'viewer' : 'viewers'} at home need ${n(peak.peakMbps, 3)} Mb/s at their peak`
  return {
    id: 'home', label: 'Home network', domain: 'network', unit: 'Mb/s', asked, possible, share: headroomShare(asked, possible), state: headroomState(asked, possible),
    sentence: `${atOnce.home === 1 ? need.replace(' need ', ' needs ') : need}; the home network carries ${n(payloadMbps, 3)} Mb/s.`,
    figures: ['network.homePeakMbps', 'network.homeLinkMbps'],
  }
}

function awayVerdict({ awayStreams }: NetworkFacts, { network, atOnce }: NetworkSlice, format: Format): Verdict {
  const asked = exactly(atOnce.away)
  const possible = exactly(awayStreams)
  return {
    id: 'away', label: 'Away', domain: 'network', unit: 'streams', asked, possible, share: headroomShare(asked, possible), state: headroomState(asked, possible),
    sentence: awaySentence({ asked: atOnce.away, possible: awayStreams, rungMbps: network.awayRungMbps }, format),
    figures: ['household.watchingAwayAtOnce', 'network.awayStreams'],
  }
}

function awaySentence({ asked, possible, rungMbps }: { readonly asked: number, readonly possible: number, readonly rungMbps: number }, { number: n }: Format): string {
  const quality = `at ${n(rungMbps)} Mb/s`
  if (asked === 0) return `Nobody watches away; the upload would carry ${n(possible)} ${possible === 1 ? 'viewer' : 'viewers'} ${quality}.`
  if (possible === 0) return `The upload cannot carry even one viewer away ${quality}.`
  return `${n(possible)} ${possible === 1 ? 'viewer' : 'viewers'} away can watch ${quality}; ${possible >= asked ? 'one more would stutter' : `${asked} are needed`}.`
}

function networkFindings({ awayStreams, carries }: NetworkFacts, { network, atOnce }: NetworkSlice, { number: n }: Format): Finding[] {
  return [
    ...(network.serverPortMbps === 100
      ? [finding('warning', 'SLOW_PORT', {
          sentence: 'A 100 Mb/s port or cable limits everything behind it: one disc film at its peak fills it, and a first fill takes weeks.', from: ['network.serverPortMbps'],
          fixes: ['Use a gigabit cable, switch or network card.'],
        })]
      : []),
    ...(atOnce.away > awayStreams
      ? [finding('warning', 'AWAY_SHORT', {
          sentence: `The upload carries ${n(awayStreams)} of ${atOnce.away} viewers away at ${n(network.awayRungMbps)} Mb/s.`, from: ['network.uploadMbps', 'network.awayRungMbps', 'network.awayStreams'],
          fixes: [carries ? `Send ${carries.lines}p at ${n(carries.rungMbps)} Mb/s: then all ${atOnce.away} can watch.` : 'Get a faster internet line; no sent quality carries them all.'],
        })]
      : []),
    ...(atOnce.away > 0
      ? [finding('caution', 'TUNNEL', {
          sentence: 'To reach the machine from away, use a private tunnel rather than a port opened to the world, change every default password, and keep guest shares read-only.', from: ['household.watchingAway'],
        })]
      : []),
  ]
}
