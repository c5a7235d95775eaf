<script setup lang="ts">
import { computed } from 'vue'
import { ripping } from '~~/core/network/firstFill'
import { useFormat } from '~/composables/useFormat'
import { useRipping } from '~/composables/useRipping'

/** What it takes to have what can be replaced back, where it comes from discs. */
const { number } = useFormat()
const question = useRipping()
const days = computed(() =>
  question.value && question.value.discs > 0 ? ripping(question.value).days : null,
)
</script>

<template>
  <p v-if="question && days !== null" class="soft small" data-ripping-again>
    What can be replaced is work all the same: {{ number(question.discs) }}
    {{ question.discs === 1 ? 'disc is' : 'discs are' }} ripped again in
    {{ days === 1 ? '1 day' : `${number(days)} days` }} of {{ number(question.hoursPerDay) }}
    {{ question.hoursPerDay === 1 ? 'hour' : 'hours' }}.
  </p>
</template>
