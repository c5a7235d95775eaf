import { computed } from 'vue'
import { usualMachine } from '~~/core/machine/machineBuild'
import { usePlanStore } from '~/stores/planStore'
import { useFormat } from './useFormat'

/** What stands in for a field of the machine that is left empty, as its placeholder. */
export function useUsualMachine() {
  const store = usePlanStore()
  const { number, money } = useFormat()
  return computed(() => {
    const build = store.assessment?.domains.machine.build
    return {
      score: build?.processor ? number(build.processor.score) : 'not known',
      cores: String(build?.cores ?? usualMachine.cores),
      bays: String(build?.bays ?? usualMachine.bays),
      price: store.plan?.machine.condition === 'owned' ? 'nothing' : build?.base ? `≈ ${money(build.base.price)}` : 'not known',
      idleW: String(build?.base?.idleW ?? usualMachine.idleW),
      loadW: String(build?.base?.loadW ?? usualMachine.loadW),
    }
  })
}
