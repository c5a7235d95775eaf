import { computed } from 'vue'
import { linkKinds } from '~~/core/catalogue/deviceClasses'
import { rebuildShareOfOuter } from '~~/core/drives/rebuildHours'
import { awayStreams, overheadFactor } from '~~/core/network/awayStreams'
import { bindingTwo, chainHours, chainOf } from '~~/core/network/chain'
import { deviceLink } from '~~/core/network/links'
import { upgradeRows } from '~~/core/network/upgrades'
import { homePlace } from '~~/core/plan/constants'
import { usePlanStore } from '~/stores/planStore'

/** One device of the map, with what its link carries and what the worst evening puts on it. */
export interface MapDevice {
  readonly index: number
  readonly name: string
  readonly place: string
  readonly isAway: boolean
  /** at home and on Wi-Fi, so that a router apart from the switch stands before it */
  readonly behindRouter: boolean
  readonly link: string
  readonly capacityMbps: number
  readonly loadMbps: number
}

/** From the drives to every device: links, what is on them, and which one binds. */
export function useNetworkChain() {
  const store = usePlanStore()
  const facts = computed(() => store.assessment?.domains.network ?? null)
  const loadMbps = computed(() => facts.value?.homePeak.peakMbps ?? 0)
  const question = computed(() => {
    const { plan, assessment } = store
    if (!plan || !assessment) return null
    const { drives, fitting, wiring } = assessment.domains
    return {
      drivesMBps: rebuildShareOfOuter * drives.slowestOuterMBps,
      controllerMBps: fitting.controllerMBps,
      enclosureMBps: fitting.enclosureMBps,
      processorMBps: wiring.processorMBps,
      deviceMbps: null,
      loadMbps: loadMbps.value,
      deviceLoadMbps: 0,
    }
  })
  const devices = computed((): MapDevice[] => {
    const { plan } = store
    const shared = facts.value?.links
    if (!plan || !shared) return []
    return plan.household.devices.map((device, index) => {
      const users = plan.household.habits
        .filter(habit => habit.device === device.id)
        .map(
          habit =>
            plan.household.viewers.find(viewer => viewer.id === habit.viewer)?.place ?? homePlace,
        )
      const placeId =
        users.length > 0 && users.every(place => place !== homePlace) ? users[0]! : homePlace
      const place = plan.household.places.find(({ id }) => id === placeId)
      const link = deviceLink(
        device,
        { id: placeId, downloadMbps: place?.downloadMbps ?? null },
        shared,
      )
      const single =
        (facts.value?.homePeak.meanMbps ?? 0) + (facts.value?.homePeak.largestRiseMbps ?? 0)
      return {
        index,
        name: device.name || `Device ${index + 1}`,
        place: place?.name ?? (placeId === homePlace ? 'At home' : placeId),
        isAway: link.isAway,
        behindRouter: !link.isAway && link.own.kind === 'wifi',
        link: linkKinds[device.link],
        capacityMbps: link.isAway ? link.mbps : link.own.mbps,
        loadMbps:
          users.length === 0
            ? 0
            : link.isAway
              ? plan.network.awayRungMbps * overheadFactor
              : single,
      }
    })
  })
  const links = computed(() =>
    store.plan && question.value ? chainOf({ ...question.value, network: store.plan.network }) : [],
  )
  const copies = computed(() => bindingTwo(links.value, 'copies'))
  const worstDevice = computed(() =>
    devices.value
      .filter(({ isAway, loadMbps: load }) => !isAway && load > 0)
      .reduce<MapDevice | null>(
        (worst, device) =>
          worst === null ||
          device.loadMbps / device.capacityMbps > worst.loadMbps / worst.capacityMbps
            ? device
            : worst,
        null,
      ),
  )
  const streams = computed(() =>
    bindingTwo(
      store.plan && question.value
        ? chainOf({
            ...question.value,
            network: store.plan.network,
            deviceMbps: worstDevice.value?.capacityMbps ?? null,
            deviceLoadMbps: worstDevice.value?.loadMbps ?? 0,
          })
        : [],
      'streams',
    ),
  )
  const sizeTB = computed(() => store.assessment?.figures['library.contentTB']?.value ?? 0)
  const hours = computed(() => chainHours(sizeTB.value, links.value))
  const upgrades = computed(() =>
    store.plan && question.value
      ? upgradeRows(store.plan.network, {
          question: question.value,
          sizeTB: sizeTB.value,
          awayWith: uploadMbps =>
            awayStreams({
              uploadMbps: Math.max(0, uploadMbps - (facts.value?.editingMbps ?? 0)),
              reserveShare: store.plan!.network.uploadReserveShare,
              rungMbps: store.plan!.network.awayRungMbps,
            }),
        })
      : [],
  )
  const away = computed(() => {
    const { plan } = store
    const sessions = facts.value?.links.awaySessions ?? 0
    const asked = store.assessment?.figures['household.watchingAwayAtOnce']?.value ?? 0
    return plan
      ? {
          capacityMbps: facts.value?.awayCapacityMbps ?? 0,
          loadMbps: Math.min(asked, sessions) * plan.network.awayRungMbps * overheadFactor,
        }
      : null
  })
  /** The port of a router apart from the switch; null where they are one. */
  const router = computed(() => {
    const capacityMbps = facts.value?.links.routerMbps ?? null
    if (capacityMbps === null) return null
    const inside = devices.value.some(device => device.behindRouter && device.loadMbps > 0)
    return {
      capacityMbps,
      loadMbps: (inside ? loadMbps.value : 0) + (away.value?.loadMbps ?? 0),
    }
  })
  return { links, router, devices, copies, streams, worstDevice, hours, sizeTB, upgrades, away }
}
