import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { SessionAsked, TriedFix } from '~~/core/tiers/rehearse'
import { inBackground } from '~/services/background'
import type { RehearsalAsk } from '~/services/rehearsalWork'

/** Fixes of the plan tried one after the other on the same evening; it ends with its panel. */
export function useTriedFixes(
  asked: () => { readonly ask: RehearsalAsk; readonly session: SessionAsked } | null,
) {
  const tried = shallowRef<readonly TriedFix[]>([])
  const all = ref(0)
  const working = ref(false)
  const failed = ref(false)
  let turn = 0

  async function run(): Promise<void> {
    const question = asked()
    const mine = ++turn
    tried.value = []
    all.value = 0
    failed.value = false
    working.value = question !== null
    if (!question) return
    try {
      const { ask, session } = question
      const fixes = await inBackground('rehearse too', work => work.rehearsalFixes(ask))
      all.value = fixes.length
      for (const fix of fixes) {
        if (mine !== turn) return
        const result = await inBackground('rehearse too', work => work.triedFix(ask, fix, session))
        if (mine === turn) tried.value = [...tried.value, result]
      }
    } catch {
      failed.value = mine === turn
    }
    if (mine === turn) working.value = false
  }
  /** Leaves it at what was tried so far. */
  function stop(): void {
    turn++
    working.value = false
  }
  watch(asked, () => void run(), { immediate: true })
  onBeforeUnmount(stop)
  return { tried, all, working, failed, stop }
}
