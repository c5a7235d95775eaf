import type { Catalogue } from '../catalogue/catalogue'
import type { DomainAssessment } from '../domainAssessment'
import { exactly, figure } from '../figure'
import type { Finding } from '../finding'
import type { Library } from '../plan/library'
import type { Network } from '../plan/network'
import { tcpPayloadMbps } from '../units/ethernet'
import { formatNumber as n } from '../units/formatNumber'
import { headroomShare, headroomState } from '../verdict'
import { awayStreams } from './awayStreams'
import { homePeak } from './homePeak'
import { ladder } from './ladder'

/** The wire at home and the line out of the house, against who watches. */
export function assessNetwork(network: Network, library: Library, catalogue: Catalogue, watchingHome: number, watchingAway: number): DomainAssessment {
  const { uploadMbps, uploadReserveShare: reserveShare, awayRungMbps: rungMbps } = network
  const away = awayStreams({ uploadMbps, reserveShare, rungMbps })
  const peak = homePeak(library, catalogue.qualities, watchingHome)
  const payload = tcpPayloadMbps(network.serverPortMbps)
  const findings: Finding[] = []
  if (network.serverPortMbps === 100) {
    findings.push({
      severity: 'warning', code: 'SLOW_PORT', sentence: 'A 100 Mb/s port or cable hides everything behind it: one disc film at its peak fills it, and a first fill takes weeks.',
      from: ['network.serverPortMbps'], cures: [{ sentence: 'A gigabit cable, switch or network card.' }],
    })
  }
  const carries = ladder.find(rung => awayStreams({ uploadMbps, reserveShare, rungMbps: rung.rungMbps }) >= watchingAway)
  if (watchingAway > away) {
    findings.push({
      severity: 'warning', code: 'AWAY_SHORT',
      sentence: `The line carries ${away} of ${watchingAway} viewers away at ${n(rungMbps)} Mb/s.`,
      from: ['network.uploadMbps', 'network.awayRungMbps', 'network.awayStreams'],
      cures: [carries ? { sentence: `Send ${carries.lines}p at ${n(carries.rungMbps)} Mb/s: then all ${watchingAway} can watch.` } : { sentence: 'A faster line; no rung of the ladder carries them all.' }],
    })
  }
  if (watchingAway > 0) {
    findings.push({
      severity: 'caution', code: 'TUNNEL', sentence: 'Reaching the box from away: use a private tunnel rather than a port opened to the world, change every default password, and keep guest shares read-only.',
      from: ['household.watchingAway'], cures: [],
    })
  }
  const awayAsked = exactly(watchingAway)
  const awayPossible = exactly(away)
  const homeAsked = exactly(peak.peakMbps)
  const homePossible = exactly(payload)
  return {
    figures: [
      figure(away, {
        id: 'network.awayStreams', label: 'Streams the line carries', unit: 'streams', inputs: ['network.uploadMbps', 'network.uploadReserveShare', 'network.awayRungMbps'],
        formula: `${n(uploadMbps)} Mb/s × (1 − ${n(reserveShare)}) ÷ (${n(rungMbps)} × 1.08) = ${n(uploadMbps * (1 - reserveShare) / (rungMbps * 1.08), 3)}, whole: ${away}`,
        source: '1.08 is what headers and resent packets add.',
      }),
      figure(peak.peakMbps, {
        id: 'network.homePeakMbps', label: 'Peak at home', unit: 'Mb/s', inputs: ['household.watchingHomeAtOnce', 'library.holdings'],
        formula: watchingHome > 0 ? `${watchingHome} × ${n(peak.meanMbps, 3)} + ${n(peak.largestRiseMbps, 3)} = ${n(peak.peakMbps, 3)} Mb/s` : 'nobody watches at home = 0 Mb/s',
        source: 'Mean rate of the titles for each viewer, and once the largest rise above its mean: passages peak at 1.5 times, discs at 1.8 times.',
      }),
      figure(payload, {
        id: 'network.homeLinkMbps', label: 'The wire carries', unit: 'Mb/s', inputs: ['network.serverPortMbps'],
        formula: `${n(network.serverPortMbps)} × 1448 ÷ 1538 = ${n(payload)} Mb/s`, source: 'TCP payload of Ethernet at MTU 1500.',
      }),
    ],
    verdicts: [
      {
        id: 'home', label: 'Home network', domain: 'network', unit: 'Mb/s', asked: homeAsked, possible: homePossible,
        share: headroomShare(homeAsked, homePossible), state: headroomState(homeAsked, homePossible),
        sentence: peak.peakMbps <= payload
          ? `At home the wire carries ${n(payload, 3)} Mb/s; ${watchingHome} at once ask for ${n(peak.peakMbps, 3)} at their peak.`
          : `At home ${watchingHome} at once ask for ${n(peak.peakMbps, 3)} Mb/s at their peak; the wire carries ${n(payload, 3)}.`,
        figures: ['network.homePeakMbps', 'network.homeLinkMbps'],
      },
      {
        id: 'away', label: 'Away', domain: 'network', unit: 'streams', asked: awayAsked, possible: awayPossible,
        share: headroomShare(awayAsked, awayPossible), state: headroomState(awayAsked, awayPossible),
        sentence: awaySentence(watchingAway, away, rungMbps),
        figures: ['household.watchingAwayAtOnce', 'network.awayStreams'],
      },
    ],
    findings,
  }
}

function awaySentence(asked: number, possible: number, rungMbps: number): string {
  const quality = `at ${n(rungMbps)} Mb/s`
  if (asked === 0) return `Nobody watches away; the line would carry ${possible} ${quality}.`
  if (possible === 0) return `The line cannot carry even one viewer away ${quality}.`
  const next = possible >= asked ? `; number ${possible + 1} would stutter` : `, but ${asked} are asked`
  return `${possible === 1 ? 'One can' : `${possible} can`} watch away at once ${quality}${next}.`
}
