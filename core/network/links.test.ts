import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { assess } from '../assess'
import { planSchema, type PlanInput } from '../plan/planSchema'
import type { Device } from '../plan/household'
import { declareFigure } from '../expressions/declareFigure'
import { plainFormat } from '../units/format'
import {
  deviceLink,
  downloadShare,
  usualMobileMbps,
  usualWifiMbps,
  wifiShares,
  type SharedLinks,
} from './links'
import { linkExpression } from './linkExpression'

const shared: SharedLinks = {
  homeMbps: (1000 * 1448) / 1538,
  routerMbps: null,
  serverWifiMbps: null,
  meshShare: 1,
  homeSessions: 4,
  wifiSessions: 2,
  awaySessions: 2,
  uploadMbps: 40,
  editingMbps: 0,
  reserveShare: 0.25,
  measured: null,
  awayRungMbps: 4,
}
const device = (link: Device['link'], linkMbps: number | null = null) =>
  ({ id: 'd', name: 'D', class: 'tv2020', link, linkMbps }) as Device
const home = { id: 'home', downloadMbps: null }
const away = (downloadMbps: number | null) => ({ id: 'lighthouse', downloadMbps })

describe("a device's link at home", () => {
  it.each<[Device['link'], number | null, number]>([
    ['wired1000', null, 941.482 / 4],
    ['wired100', null, 94.148],
    ['wired2500', null, 941.482 / 4],
    ['wifiGood', 600, 150],
    ['wifiFair', 600, 100],
    ['wifiPoor', 600, 50],
    ['wifiGood', null, usualWifiMbps / 2 / 2],
    ['mobile', null, usualMobileMbps],
    ['mobile', 55, 55],
  ])('%s showing %s carries %d Mb/s for one of those at once', (link, linkMbps, mbps) => {
    expect(deviceLink(device(link, linkMbps), home, shared).mbps).toBeCloseTo(mbps, 2)
  })
  it('is on good Wi-Fi where a class stands in for a device', () => {
    expect(deviceLink(null, home, shared)).toEqual(deviceLink(device('wifiGood'), home, shared))
  })
  it('shares the port with all at home, the channel with those on it', () => {
    expect(deviceLink(device('wired1000'), home, { ...shared, homeSessions: 1 }).mbps).toBeCloseTo(
      941.48,
      2,
    )
    expect(deviceLink(device('wifiGood', 300), home, { ...shared, wifiSessions: 1 }).mbps).toBe(150)
    // Three hundred through the air are more than a quarter of the port.
    expect(
      deviceLink(device('wifiGood', 600), home, { ...shared, wifiSessions: 1 }).mbps,
    ).toBeCloseTo(941.48 / 4, 2)
  })
  it('crosses the channel twice where the machine is on Wi-Fi too: the times add up', () => {
    const server = (serverWifiMbps: number) => ({ ...shared, wifiSessions: 1, serverWifiMbps })
    const seconds = (mbps: number, viaMbps: number) => 1 / mbps + 1 / viaMbps
    // 600 shown by the device carry 300 over the air.
    for (const via of [60, 150, 300])
      expect(1 / deviceLink(device('wifiGood', 600), home, server(via)).own.mbps).toBeCloseTo(
        seconds(300, via),
        9,
      )
    expect(deviceLink(device('wired100'), home, server(60)).own.mbps).toBeCloseTo(94.148, 2)
    expect(deviceLink(device('wifiGood', 600), away(null), server(60)).mbps).toBe(
      deviceLink(device('wifiGood', 600), away(null), shared).mbps,
    )
    // More is never worse.
    const carried = [10, 20, 50, 100, 1000].map(
      via => deviceLink(device('wifiFair', 600), home, server(via)).mbps,
    )
    expect(carried).toEqual([...carried].sort((a, b) => a - b))
  })
  it('crosses the port of a router apart from the switch where it is on Wi-Fi', () => {
    const apart = { ...shared, wifiSessions: 1, homeSessions: 2, routerMbps: 94.148 }
    expect(deviceLink(device('wifiGood', 600), home, apart)).toMatchObject({
      routerShareMbps: 94.148 / 2,
      mbps: 94.148 / 2,
    })
    expect(deviceLink(device('wired1000'), home, apart)).toMatchObject({
      routerShareMbps: null,
      mbps: expect.closeTo(941.482 / 2, 2) as number,
    })
    const outside = deviceLink(device('wired1000'), away(null), { ...apart, uploadMbps: 1000 })
    expect(outside.mbps).toBe(94.148 / 2)
    const linksOf = (network: PlanInput['network']) =>
      assess(planSchema.parse({ ...tideMillHouse, network }), catalogue).domains.network.links
    expect(linksOf({ routerMbps: 100 }).routerMbps).toBeCloseTo(94.148, 2)
    expect(linksOf({}).routerMbps).toBeNull()
    // On Wi-Fi the machine reaches the router by itself.
    expect(linksOf({ routerMbps: 100, serverLink: 'wifi' }).routerMbps).toBeNull()
  })
  it('has a half, a third or a sixth of what Wi-Fi shows', () => {
    expect(wifiShares).toEqual({ wifiGood: 1 / 2, wifiFair: 1 / 3, wifiPoor: 1 / 6 })
    expect([usualWifiMbps, usualMobileMbps, downloadShare]).toEqual([300, 20, 0.8])
  })
})

describe("a device's link away", () => {
  it(
    "is the least of the upload's share, four fifths of the download there, and a mobile " +
      'network',
    () => {
      const upload = deviceLink(device('wired1000'), away(null), shared)
      expect(upload.mbps).toBeCloseTo((40 * 0.75) / 1.08 / 2, 9)
      expect(deviceLink(device('wired1000'), away(10), shared).mbps).toBe(8)
      expect(deviceLink(device('mobile', 5), away(10), shared).mbps).toBe(5)
      expect(deviceLink(device('mobile', 500), away(1000), shared).mbps).toBe(upload.mbps)
    },
  )
  it('does not ask what Wi-Fi there shows', () => {
    expect(deviceLink(device('wifiPoor', 1), away(null), shared).mbps).toBe(
      deviceLink(device('wired1000'), away(null), shared).mbps,
    )
  })
})

describe('a mesh without a wire', () => {
  it('halves Wi-Fi, and nothing else', () => {
    const mesh = { ...shared, meshShare: 0.5 }
    expect(deviceLink(device('wifiGood', 600), home, mesh).mbps).toBeCloseTo(
      deviceLink(device('wifiGood', 600), home, shared).mbps / 2,
      9,
    )
    expect(deviceLink(device('wired1000'), home, mesh).mbps).toBe(
      deviceLink(device('wired1000'), home, shared).mbps,
    )
    const plan = planSchema.parse({ name: 'x', network: { meshWithoutWire: true } })
    expect(assess(plan, catalogue).domains.network.links.meshShare).toBe(0.5)
  })
})

describe('a link in words', () => {
  const at = { deviceIndex: 3, placeIndex: 2 }
  const told = (
    link: ReturnType<typeof deviceLink>,
    place: Parameters<typeof linkExpression>[2] = at,
  ) =>
    declareFigure(
      () => linkExpression(link, shared, place),
      { id: 'x', label: 'X', unit: 'Mb/s' },
      plainFormat,
    )
  it('gives its numbers, and they give the rate', () => {
    const wifi = deviceLink(device('wifiFair', 600), home, shared)
    expect(told(wifi).formula).toBe(
      'the least of Wi-Fi 600 Mb/s ÷ 3 ÷ 2 on the channel, home network 941.5 Mb/s ÷ 4 = 100 Mb/s',
    )
    const far = deviceLink(device('mobile', 5), away(10), shared)
    expect(told(far).formula).toBe(
      'the least of upload 40 Mb/s × (1 − 0.25) ÷ 1.08 ÷ 2 away, download there 10 Mb/s × 0.8, ' +
        'mobile network 5 Mb/s = 5 Mb/s',
    )
    expect(told(deviceLink(device('wired100'), away(null), shared)).formula).toBe(
      'upload 40 Mb/s × (1 − 0.25) ÷ 1.08 ÷ 2 away = 13.89 Mb/s',
    )
    expect(told(deviceLink(device('wired100'), home, shared)).value).toBeCloseTo(94.15, 2)
  })
  it('gives the rate that the facts have, for every kind of link', () => {
    for (const kind of ['wired100', 'wired1000', 'wifiGood', 'wifiPoor', 'mobile'] as const)
      for (const place of [home, away(null), away(7)]) {
        const link = deviceLink(device(kind), place, shared)
        expect(told(link).value, `${kind} ${place.id}`).toBeCloseTo(link.mbps, 9)
      }
  })
  it('names the fields behind it', () => {
    const wifi = told(deviceLink(device('wifiFair'), home, shared), { ...at, placeIndex: null })
    for (const input of [
      'household.devices.3.link',
      'household.devices.3.linkMbps',
      'network.meshWithoutWire',
      'network.homeLinkMbps',
      'household.watchingHomeAtOnce',
    ])
      expect(wifi.inputs).toContain(input)
    expect(told(deviceLink(device('mobile'), away(1), shared)).inputs).toContain(
      'household.places.2.downloadMbps',
    )
  })
})

describe('links before playback', () => {
  const links = (changes: Partial<PlanInput>) =>
    assess(planSchema.parse({ ...tideMillHouse, ...changes }), catalogue).domains.network.links
  it('are shared by at least one', () => {
    expect(links({ household: { watchingHome: 0, watchingAway: 0 } })).toMatchObject({
      homeSessions: 1,
      wifiSessions: 1,
      awaySessions: 1,
    })
  })
  it('never have more on the channel than are at home at once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.constantFrom('wired1000' as const, 'wifiPoor' as const),
        (viewers, link) => {
          const found = links({
            household: {
              viewers: Array.from({ length: viewers }, (_, at) => ({ id: `v${at}` })),
              devices: [{ id: 'd', link }],
              habits: Array.from({ length: viewers }, (_, at) => ({
                viewer: `v${at}`,
                device: 'd',
                earliest: 1200,
                latest: 1230,
                minutes: 60,
                chance: 0.9,
              })),
            },
          })
          expect(found.wifiSessions).toBeLessThanOrEqual(found.homeSessions)
          if (link === 'wired1000') expect(found.wifiSessions).toBe(1)
        },
      ),
      { numRuns: 12 },
    )
  })
})
