import { computed } from 'vue'
import { usualMachine } from '~~/core/machine/machineBuild'
import { wallW } from '~~/core/machine/power/supplyCurve'
import { usePlanStore } from '~/stores/planStore'
import { useFormat } from './useFormat'

/** What stands in for a field of the machine that is left empty, as its placeholder. */
export function useUsualMachine() {
  const store = usePlanStore()
  const { number, money } = useFormat()
  return computed(() => {
    const { build, power } = store.assessment?.domains.machine ?? {}
    const fromParts = (dcW: number | undefined) =>
      build?.isFromParts && power && dcW !== undefined ? number(wallW(dcW, power.losses), 3) : null
    return {
      score: build?.processor ? number(build.processor.score) : 'not known',
      cores: String(build?.cores ?? usualMachine.cores),
      bays: String(build?.bays ?? usualMachine.bays),
      price:
        store.plan?.machine.condition === 'owned'
          ? 'nothing'
          : build?.isFromParts
            ? 'by its parts'
            : build?.base
              ? `≈ ${money(build.base.price)}`
              : 'not known',
      idleW: fromParts(power?.idleDcW) ?? String(build?.base?.idleW ?? usualMachine.idleW),
      loadW: fromParts(power?.loadDcW) ?? String(build?.base?.loadW ?? usualMachine.loadW),
    }
  })
}
