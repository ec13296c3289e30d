<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { size } from '@/ui/format/format'
import { notchesOf, parseCells, rateLines, runsOf } from './ribbon'

const props = defineProps<{
  /** One character for each equal stretch of the device. */
  cells: string
  /** MiB/s of each stretch, comma-separated. */
  rates: string
  /** Bytes of the device. */
  bytes: number
  /** Where it is reading now, in bytes; none when it is not. */
  head?: number
  /** A stretch under the lens, as shares of the device. */
  lens?: { from: number; to: number }
}>()
const emit = defineEmits<{ /** A place on the device was pointed at, as a share of it. */ point: [share: number] }>()

const ROWS = 5
const WIDTH = 740
const LEAST = 180
const LABEL = 66
const BAND = 18
const RATE = 14
const PITCH = BAND + RATE + 9
const SLANT = 6

/** As wide as its place, so that its labels keep their size on a narrow screen. */
const { width } = useElementSize(useTemplateRef<SVGSVGElement>('ribbon'))
const W = computed(() => (width.value ? Math.max(LEAST, width.value - LABEL - SLANT - 2) : WIDTH))

const cells = computed(() => parseCells(props.cells.length ? props.cells : '.'.repeat(600)))
const runs = computed(() => runsOf(cells.value, ROWS))
const notches = computed(() => notchesOf(cells.value, ROWS))
const lines = computed(() =>
  rateLines(props.rates, ROWS).map((l) => ({
    key: `${l.row}-${l.points[0]![0]}`,
    d: l.points
      .map(
        ([x, y], i) =>
          `${i ? 'L' : 'M'}${(LABEL + x * W.value).toFixed(1)} ${(top(l.row) - 3 - (RATE - 4) * y).toFixed(1)}`,
      )
      .join(''),
  })),
)
const place = (share: number) => {
  const at = Math.min(share, 0.999999) * ROWS
  return { row: Math.floor(at), x: LABEL + (at % 1) * W.value }
}
const headPlace = computed(() =>
  props.head === undefined || !props.bytes ? undefined : place(props.head / props.bytes),
)
const lensBoxes = computed(() => {
  const lens = props.lens
  if (!lens) return []
  return Array.from({ length: ROWS }, (_, row) => ({
    row,
    from: Math.max(lens.from * ROWS - row, 0),
    to: Math.min(lens.to * ROWS - row, 1),
  })).filter((b) => b.to > b.from)
})

function top(row: number): number {
  return row * PITCH + RATE
}
function outline(row: number): string {
  const y = top(row)
  const left = row > 0 ? SLANT : 0
  const right = row < ROWS - 1 ? SLANT : 0
  return `M${LABEL + left} ${y}H${LABEL + W.value + right}L${LABEL + W.value} ${y + BAND}H${LABEL}Z`
}
function pointed(event: MouseEvent): void {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const x = ((event.clientX - box.left) / box.width) * (LABEL + W.value + SLANT + 2) - LABEL
  const row = Math.min(
    ROWS - 1,
    Math.max(0, Math.floor(((event.clientY - box.top) / box.height) * ((ROWS * PITCH) / PITCH))),
  )
  emit('point', (row + Math.min(1, Math.max(0, x / W.value))) / ROWS)
}
</script>

<template>
  <svg
    ref="ribbon"
    class="ribbon"
    :viewBox="`0 0 ${LABEL + W + SLANT + 2} ${ROWS * PITCH}`"
    role="img"
    :aria-label="`Map of the device, ${size(bytes)}`"
    @click="pointed"
  >
    <g v-for="row in ROWS" :key="row">
      <clipPath :id="`ribbon-row-${row}`"><path :d="outline(row - 1)" /></clipPath>
      <path :d="outline(row - 1)" fill="var(--well)" />
      <line :x1="LABEL" :x2="LABEL + W" :y1="top(row - 1) - 2.5" :y2="top(row - 1) - 2.5" stroke="var(--line)" />
      <text :x="LABEL - 8" :y="top(row - 1) + BAND - 4.5" text-anchor="end" class="mt label">
        {{ size(((row - 1) / ROWS) * bytes) }}
      </text>
    </g>
    <rect
      v-for="r in runs"
      :key="`${r.row}-${r.from}`"
      :x="LABEL + r.from * W"
      :y="top(r.row)"
      :width="(r.to - r.from) * W + (r.to >= 1 ? SLANT : 0)"
      :height="BAND"
      :fill="r.pattern === 'full' ? 'var(--fill)' : `url(#p-${r.pattern})`"
      :clip-path="`url(#ribbon-row-${r.row + 1})`"
    />
    <path v-for="row in ROWS" :key="`o${row}`" :d="outline(row - 1)" fill="none" stroke="var(--line-2)" />
    <path
      v-for="n in notches"
      :key="`n${n.row}-${n.at}`"
      :d="`M${LABEL + n.at * W - 2.5} ${top(n.row) - 3}h5l-1.2 ${BAND + 6}h-2.6z`"
      class="failed"
    />
    <path
      v-for="l in lines"
      :key="l.key"
      :d="l.d"
      fill="none"
      stroke="var(--verd)"
      stroke-width="1.25"
      stroke-linejoin="round"
    />
    <rect
      v-for="b in lensBoxes"
      :key="`l${b.row}`"
      :x="LABEL + b.from * W - 1"
      :y="top(b.row) - 4"
      :width="(b.to - b.from) * W + 2"
      :height="BAND + 8"
      fill="none"
      stroke="var(--verd)"
      stroke-width="2"
      rx="1"
    />
    <g v-if="headPlace">
      <line
        :x1="headPlace.x"
        :x2="headPlace.x"
        :y1="top(headPlace.row) - RATE + 1"
        :y2="top(headPlace.row) + BAND + 4"
        stroke="var(--verd)"
        stroke-width="2"
      />
      <path :d="`M${headPlace.x - 5} ${top(headPlace.row) - RATE}h10l-5 6z`" fill="var(--verd)" />
    </g>
  </svg>
</template>

<style scoped>
.ribbon {
  width: 100%;
  height: auto;
  cursor: crosshair;
}

/* Told from what was read without its colour, too. */
.failed {
  fill: var(--madder);
  stroke: var(--paper);
  stroke-width: 1.5;
  paint-order: stroke;
}
.label {
  font-size: 11.5px;
  fill: var(--ink-2);
}
</style>
