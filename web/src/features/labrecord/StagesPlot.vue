<script setup lang="ts">
import { computed } from 'vue'
import type { LabRecord } from '@/api/types'
import { count, words } from '@/ui/format/format'
import { DAY_MARKS, days, dayScale, longestWords, onScale, stayWords } from './labRecord'
import ScaleAxis from './ScaleAxis.vue'

const props = defineProps<{
  /** Of the cases that ended. */
  stages: LabRecord['past']['stages']
  /** Where open cases stand. */
  now: LabRecord['now']
}>()
const scale = computed(() =>
  dayScale([...props.stages.map((s) => s.days.high), ...props.now.map((n) => n.days.median)]),
)
/** Across the width, as SVG and styles take it; a scale would stretch the patterns. */
const share = (n: number) => 100 * onScale(n, scale.value.low, scale.value.high)
const at = (n: number) => `${share(n)}%`
const marks = computed(() => DAY_MARKS.filter((m) => m.days <= scale.value.high))
const rows = computed(() => {
  const names = [...props.now.map((n) => n.stage), ...props.stages.map((s) => s.stage)]
  const order = ['received', 'triaged', 'imaging', 'scanning', 'selection', 'recovery', 'handover', 'on-hold']
  return order
    .filter((stage) => names.includes(stage))
    .map((stage) => ({
      stage,
      past: props.stages.find((s) => s.stage === stage),
      now: props.now.find((n) => n.stage === stage),
    }))
})
</script>

<template>
  <section aria-labelledby="h-stages">
    <div class="hd">
      <h2 id="h-stages">Where cases wait</h2>
      <span class="text-body-secondary xs"
        >the bar holds the middle half of those that ended, its line the middle one; the diamond those that stand there
        now</span
      >
    </div>
    <p v-if="longestWords(stages)" class="s">{{ longestWords(stages) }}</p>
    <ul>
      <li v-for="r in rows" :key="r.stage" class="row-of">
        <b class="s">{{ words(r.stage) }}</b>
        <svg aria-hidden="true">
          <line
            v-for="m in marks"
            :key="m.label"
            :x1="at(m.days)"
            :x2="at(m.days)"
            y1="0"
            y2="14"
            stroke="var(--line-2)"
          />
          <template v-if="r.past">
            <rect
              :x="at(r.past.days.low)"
              :width="`${Math.max(0.4, share(r.past.days.high) - share(r.past.days.low))}%`"
              y="3"
              height="8"
              :fill="r.past.few ? 'url(#p-thin)' : 'var(--fill)'"
              stroke="var(--ink)"
            />
            <line
              :x1="at(r.past.days.median)"
              :x2="at(r.past.days.median)"
              y1="0"
              y2="14"
              stroke="var(--ink)"
              stroke-width="2.5"
            />
          </template>
          <svg v-if="r.now" :x="at(r.now.days.median)" overflow="visible">
            <path d="M 0 1 l 5 6 l -5 6 l -5 -6 z" fill="var(--sheet)" stroke="var(--heather-d)" stroke-width="1.6" />
          </svg>
        </svg>
        <span class="xs text-body-secondary"
          >{{ r.past ? stayWords(r.past) : 'none that ended stood there'
          }}<template v-if="r.now"
            >. Now {{ count(r.now.cases) }}, the longest for {{ days(r.now.longest) }}</template
          ></span
        >
      </li>
    </ul>
    <ScaleAxis :marks="marks.map((m) => ({ at: share(m.days) / 100, label: m.label }))" />
  </section>
</template>

<style scoped>
.row-of {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr);
  gap: 0 10px;
  padding: 3px 0;
  align-items: center;
}
.row-of svg {
  width: 100%;
  height: 14px;
  overflow: visible;
}
.row-of span {
  grid-column: 2;
}
</style>
