<script setup lang="ts">
import BriefView from '~/components/brief/BriefView.vue'
</script>

<template>
  <BriefView />
</template>
