<script setup lang="ts">
import { computed } from 'vue'
import { size } from '@/ui/format/format'
import { notchesOf, parseCells, runsOf } from './ribbon'

const props = defineProps<{
  /** One character for each equal part of the stretch. */
  cells: string
  /** First byte of the stretch. */
  from: number
  /** Bytes of the stretch. */
  length: number
}>()

const cells = computed(() => parseCells(props.cells))
const runs = computed(() => runsOf(cells.value, 1))
const notches = computed(() => notchesOf(cells.value, 1))
</script>

<template>
  <svg viewBox="0 0 814 52" class="lens" role="img" :aria-label="`Magnified: ${size(length)} from ${size(from)}`">
    <text x="58" y="24" text-anchor="end" class="name">Lens</text>
    <rect x="66" y="3" width="740" height="30" fill="var(--well)" />
    <rect
      v-for="r in runs"
      :key="r.from"
      :x="66 + r.from * 740"
      y="3"
      :width="(r.to - r.from) * 740"
      height="30"
      :fill="r.pattern === 'full' ? 'var(--fill)' : `url(#p-${r.pattern})`"
    />
    <path v-for="n in notches" :key="n.at" :d="`M${66 + n.at * 740 - 3} 0h6l-1.4 36h-3.2z`" fill="var(--madder)" />
    <rect x="66" y="3" width="740" height="30" fill="none" stroke="var(--verd)" stroke-width="1.5" />
    <text x="66" y="48" class="mt edge">{{ size(from) }}</text>
    <text x="806" y="48" text-anchor="end" class="mt edge">{{ size(from + length) }}</text>
  </svg>
</template>

<style scoped>
.lens {
  width: 100%;
  height: auto;
}
.name {
  font-size: 13px;
  font-weight: 700;
  fill: var(--verd);
}
.edge {
  font-size: 11.5px;
  fill: var(--ink-2);
}
</style>
