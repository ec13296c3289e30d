<script setup lang="ts">
import { useTimestamp } from '@vueuse/core'
import { computed } from 'vue'
import { agoWords } from '@/features/triage'

const props = defineProps<{
  /** When the first word was typed; 0 before. */
  began: number
  /** Hours since the loss; not a number while nobody said. */
  lost: number
}>()
const TWO_MINUTES = 120
const now = useTimestamp({ interval: 1000 })
const seconds = computed(() => (props.began ? Math.max(0, Math.floor((now.value - props.began) / 1000)) : 0))
const words = computed(
  () => `${String(Math.floor(seconds.value / 60)).padStart(2, '0')}:${String(seconds.value % 60).padStart(2, '0')}`,
)
const burnt = computed(() => Math.min(1, seconds.value / TWO_MINUTES))
</script>

<template>
  <span class="clock" role="timer" aria-label="Length of the call" aria-live="off">
    <b class="m">{{ words }}</b>
    <span
      ><svg width="90" height="12" viewBox="0 0 90 12" aria-hidden="true">
        <line x1="0" :x2="84 * burnt" y1="6" y2="6" class="burnt" />
        <line v-if="burnt < 1" :x1="84 * burnt" x2="84" y1="6" y2="6" class="left" />
        <line x1="85" x2="85" y1="0" y2="12" class="end" /></svg
      ><span class="xs text-body-secondary"
        >of two minutes{{ Number.isNaN(lost) ? '' : `; lost ${agoWords(lost)}` }}</span
      ></span
    >
  </span>
</template>

<style scoped>
.clock {
  display: inline-flex;
  align-items: center;
  gap: 10px;
  white-space: nowrap;
}
b {
  font-size: 18px;
}
.burnt {
  stroke: var(--ink-3);
  stroke-width: 1.5;
  stroke-dasharray: 1.5 3;
}
.left {
  stroke: var(--ink);
  stroke-width: 4;
}
.end {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.clock > span {
  display: grid;
  line-height: 14px;
}
@media (width <= 1100px) {
  .clock > span {
    display: none;
  }
}
</style>
