<script setup lang="ts">
import { BPlaceholder } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Live } from '@/api/live'

const props = withDefaults(
  defineProps<{
    /** What is on its way; nothing is shown once it is here, or was refused. */
    of: Pick<Live<unknown>, 'data' | 'refused'>
    /** About how many lines it will have. */
    lines?: number
  }>(),
  { lines: 4 },
)
const coming = computed(() => props.of.data.value === undefined && !props.of.refused.value)
const WIDTHS = [62, 88, 74, 81]
</script>

<template>
  <div v-if="coming" class="coming" role="status">
    <span class="visually-hidden">On its way …</span>
    <BPlaceholder v-for="n in lines" :key="n" animation="glow" :width="WIDTHS[n % WIDTHS.length]" />
  </div>
</template>

<style scoped>
/* What is here at once is not announced: lines that come and go within a blink only flicker. */
.coming {
  display: grid;
  gap: 12px;
  padding: 12px 0;
  color: var(--line-2);
  animation: come 60ms 80ms backwards;
}
@keyframes come {
  from {
    opacity: 0;
  }
}
</style>
