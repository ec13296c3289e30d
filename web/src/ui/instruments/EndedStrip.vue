<script setup lang="ts">
import { computed } from 'vue'
import type { PastEnded } from '@/api/types'
import { FILL, HOW, pieces } from './endings'

const props = defineProps<{
  /** How many ended in which way. */
  how: readonly PastEnded[]
  /** Cases of which a full row is; its own number where it is to fill its room. */
  of: number
}>()
/** In parts of the whole width: a scale would stretch the patterns. */
const all = computed(() => pieces(props.how))
</script>

<template>
  <svg class="strip" aria-hidden="true">
    <rect
      v-for="p in all"
      :key="p.how"
      :x="`${(100 * p.from) / of}%`"
      :width="`${(100 * p.cases) / of}%`"
      y="0"
      height="100%"
      :fill="FILL[p.how]"
      stroke="var(--ink)"
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
