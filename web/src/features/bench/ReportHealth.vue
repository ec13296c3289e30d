<script setup lang="ts">
import { computed } from 'vue'
import type { SessionReport } from '@/api/types'
import { count, dateAndTime } from '@/ui/format/format'
import CounterPlot from '@/ui/instruments/CounterPlot.vue'
import { faultsOf, restsOf } from './events'
import { countersOf } from './health'

const props = defineProps<{ /** Of one session. */ report: SessionReport }>()
const s = computed(() => props.report.session)
const counters = computed(() => countersOf(props.report.health, s.value.limits))
const all = computed(() => [...props.report.course, ...props.report.faults])
const until = computed(() =>
  Date.parse(props.report.health.points.at(-1)?.at ?? s.value.endedAt ?? s.value.startedAt ?? ''),
)
const before = computed(() => props.report.health.points[0]?.reading)
const after = computed(() => props.report.health.points.at(-1)?.reading)
const ROWS = [
  ['Temperature, °C', 'celsius'],
  ['Reallocated sectors', 'reallocated'],
  ['Pending sectors', 'pending'],
  ['Uncorrectable sectors', 'uncorrectable'],
  ['Power-on hours', 'powerOnHours'],
] as const
const given = (n: number | undefined) => (n === undefined ? 'not given' : count(n))
</script>

<template>
  <section>
    <div class="hd">
      <h2>Health</h2>
      <span v-if="report.health.judgement" class="text-body-secondary xs"
        >{{ report.health.judgement.grade.toLowerCase() }}: {{ report.health.words }}</span
      >
    </div>
    <template v-if="before && after"
      ><table class="rows">
        <thead>
          <tr>
            <th />
            <th class="n">before</th>
            <th class="n">after</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="[label, field] in ROWS" :key="field">
            <td>{{ label }}</td>
            <td class="n">{{ given(before[field]) }}</td>
            <td class="n">{{ given(after[field]) }}</td>
          </tr>
        </tbody>
      </table>
      <div class="plots">
        <CounterPlot
          v-for="c in counters"
          :key="c.title"
          v-bind="c"
          :faults="faultsOf(all).map((e) => Date.parse(e.at))"
          :rests="restsOf(all, until)"
          :until="until"
        /></div
    ></template>
    <p v-else class="empty">The device gave no readings.</p>
    <div class="hd course">
      <h2>Course</h2>
      <span class="text-body-secondary xs">{{ count(s.faults) }} faults besides</span>
    </div>
    <table class="rows">
      <tbody>
        <tr v-for="(e, i) in report.course" :key="i">
          <td class="m xs">{{ dateAndTime(e.at) }}</td>
          <td>{{ e.kind === 'pass' ? `${e.words} pass` : e.words }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
  min-width: 0;
}
.plots {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 16px;
}
.course {
  margin-top: 12px;
}
</style>
