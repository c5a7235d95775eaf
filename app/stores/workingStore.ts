import { defineStore } from 'pinia'
import { computed, ref } from 'vue'

/** Which figure's working is shown, and the way the reader came to it. */
export const useWorkingStore = defineStore('working', () => {
  const trail = ref<readonly string[]>([])
  const figureId = computed(() => trail.value.at(-1) ?? null)
  const isOpen = computed(() => trail.value.length > 0)

  function show(id: string): void {
    trail.value = [id]
  }
  function follow(id: string): void {
    const known = trail.value.indexOf(id)
    trail.value = known >= 0 ? trail.value.slice(0, known + 1) : [...trail.value, id]
  }
  function close(): void {
    trail.value = []
  }
  return { trail, figureId, isOpen, show, follow, close }
})
