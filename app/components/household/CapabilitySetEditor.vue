<script setup lang="ts">
import { computed } from 'vue'
import { codecFamilies, type CodecFamily } from '~~/core/catalogue/media'
import ListEditor from '~/components/common/ListEditor.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useHousehold } from '~/composables/useHousehold'
import { usePlanStore } from '~/stores/planStore'

/** A device class of one's own: what it takes without any help from the server. */
const props = defineProps<{ index: number }>()
const store = usePlanStore()
const { sets, remove } = useHousehold()
const set = computed(() => sets.value[props.index])
const path = (field: string) => `household.capabilitySets.${props.index}.${field}`
const free = computed(() =>
  (Object.keys(codecFamilies) as CodecFamily[]).find(
    codec => !set.value?.video.some(can => can.codec === codec),
  ),
)
function addCodec(): void {
  if (set.value && free.value)
    store.edit(path('video'), [...set.value.video, { codec: free.value }])
}
function removeCodec(at: number): void {
  if (set.value)
    store.edit(
      path('video'),
      set.value.video.filter((_, other) => other !== at),
    )
}
</script>

<template>
  <details v-if="set" class="set" open>
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
    <ListEditor
      :entries="set.video"
      add="Add a codec"
      :name="can => codecFamilies[can.codec]"
      :full="!free"
      columns="repeat(5, minmax(84px, 1fr))"
      @add="addCodec"
      @remove="removeCodec"
    >
      <template #default="{ index: at }">
        <PlanField :path="path(`video.${at}.codec`)" />
        <PlanField :path="path(`video.${at}.level`)" />
        <PlanField :path="path(`video.${at}.lines`)" />
        <PlanField :path="path(`video.${at}.framesPerSecond`)" />
        <PlanField :path="path(`video.${at}.bits`)" />
      </template>
    </ListEditor>
    <VBtn size="small" @click="remove('capabilitySets', index)"> Remove this class </VBtn>
  </details>
</template>

<style scoped>
.set {
  border-top: 1px solid rgb(var(--v-theme-hairline));
  margin-top: 12px;
  padding-top: 8px;
}
summary {
  cursor: pointer;
  min-height: 26px;
  font-weight: 600;
}
.fields {
  margin: 10px 0;
}
</style>
