import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { driveTraits } from '~~/core/drives/driveTraits'
import { rebuildShareOfOuter } from '~~/core/drives/rebuildHours'
import { fastStorage } from '~~/core/drives/fast/fastStorage'
import { viewingSpan } from '~~/core/household/viewingSpan'
import { arrivalRuns } from '~~/core/drives/fast/arrivals'
import { fastNotes, fastSentence } from '~~/core/drives/fast/tellFast'
import { fastFigures } from '~~/core/drives/fast/fastFigures'
import type { FastTale } from '~~/core/drives/fast/fastRates'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** Payload of a good Wi-Fi link, where the plan knows none. */
const usualWifiMbps = 200

/** What lies on which pool, and who brings data when. */
export function useFastStorage() {
  const store = usePlanStore()
  const { format } = useFormat()
  const tale = computed((): FastTale | null => {
    const { plan, assessment } = store
    if (!plan || !assessment) return null
    const value = (id: string) => assessment.figures[id]?.value ?? 0
    const { pool: facts, layoutId } = assessment.domains.drives
    const traits = plan.drives.lots.map(lot => driveTraits(lot, plan.drives, catalogue))
    return {
      plan,
      layoutId,
      sentMbps: plan.network.awayRungMbps,
      conversions: value('streams.asked'),
      convertingHours: assessment.domains.day.converting.perDay,
      watching: value('household.watching95'),
      format: format.value,
      pool:
        facts && traits.length
          ? {
              members: facts.arrangement.members,
              survives: facts.survives,
              dataDrives: facts.arrangement.parts.filter(part => part.dataTB > 0).length,
              outerMBps: Math.min(...traits.map(({ outerMBps }) => outerMBps)),
              spinning: traits.some(({ spinning }) => spinning),
            }
          : null,
    }
  })
  const fast = computed(
    () =>
      tale.value &&
      fastStorage({
        plan: tale.value.plan,
        catalogue,
        conversions: tale.value.conversions,
        sentMbps: tale.value.sentMbps,
        convertingHours: tale.value.convertingHours,
      }),
  )
  const figures = computed(() =>
    tale.value && fast.value ? fastFigures(fast.value, tale.value) : [],
  )
  const watching = computed(() =>
    viewingSpan(store.assessment?.domains.household.watched.perDay ?? 0),
  )
  const runs = computed(() =>
    tale.value
      ? arrivalRuns(tale.value.plan.drives.arrivals, {
          wiredMbps: store.assessment?.figures['network.homeLinkMbps']?.value ?? 0,
          wifiMbps: usualWifiMbps,
          downloadMbps: tale.value.plan.network.downloadMbps,
          uploadMbps: tale.value.plan.network.uploadMbps,
          drivesMBps:
            rebuildShareOfOuter * (tale.value.pool?.outerMBps ?? tale.value.plan.drives.outerMBps),
          watching: watching.value,
        })
      : [],
  )
  return {
    fast,
    figures,
    runs,
    watching,
    sentence: computed(() =>
      tale.value && fast.value ? fastSentence(fast.value, tale.value, format.value) : '',
    ),
    notes: computed(() =>
      tale.value && fast.value
        ? fastNotes(fast.value, {
            ...tale.value,
            linkMBps: (store.assessment?.figures['network.homeLinkMbps']?.value ?? 0) / 8,
          })
        : [],
    ),
  }
}
