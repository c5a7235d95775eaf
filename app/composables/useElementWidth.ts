import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

/** Width of an element in CSS pixels, followed as it changes. */
export function useElementWidth(element: Ref<HTMLElement | null>, initial = 640) {
  const width = ref(initial)
  let observer: ResizeObserver | undefined
  onMounted(() => {
    if (!element.value) return
    width.value = element.value.clientWidth || initial
    observer = new ResizeObserver(([entry]) => {
      if (entry && entry.contentRect.width > 0) width.value = Math.round(entry.contentRect.width)
    })
    observer.observe(element.value)
  })
  onBeforeUnmount(() => observer?.disconnect())
  return width
}
