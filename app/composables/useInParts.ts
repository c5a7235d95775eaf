import { computed, ref, toValue, watch, type ComputedRef, type MaybeRefOrGetter } from 'vue'

/**
 * The first entries of a long list, and more of them with each frame until all are there: so the
 * page goes on answering while the list is drawn.
 * @param atOnce entries that are drawn within one frame
 */
export function useInParts<Entry>(
  list: MaybeRefOrGetter<readonly Entry[]>,
  atOnce: number,
): ComputedRef<readonly Entry[]> {
  const drawn = ref(atOnce)
  watch(
    [drawn, () => toValue(list).length],
    ([count, all]) => {
      if (count < all) requestAnimationFrame(() => (drawn.value = count + atOnce))
    },
    { immediate: true },
  )
  return computed(() => toValue(list).slice(0, drawn.value))
}
