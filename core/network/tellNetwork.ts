import { headrooms } from '../headrooms'
import { peakFactors } from '../catalogue/qualities'
import type { Telling } from '../domain'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  constant,
  field,
  figureOf,
  least,
  product,
  quotient,
  rest,
  roundedDown,
  sum,
  workedOut,
  type Expression,
  type Input,
} from '../expressions/expression'
import type { DimensionsOf } from '../expressions/unitTypes'
import { exactly, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import { gbPerMbpsHour } from '../units/dataSize'
import { ethernetShare } from '../units/ethernet'
import type { Format } from '../units/format'
import { headroomShare, headroomState, type Verdict } from '../verdict'
import { overheadFactor } from './awayStreams'
import { powerlineShare, serverWifiShare, usualServerLinkMbps } from './chain'
import type { NetworkFacts, NetworkSlice } from './networkFacts'
import { shortChance, type WatchingLoad } from './watchingLoad'

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

type Rate = Expression<DimensionsOf<'Mb/s'>>

/** What an Ethernet link carries of its label. */
const payload = (link: Rate): Rate =>
  quotient(
    product(link, constant(ethernetShare.of, 'factor')),
    constant(ethernetShare.on, 'factor'),
  )

/** What the home network carries from the machine: the least of its links. */
function homeLink({
  serverPortMbps,
  serverLink,
  serverLinkMbps,
  cableMbps,
  switchMbps,
}: NetworkSlice['network']): Rate {
  const port = field('network.serverPortMbps', [serverPortMbps, 'Mb/s'])
  const wired = serverLink === 'cable'
  const [share, usual] =
    serverLink === 'wifi'
      ? [serverWifiShare, usualServerLinkMbps.wifi]
      : [powerlineShare, usualServerLinkMbps.powerline]
  const ownLink = product(
    field('network.serverLinkMbps', [serverLinkMbps ?? usual, 'Mb/s']),
    constant(share, 'factor'),
  )
  const links: Rate[] = [
    ...(serverLink === 'wifi' ? [] : [payload(port)]),
    ...(wired ? [] : [ownLink]),
    ...(wired && cableMbps ? [payload(field('network.cableMbps', [cableMbps, 'Mb/s']))] : []),
    payload(switchMbps ? field('network.switchMbps', [switchMbps, 'Mb/s']) : port),
  ]
  const [first, ...others] = switchMbps || serverLink === 'wifi' ? links : links.slice(0, -1)
  return chosen(
    ['network.serverLink', 'network.cableMbps', 'network.switchMbps'],
    least(first!, ...others),
  )
}

/** Chances below it are left out of a formula's text. */
const minTold = 0.001

const titleRates: readonly Input[] = ['library.holdings']
const weekOf: readonly Input[] = ['household.habits', 'household.viewers']

/** The busiest moment by habits: what is asked of the home network and of the upload. */
function loadFigures(facts: NetworkFacts, format: Format): Figure[] {
  const { homeLoad, awayLoad, awayCapacityMbps, homePeak } = facts
  const { number: n, share } = format
  const none = 'It follows from habits, and there are none on this side.'
  const each = (of: WatchingLoad) =>
    of.rows
      .filter(({ chance }) => chance >= minTold)
      .map(({ viewers, chance }) => `${n(viewers)}: ${share(chance)}`)
      .join(', ')
  const home = (
    parts: { readonly id: string; readonly label: string },
    tell: (load: WatchingLoad) => { readonly mbps: number; readonly says: string },
  ): Figure => {
    const inputs = [...weekOf, ...titleRates]
    if (!homeLoad)
      return absentFigure(none, { ...parts, unit: 'Mb/s', inputs, formula: 'chances × rates' })
    const { mbps, says } = tell(homeLoad)
    return declareFigure(
      () => workedOut(mbps, 'Mb/s', { inputs, says: `${says}: ${n(mbps, 3)} Mb/s` }),
      { ...parts, unit: 'Mb/s' },
      format,
    )
  }
  const away = {
    id: 'network.awayShortChance',
    label: 'Upload too small at the busiest moment',
    unit: 'share',
  } as const
  const awayInputs: readonly Input[] = [
    ...weekOf,
    'network.uploadMbps',
    'network.uploadReserveShare',
    'network.awayRungMbps',
  ]
  const tooSmall = awayLoad && shortChance(awayLoad, awayCapacityMbps)
  return [
    home(
      { id: 'network.homeMeanMbps', label: 'At home, on average at the busiest moment' },
      load => ({
        mbps: load.meanMbps,
        says:
          `viewers with their chances (${each(load)}), each at ` +
          `${n(homePeak.meanMbps, 3)} Mb/s and one at its peak, ` +
          `${n(homePeak.largestRiseMbps, 3)} Mb/s more, on average`,
      }),
    ),
    home({ id: 'network.home99Mbps', label: 'At home, 99 % level' }, load => ({
      mbps: load.level99Mbps,
      says: `viewers with their chances (${each(load)}), not exceeded with 99 %`,
    })),
    awayLoad && tooSmall !== null
      ? declareFigure(
          () =>
            workedOut(tooSmall, 'share', {
              inputs: awayInputs,
              says:
                `viewers with their chances (${each(awayLoad)}): more than ` +
                `${n(awayCapacityMbps, 3)} Mb/s are needed with ${share(tooSmall)}`,
            }),
          away,
          format,
        )
      : absentFigure(none, {
          ...away,
          inputs: awayInputs,
          formula: 'chances of more than the upload carries',
        }),
  ]
}

/** The internet line: what the upload carries, and what is needed of it. */
function awayFigures(
  { awayHoursPerMonth }: NetworkFacts,
  { network, atOnce }: NetworkSlice,
  format: Format,
): Figure[] {
  const { number: n } = format
  const upload = field('network.uploadMbps', [network.uploadMbps, 'Mb/s'])
  const left = rest(field('network.uploadReserveShare', [network.uploadReserveShare, 'share']))
  const rung = field('network.awayRungMbps', [network.awayRungMbps, 'Mb/s/stream'])
  const overhead = constant(overheadFactor, 'factor')
  const source = `${n(overheadFactor)} is what headers and resent packets add.`
  const sentOut = {
    id: 'network.uploadGBPerMonth',
    label: 'Sent out in a month',
    unit: 'GB',
  } as const
  return [
    declareFigure(
      () => roundedDown(quotient(product(upload, left), product(rung, overhead))),
      { id: 'network.awayStreams', label: 'Streams the upload carries', unit: 'streams', source },
      format,
    ),
    declareFigure(
      () =>
        quotient(
          product(
            figureOf('household.watchingAwayAtOnce', [atOnce.away, 'streams'], { after: 'away' }),
            rung,
            overhead,
          ),
          left,
        ),
      {
        id: 'network.uploadNeededMbps',
        label: 'Upload needed',
        unit: 'Mb/s',
        source: `${source} The reserve is kept for calls and work at home.`,
      },
      format,
    ),
    awayHoursPerMonth > 0
      ? declareFigure(
          () =>
            product(
              workedOut(awayHoursPerMonth, 'h', { inputs: weekOf, after: 'away' }),
              field('network.awayRungMbps', [network.awayRungMbps, 'Mb/s']),
              constant(gbPerMbpsHour, 'GB·s/Mb/h', { after: 'GB', bare: true }),
            ),
          {
            ...sentOut,
            source:
              'Hours by the habits of ordinary days; headers and resent packets are not counted ' +
              'in caps.',
          },
          format,
        )
      : absentFigure('It follows from habits of viewers away, and there are none.', {
          ...sentOut,
          inputs: weekOf,
          formula: 'hours away × rate sent',
        }),
  ]
}

function homeFigures(
  { homePeak: peak }: NetworkFacts,
  { network, atOnce }: NetworkSlice,
  format: Format,
): Figure[] {
  const { number: n } = format
  const watching = figureOf('household.watchingHomeAtOnce', [atOnce.home, 'viewers'])
  const peakRate = sum(
    product(watching, workedOut(peak.meanMbps, 'Mb/s/viewer', { inputs: titleRates })),
    workedOut(peak.largestRiseMbps, 'Mb/s', { inputs: titleRates }),
  )
  const nobody = workedOut(0, 'Mb/s', {
    inputs: [{ figure: 'household.watchingHomeAtOnce' }],
    says: 'Nobody watches at home, so nothing is needed.',
  })
  return [
    declareFigure(
      () => (atOnce.home > 0 ? peakRate : nobody),
      {
        id: 'network.homePeakMbps',
        label: 'Peak at home',
        unit: 'Mb/s',
        source:
          'Average rate of the titles for each viewer, and once the largest rise above its ' +
          `average: titles peak at ${n(peakFactors.reencoded)} times, discs at ` +
          `${n(peakFactors.disc)} times.`,
      },
      format,
    ),
    declareFigure(
      () => homeLink(network),
      {
        id: 'network.homeLinkMbps',
        label: 'The home network carries',
        unit: 'Mb/s',
        source:
          'TCP payload of Ethernet at MTU 1500: ' +
          `${n(ethernetShare.of)} of every ${n(ethernetShare.on)} bytes; powerline carries ` +
          `${n(powerlineShare)} of its label, Wi-Fi ${n(serverWifiShare)} of what the machine ` +
          'shows. The least of all links counts.',
      },
      format,
    ),
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
    label: headrooms.home.label,
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
