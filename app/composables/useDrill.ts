import { computed, ref, shallowRef, watch } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { externalMBps } from '~~/core/drives/backup/backupPlan'
import { beginDrill, drillStep, endDrill } from '~~/core/drives/drill/drill'
import {
  drillAftermath,
  type DrillState,
  type DrillAction,
  type DrillGround,
} from '~~/core/drives/drill/drillState'
import { entryText, reportText, standText } from '~~/core/drives/drill/tellDrill'
import { debrief } from '~~/core/drives/drill/debrief'
import { leadHours, poolOf } from '~~/core/drives/poolOf'
import { useFormat } from '~/composables/useFormat'
import { usePoolChoices } from '~/composables/usePoolChoices'
import { usePlanStore } from '~/stores/planStore'

/**
 * A drill on the plan's own drives. It changes nothing of the plan, and a change of the drives ends
 * it.
 */
export function useDrill() {
  const store = usePlanStore()
  const choices = usePoolChoices()
  const { format } = useFormat()
  const pace = ref<DrillGround['pace']>('true')
  const seed = ref(1)
  const ground = shallowRef<DrillGround | null>(null)
  const state = shallowRef<DrillState | null>(null)

  function makeGround(): DrillGround | null {
    const { plan, assessment } = store
    if (!plan || !assessment || !choices.value) return null
    const { layoutId } = assessment.domains.drives
    const value = (id: string) => assessment.figures[id]?.value ?? 0
    const pool = poolOf({
      drives: plan.drives,
      choices: choices.value,
      catalogue,
      contentTB: value('library.contentAtHorizonTB'),
      layoutId,
    })
    if ('refused' in pool) return null
    return {
      pool,
      leadHours: leadHours[plan.drives.replacement],
      laterHours:
        leadHours[plan.drives.replacement === 'shelf' ? 'order' : plan.drives.replacement],
      irreplaceableTB: value('library.irreplaceableTB'),
      hasCopy: assessment.domains.drives.pool?.hasOneCopyOnly === false,
      heldTB: Math.min(value('library.contentTB'), value('drives.roomTB')),
      copyMBps: externalMBps,
      readErrorEndsRebuild: plan.choices.readErrorEndsRebuild,
      pace: pace.value,
      seed: seed.value,
    }
  }
  /** whether these drives can be drilled at all, and which of them are in the pool */
  const possible = computed(() => {
    void [store.plan, store.assessment]
    return makeGround()
  })
  function begin(place: number | null): void {
    ground.value = makeGround()
    state.value = ground.value && beginDrill(ground.value, place)
  }
  function act(action: DrillAction): void {
    if (ground.value && state.value) state.value = drillStep(ground.value, state.value, action)
  }
  function end(): void {
    if (state.value) state.value = endDrill(state.value)
  }
  function leave(): void {
    ground.value = null
    state.value = null
    seed.value++
  }
  watch(() => store.plan?.drives, leave)
  const told = computed(() => {
    const [own, at] = [ground.value, state.value]
    if (!own || !at) return null
    return {
      report: reportText(at, own),
      stand: standText(at, own, format.value),
      after: drillAftermath(own, at),
      log: at.log.map(entry => ({ ...entry, text: entryText(entry, own, format.value) })),
      debrief: at.isOver ? debrief(at, own, format.value) : null,
    }
  })
  return { pace, seed, possible, ground, state, told, begin, act, end, leave }
}

/** What a drill has come to, in words. */
export type DrillTale = NonNullable<ReturnType<typeof useDrill>['told']['value']>
