<script setup lang="ts">
import { computed, ref } from 'vue'

/** A mark on a bar that sets a value, by drag and by keys. */
const props = defineProps<{
  label: string
  value: number
  low: number
  high: number
  whole: boolean
  text: string
}>()
const emit = defineEmits<{ set: [value: number] }>()
const mark = ref<HTMLElement | null>(null)
const left = computed(
  () => `${((props.value - props.low) / Math.max(1e-9, props.high - props.low)) * 100}%`,
)
const step = computed(() => (props.whole ? 1 : (props.high - props.low) / 50))
function take(value: number): void {
  const within = Math.max(props.low, Math.min(props.high, value))
  const next = props.whole ? Math.round(within) : within
  if (next !== props.value) emit('set', next)
}
function drag(event: PointerEvent): void {
  if (!(event.buttons & 1)) return
  const box = mark.value!.parentElement!.getBoundingClientRect()
  take(props.low + ((event.clientX - box.left) / (box.width || 1)) * (props.high - props.low))
}
function hold(event: PointerEvent): void {
  mark.value?.setPointerCapture?.(event.pointerId)
}
function onKey(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageUp: 5, PageDown: -5 }[
    event.key
  ]
  const end = { Home: props.low, End: props.high }[event.key]
  if (by === undefined && end === undefined) return
  event.preventDefault()
  take(end ?? props.value + by! * step.value)
}
</script>

<template>
  <span
    ref="mark"
    class="mark"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuemin="low"
    :aria-valuemax="high"
    :aria-valuenow="value"
    :aria-valuetext="text"
    :style="{ left }"
    @pointerdown="hold"
    @pointermove="drag"
    @keydown="onKey"
  />
</template>

<style scoped>
.mark {
  position: absolute;
  top: -5px;
  bottom: -5px;
  width: 24px;
  margin-left: -12px;
  cursor: ew-resize;
  touch-action: none;
  outline: none;
}
.mark::before {
  content: '';
  position: absolute;
  left: 9px;
  top: 0;
  bottom: 0;
  width: 6px;
  border-radius: 3px;
  background: rgb(var(--v-theme-on-surface));
}
.mark:focus-visible::before {
  background: rgb(var(--v-theme-primary));
  box-shadow: 0 0 0 3px rgba(var(--v-theme-primary), 0.35);
}
</style>
