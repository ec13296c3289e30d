<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { size } from '@/ui/format/format'
import { notchesOf, parseCells, runsOf } from './ribbon'

const props = defineProps<{
  /** One character for each equal part of the stretch; empty while they are on their way, which says nothing. */
  cells: string
  /** First byte of the stretch. */
  from: number
  /** Bytes of the stretch. */
  length: number
}>()

const LABEL = 66
const WIDTH = 740
const EDGE = 8
const LEAST = 180

/** As wide as its place, like the ribbon above it. */
const { width } = useElementSize(useTemplateRef<SVGSVGElement>('lens'))
const W = computed(() => (width.value ? Math.max(LEAST, width.value - LABEL - EDGE) : WIDTH))
const cells = computed(() => parseCells(props.cells))
const runs = computed(() => runsOf(cells.value, 1))
const notches = computed(() => notchesOf(cells.value, 1))
</script>

<template>
  <svg
    ref="lens"
    :viewBox="`0 0 ${LABEL + W + EDGE} 52`"
    class="lens"
    role="img"
    :aria-label="`Magnified: ${size(length)} from ${size(from)}`"
  >
    <text :x="LABEL - 8" y="24" text-anchor="end" class="name">Lens</text>
    <rect :x="LABEL" y="3" :width="W" height="30" :fill="props.cells ? 'var(--well)' : 'none'" />
    <rect
      v-for="r in runs"
      :key="r.from"
      :x="LABEL + r.from * W"
      y="3"
      :width="(r.to - r.from) * W"
      height="30"
      :fill="r.pattern === 'full' ? 'var(--fill)' : `url(#p-${r.pattern})`"
    />
    <path v-for="n in notches" :key="n.at" :d="`M${LABEL + n.at * W - 3} 0h6l-1.4 36h-3.2z`" class="failed" />
    <rect :x="LABEL" y="3" :width="W" height="30" fill="none" stroke="var(--verd)" stroke-width="1.5" />
    <text :x="LABEL" y="48" class="mt edge">{{ size(from) }}</text>
    <text :x="LABEL + W" y="48" text-anchor="end" class="mt edge">{{ size(from + length) }}</text>
  </svg>
</template>

<style scoped>
.lens {
  width: 100%;
  height: auto;
}
.failed {
  fill: var(--madder);
  stroke: var(--paper);
  stroke-width: 1.5;
  paint-order: stroke;
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
