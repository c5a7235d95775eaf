<script setup lang="ts">
import { inject, nextTick, onBeforeUnmount, onMounted, ref, useId } from 'vue'
import { mdiChevronLeft, mdiChevronRight, mdiClose } from '@mdi/js'
import { inspectorHost } from '~/composables/inspectorHost'

/**
 * What is selected, to be edited beside the picture or list it was selected in: at the right, on a
 * phone from below. Esc closes it, arrow keys on its heading go on to the next.
 */
const props = defineProps<{
  heading: string
  /** place in its list, from 0 */ index?: number
  count?: number
  /** the heading takes the focus when it opens */ takesFocus?: boolean
}>()
const emit = defineEmits<{ close: []; step: [by: -1 | 1] }>()
const id = useId()
/** Without a place for it on the page it stands where it is. */
const host = inject(inspectorHost, null)
const title = ref<HTMLElement | null>(null)

function onKey(event: KeyboardEvent): void {
  if (event.key !== 'Escape' || event.defaultPrevented) return
  // A list of choices that is open closes first.
  if (document.querySelector('.v-overlay--active:not(.v-snackbar)')) return
  emit('close')
}
function onArrow(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key] as
    -1 | 1 | undefined
  if (!by) return
  event.preventDefault()
  emit('step', by)
}
onMounted(async () => {
  window.addEventListener('keydown', onKey)
  await nextTick()
  if (props.takesFocus) title.value?.focus({ preventScroll: true })
})
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
defineExpose({ focus: () => title.value?.focus() })
</script>

<template>
  <Teleport :to="host ?? 'body'" defer :disabled="host === null">
    <section class="inspector" :aria-labelledby="id" data-inspector>
      <header>
        <h2 :id="id" ref="title" tabindex="0" @keydown="onArrow">
          {{ heading }}
        </h2>
        <div class="steps">
          <template v-if="count && count > 1">
            <VBtn
              :icon="mdiChevronLeft"
              size="small"
              aria-label="Previous one"
              @click="emit('step', -1)"
            />
            <small class="soft">{{ (index ?? 0) + 1 }} of {{ count }}</small>
            <VBtn
              :icon="mdiChevronRight"
              size="small"
              aria-label="Next one"
              @click="emit('step', 1)"
            />
          </template>
          <VBtn
            :icon="mdiClose"
            size="small"
            aria-label="Close the inspector"
            @click="emit('close')"
          />
        </div>
      </header>
      <div class="content">
        <slot />
      </div>
    </section>
  </Teleport>
</template>

<style scoped>
.inspector {
  display: flex;
  flex-direction: column;
  max-height: inherit;
  background: rgb(var(--v-theme-surface));
  border: 1px solid rgb(var(--v-theme-hairline));
  border-top: 4px solid rgb(var(--v-theme-primary));
  border-radius: 6px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  padding: 8px 8px 4px 14px;
}
h2 {
  min-width: 0;
  overflow-wrap: anywhere;
}
.steps {
  display: flex;
  align-items: center;
  flex: none;
}
.steps small {
  min-width: 44px;
  text-align: center;
}
.content {
  padding: 8px 14px 16px;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
</style>
