import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import { judgeFit } from '~~/core/machine/fit/fitFacts'
import { fitContext } from '~~/core/machine/fit/assembleContext'
import { withMachine } from '~~/core/machine/fit/fitFixes'
import { fitSentence } from '~~/core/machine/fit/tellFit'
import { fitSlice } from '~~/core/machine/fitting'
import { knownPart } from '~~/core/machine/knownParts'
import { moveTo, putIn, takeOut } from '~~/core/machine/partChanges'
import type { Machine } from '~~/core/plan/machine'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** The machine's parts: what is there, what goes in, and what each change would make of its fit. */
export function useMachineParts() {
  const store = usePlanStore()
  const { format } = useFormat()
  const lists = computed(() => (store.plan ? effectiveCatalogue(store.plan, catalogue) : catalogue))
  const facts = computed(() => store.assessment?.domains.fitting ?? null)
  const assembly = computed(() => facts.value?.context ?? null)
  const machine = computed(() => store.plan?.machine ?? null)
  const slice = computed(() =>
    store.plan && store.assessment ? fitSlice(store.plan, store.assessment.domains) : null,
  )
  const failing = computed(
    () =>
      new Set(
        (facts.value?.judged ?? []).filter(({ state }) => state === 'fail').map(({ id }) => id),
      ),
  )
  const known = computed(() =>
    (machine.value?.parts ?? []).map((part, index) => knownPart(part, index, lists.value)),
  )

  /**
   * What a changed machine would fail that this one does not: the first sentence; null where
   * nothing.
   */
  function spoils(changed: Machine): string | null {
    if (!slice.value) return null
    const worse = judgeFit(fitContext(withMachine(slice.value, changed, lists.value))).find(
      ({ rule, judgement }) =>
        judgement.state === 'fail' &&
        !failing.value.has(rule.id) &&
        !rule.id.startsWith('memoryEnough'),
    )
    return worse ? fitSentence({ id: worse.rule.id, ...worse.judgement }, format.value) : null
  }
  function apply(changed: Machine): void {
    if (store.plan) store.replace({ ...store.plan, machine: changed })
  }
  function preview(changed: Machine | null): void {
    store.tried = changed && store.plan ? { ...store.plan, machine: changed } : null
  }
  const withPartIn = (ref: string, at = '') =>
    machine.value ? putIn(machine.value, ref, { lists: lists.value, at }) : null
  const change = (changed: Machine | null) => changed && apply(changed)
  const put = (ref: string, at = '') => change(withPartIn(ref, at))
  const move = (index: number, at: string) =>
    change(machine.value && moveTo(machine.value, index, at))
  const remove = (index: number) => change(machine.value && takeOut(machine.value, index))
  return {
    lists,
    facts,
    assembly,
    machine,
    slice,
    known,
    spoils,
    apply,
    preview,
    withPartIn,
    put,
    move,
    remove,
  }
}
