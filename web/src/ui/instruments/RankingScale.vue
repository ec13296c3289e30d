<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import type { RankedPath } from '@/api/types'
import { factWords, reach, rowsOf, speaks, type Segment } from './scale'

const props = withDefaults(
  defineProps<{
    /** Paths in their order. */
    ranking: RankedPath[]
    /** How a fact is said. */
    say?: (fact: string) => string
  }>(),
  { say: factWords },
)

const WIDTH = 810
const NET = 46
const TOP = 22
/** As wide as its place, so that its words keep their size; where it is narrow, a path's name stands above its bar. */
const { width } = useElementSize(useTemplateRef<HTMLElement>('scale'))
const W = computed(() => width.value || WIDTH)
const narrow = computed(() => W.value < 560)
const LABEL = computed(() => (narrow.value ? 0 : 150))
const ROW = computed(() => (narrow.value ? 48 : 30))
/** Where a row's bar begins. */
const barTop = (row: number) => TOP + row * ROW.value + (narrow.value ? 18 : 0)
const rows = computed(() => rowsOf(props.ranking).filter(speaks))
const silent = computed(() =>
  rowsOf(props.ranking)
    .filter((r) => !speaks(r))
    .map((r) => r.label),
)
const limits = computed(() => reach(rows.value))
const unit = computed(() =>
  Math.min(24, (W.value - LABEL.value - NET - 16) / (limits.value.against + limits.value.for)),
)
const centre = computed(() => LABEL.value + limits.value.against * unit.value + 8)
const height = computed(() => TOP + rows.value.length * ROW.value + 4)
const focused = ref<Segment>()
const shown = computed(() => focused.value ?? rows.value[0]?.segments[0])
const tint = (s: Segment) =>
  s.observed ? { line: 'var(--ink)', ground: 'var(--wash)' } : { line: 'var(--heather)', ground: 'var(--heather-wash)' }
const fits = (s: Segment) => s.width * unit.value > props.say(s.fact).length * 6.4 + 4
const net = (score: number) => (score > 0 ? `+${score}` : score < 0 ? `−${-score}` : '0')
</script>

<template>
  <div ref="scale" class="scale">
    <svg v-if="rows.length" :viewBox="`0 0 ${W} ${height}`" role="group" aria-label="Ranking of the recovery paths">
      <text :x="centre - 10" y="12" text-anchor="end" class="axis">speaks against</text>
      <text :x="centre + 10" y="12" class="axis">speaks for</text>
      <g v-for="(row, i) in rows" :key="row.path">
        <template v-if="i === 0 && !row.barred">
          <rect x="0" :y="TOP + 1" :width="W" :height="ROW - 1" fill="var(--verd-wash)" />
          <rect x="0" :y="TOP + 1" width="4" :height="ROW - 1" fill="var(--verd)" />
        </template>
        <text x="12" :y="TOP + i * ROW + 20" class="name" :class="{ lead: i === 0, barred: row.barred }">
          {{ row.label }}
        </text>
        <g
          v-for="s in row.segments"
          :key="s.key"
          tabindex="0"
          role="img"
          :aria-label="`${row.label}: ${s.speaksFor ? 'for' : 'against'} ${s.weight}, ${say(s.fact)}. ${s.reason}`"
          class="piece"
          @mouseenter="focused = s"
          @focus="focused = s"
        >
          <rect
            :x="centre + s.from * unit + 0.75"
            :y="barTop(i) + 5"
            :width="s.width * unit - 1.5"
            height="21"
            :fill="tint(s).ground"
            :stroke="tint(s).line"
            :stroke-dasharray="s.observed ? undefined : '4 2'"
          />
          <rect
            :x="centre + s.from * unit + 0.75"
            :y="barTop(i) + 22"
            :width="s.width * unit - 1.5"
            height="4"
            :fill="s.speaksFor ? tint(s).line : s.observed ? 'url(#p-against)' : 'url(#p-against-told)'"
          />
          <text
            v-if="fits(s)"
            :x="centre + (s.from + s.width / 2) * unit"
            :y="barTop(i) + 18"
            text-anchor="middle"
            class="inside"
          >
            {{ say(s.fact) }}
          </text>
          <rect
            v-if="shown?.key === s.key"
            :x="centre + s.from * unit - 2"
            :y="barTop(i) + 2"
            :width="s.width * unit + 4"
            height="27"
            fill="none"
            stroke="var(--verd)"
            stroke-width="2"
            rx="2"
          />
        </g>
        <text v-if="row.barred" :x="W - NET - 6" :y="TOP + i * ROW + 20" text-anchor="end" class="stop">barred</text>
        <text :x="W - 8" :y="TOP + i * ROW + 20" text-anchor="end" class="mt net" :class="{ lead: i === 0 }">
          {{ net(row.score) }}
        </text>
      </g>
      <line :x1="centre" :x2="centre" :y1="TOP - 8" :y2="height" stroke="var(--ink)" stroke-width="2" />
    </svg>
    <p v-if="shown" class="note s" aria-live="polite">
      <span class="fact" :class="{ told: !shown.observed }" :title="shown.fact">{{
        shown.fact ? say(shown.fact) : 'no fact'
      }}</span>
      <span
        ><b>{{ shown.speaksFor ? '+' : '−' }}{{ shown.weight }}</b> {{ shown.reason }}</span
      >
    </p>
    <p v-if="silent.length" class="xs text-body-secondary silent">
      Nothing speaks for or against {{ silent.join(', ').toLowerCase() }}{{ rows.length ? '' : ' yet' }}.
    </p>
  </div>
</template>

<style scoped>
.scale svg {
  width: 100%;
  height: auto;
}
.silent {
  margin-top: 6px;
}
.axis {
  font-size: 12px;
  fill: var(--ink-2);
}
.name {
  font-size: 14px;
}
.name.lead,
.net.lead {
  font-weight: 700;
}
.name.barred {
  fill: var(--ink-2);
}
.stop {
  font-size: 12px;
  font-weight: 600;
  fill: var(--madder-d);
}
.net {
  font-size: 14px;
}
.inside {
  font-size: 12px;
}
.piece {
  outline: none;
  cursor: default;
}
.piece:focus-visible rect:first-child {
  stroke-width: 2.5;
}
.note {
  display: flex;
  gap: 10px;
  align-items: baseline;
  border: 1px solid var(--verd);
  border-radius: 3px;
  background: var(--sheet);
  padding: 7px 10px;
  margin-top: 6px;
}
</style>
