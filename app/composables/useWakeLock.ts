import { onBeforeUnmount, onMounted, ref } from 'vue'

interface Lock {
  release: () => Promise<void>
}
interface LockMaker {
  request: (kind: 'screen') => Promise<Lock>
}

/** Keeps the screen awake while a part of the page is there, where the browser can. */
export function useWakeLock() {
  const isAwake = ref(false)
  let lock: Lock | null = null
  const maker = (navigator as { wakeLock?: LockMaker }).wakeLock

  async function take(): Promise<void> {
    if (!maker || document.visibilityState !== 'visible') return
    try {
      lock = await maker.request('screen')
      isAwake.value = true
    } catch {
      // Refused, as with little battery left: the page works on without.
      isAwake.value = false
    }
  }
  const again = () => void take()
  onMounted(() => {
    void take()
    // A browser takes it back when another page is looked at.
    document.addEventListener('visibilitychange', again)
  })
  onBeforeUnmount(() => {
    document.removeEventListener('visibilitychange', again)
    void lock?.release()
    lock = null
  })
  return { isAwake, isPossible: maker !== undefined }
}
