<script setup lang="ts">
import { computed } from 'vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import { codecFamilies, type CodecFamily } from '~~/core/catalogue/media'
import PlanField from '~/components/common/PlanField.vue'
import { useHousehold } from '~/composables/useHousehold'
import { usePlanStore } from '~/stores/planStore'

/** A device class of one's own: what it takes without any help from the server. */
const props = defineProps<{ index: number }>()
const store = usePlanStore()
const { sets, remove } = useHousehold()
const set = computed(() => sets.value[props.index])
const path = (field: string) => `household.capabilitySets.${props.index}.${field}`
const free = computed(() => (Object.keys(codecFamilies) as CodecFamily[]).find(codec => !set.value?.video.some(can => can.codec === codec)))
function addCodec(): void {
  if (set.value && free.value) store.edit(path('video'), [...set.value.video, { codec: free.value }])
}
function removeCodec(at: number): void {
  if (set.value) store.edit(path('video'), set.value.video.filter((_, other) => other !== at))
}
</script>

<template>
  <details
    v-if="set"
    class="set"
    open
  >
    <summary>Own class: {{ set.label || 'without a name' }}</summary>
    <div class="fields">
      <PlanField :path="path('label')" />
      <PlanField :path="path('screenLines')" />
      <PlanField :path="path('maxMbps')" />
      <PlanField :path="path('channels')" />
      <PlanField :path="path('hdr')" />
      <PlanField :path="path('containers')" />
      <PlanField :path="path('sound')" />
      <PlanField :path="path('subtitles')" />
      <PlanField :path="path('deinterlaces')" />
    </div>
    <div
      v-for="(can, at) in set.video"
      :key="at"
      class="codec"
    >
      <PlanField :path="path(`video.${at}.codec`)" />
      <PlanField :path="path(`video.${at}.level`)" />
      <PlanField :path="path(`video.${at}.lines`)" />
      <PlanField :path="path(`video.${at}.framesPerSecond`)" />
      <PlanField :path="path(`video.${at}.bits`)" />
      <VBtn
        :icon="mdiClose"
        size="small"
        :aria-label="`Remove ${codecFamilies[can.codec]}`"
        @click="removeCodec(at)"
      />
    </div>
    <VBtn
      v-if="free"
      size="small"
      color="primary"
      :prepend-icon="mdiPlus"
      @click="addCodec"
    >
      Add a codec
    </VBtn>
    <VBtn
      size="small"
      @click="remove('capabilitySets', index)"
    >
      Remove this class
    </VBtn>
  </details>
</template>

<style scoped>
.set { border-top: 1px solid rgb(var(--v-theme-hairline)); margin-top: 12px; padding-top: 8px; }
summary { cursor: pointer; min-height: 26px; font-weight: 600; }
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 12px 8px; margin: 10px 0; }
.codec { display: grid; grid-template-columns: repeat(5, minmax(84px, 1fr)) auto; gap: 8px; margin: 12px 0; align-items: start; }
@media (max-width: 900px) { .codec { grid-template-columns: 1fr 1fr auto; } }
</style>
