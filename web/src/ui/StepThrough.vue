<script setup lang="ts">
import { ChevronLeft, ChevronRight } from 'lucide-vue-next'

defineProps<{
  /** What the way back leads to. */
  before: string
  /** What the way on leads to. */
  after: string
  /** There is nothing before. */
  first?: boolean
  /** There is nothing after. */
  last?: boolean
}>()
const emit = defineEmits<{ /** One back is -1, one on is 1. */ step: [by: -1 | 1] }>()
</script>

<template>
  <button type="button" class="btn btn-quiet btn-sm" :aria-label="before" :disabled="first" @click="emit('step', -1)">
    <ChevronLeft class="ic s14" aria-hidden="true" />
  </button>
  <slot />
  <button type="button" class="btn btn-quiet btn-sm" :aria-label="after" :disabled="last" @click="emit('step', 1)">
    <ChevronRight class="ic s14" aria-hidden="true" />
  </button>
</template>
