<script setup lang="ts">
import BriefView from '~/components/brief/BriefView.vue'

definePageMeta({ key: 'brief' })
</script>

<template>
  <BriefView />
</template>
