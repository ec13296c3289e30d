<script setup lang="ts">
import { computed } from 'vue'
import type { PastEnded } from '@/api/types'
import { FILL, HOW, pieces } from '@/ui/instruments/endings'

const props = defineProps<{
  /** How many ended in which way. */
  how: readonly PastEnded[]
  /** Cases of which a full row is; its own number where it is to fill its room. */
  of: number
}>()
const all = computed(() => pieces(props.how))
</script>

<template>
  <svg class="strip" :viewBox="`0 0 ${of} 1`" preserveAspectRatio="none" aria-hidden="true">
    <rect
      v-for="p in all"
      :key="p.how"
      :x="p.from"
      :width="p.cases"
      y="0"
      height="1"
      :fill="FILL[p.how]"
      stroke="var(--ink)"
      vector-effect="non-scaling-stroke"
    >
      <title>{{ p.cases }} {{ HOW[p.how] }}</title>
    </rect>
  </svg>
</template>

<style scoped>
.strip {
  width: 100%;
  height: 16px;
  overflow: visible;
}
</style>
