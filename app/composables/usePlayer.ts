import { useEventListener, usePreferredReducedMotion } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'

/** Seconds of an evening that pass in a second. */
export const speeds = [1, 10, 60, 120, 300, 600] as const
export type Speed = (typeof speeds)[number]
/** Where motion is not wanted, playing goes from event to event, so many milliseconds apart. */
const stepMs = 1000

/** Plays a stretch of time with moments at which something happens. */
export function usePlayer(
  span: () => { readonly from: number; readonly to: number; readonly moments: readonly number[] },
) {
  const now = ref(0)
  const isPlaying = ref(false)
  const speed = ref<Speed>(120)
  const motion = usePreferredReducedMotion()
  const isStill = computed(() => motion.value === 'reduce')
  let frame = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  function scrub(to: number): void {
    const { from, to: end } = span()
    now.value = Math.max(from, Math.min(end, to))
  }
  function step(by: -1 | 1): void {
    const { from, to, moments } = span()
    const next =
      by > 0
        ? moments.find(moment => moment > now.value + 1e-6)
        : moments.findLast(moment => moment < now.value - 1e-6)
    scrub(next ?? (by > 0 ? to : from))
  }
  function pause(): void {
    isPlaying.value = false
    cancelAnimationFrame(frame)
    clearTimeout(timer)
  }
  function play(): void {
    if (now.value >= span().to - 1e-6) scrub(span().from)
    isPlaying.value = true
    if (isStill.value) {
      const next = () => {
        step(1)
        if (now.value >= span().to - 1e-6) pause()
        else timer = setTimeout(next, stepMs)
      }
      timer = setTimeout(next, stepMs)
      return
    }
    let before = performance.now()
    const tick = (at: number) => {
      // A page that was not looked at goes on where it was, not hours later.
      const passed = Math.min(200, at - before)
      before = at
      scrub(now.value + (passed / 1000) * speed.value)
      if (now.value >= span().to - 1e-6) pause()
      else frame = requestAnimationFrame(tick)
    }
    frame = requestAnimationFrame(tick)
  }
  const toggle = () => (isPlaying.value ? pause() : play())
  // All of it is seen at first; playing begins at its start.
  watch(
    span,
    ({ to }) => {
      pause()
      now.value = to
    },
    { immediate: true },
  )
  /** P plays and pauses, comma and full stop step: Space and the arrows stay what they are. */
  useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if ((event.target as HTMLElement | null)?.closest('input, textarea, select, [role=listbox]'))
      return
    const act = {
      p: toggle,
      ',': () => {
        pause()
        step(-1)
      },
      '.': () => {
        pause()
        step(1)
      },
    }[event.key.toLowerCase()]
    if (!act) return
    event.preventDefault()
    act()
  })
  onBeforeUnmount(pause)
  return { now, isPlaying, speed, scrub, step, toggle, pause }
}
