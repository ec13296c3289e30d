<script setup lang="ts">
import { computed, ref } from 'vue'
import { useLive } from '@/api/live'
import { count, day } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import StepThrough from '@/ui/StepThrough.vue'
import DayEntries from './DayEntries.vue'
import { dayBeside } from './day'
import { hourBars } from './hours'

const on = ref<string>()
const people = useLive(
  '/api/ledger/day',
  () => ({ query: { on: on.value } }),
  (what) => what === 'custody',
)
const shown = computed(() => people.data.value)
const opened = ref<string>()
const most = computed(() => Math.max(1, ...(shown.value?.people ?? []).flatMap((p) => p.hours)))
const relative = computed(() => {
  const s = shown.value
  return !s ? '' : s.on === s.today ? 'today' : s.on === dayBeside(s.today, -1) ? 'yesterday' : ''
})

function step(days: number): void {
  if (shown.value) on.value = dayBeside(shown.value.on, days)
  opened.value = undefined
}
function goTo(event: Event): void {
  on.value = (event.target as HTMLInputElement).value || undefined
  opened.value = undefined
}
</script>

<template>
  <section aria-labelledby="h-people">
    <div class="hd">
      <h2 id="h-people">Who did what</h2>
      <span v-if="shown" class="text-body-secondary">{{ day(`${shown.on}T12:00:00Z`) }} {{ relative }}</span>
      <span class="flex-fill" />
      <StepThrough
        v-if="shown"
        before="The day before"
        after="The day after"
        :last="shown.on >= shown.today"
        @step="step"
      >
        <input
          type="date"
          class="form-control form-control-sm pick"
          aria-label="Day"
          :value="shown.on"
          :max="shown.today"
          @change="goTo"
        />
      </StepThrough>
    </div>
    <RefusedNote :refused="people.refused.value" />
    <ComingLines :of="people" :lines="4" />
    <ul v-if="shown?.people.length">
      <li v-for="p in shown.people" :key="p.who" class="person">
        <button
          type="button"
          class="row1"
          :aria-expanded="opened === p.who"
          @click="opened = opened === p.who ? undefined : p.who"
        >
          <b class="text-truncate">{{ p.who }}</b>
          <svg class="hours" width="264" height="30" viewBox="0 0 264 30" aria-hidden="true">
            <rect
              v-for="b in hourBars(p.hours, most)"
              :key="b.x"
              :x="b.x"
              :y="b.y"
              width="9"
              :height="b.height"
              fill="var(--fill)"
            />
            <line x1="0" x2="264" y1="20.5" y2="20.5" stroke="var(--line-2)" />
            <text v-for="h in [0, 6, 12, 18]" :key="h" :x="h * 11" y="30" class="mt hour">
              {{ String(h).padStart(2, '0') }}
            </text>
          </svg>
          <span class="s text-nowrap"
            >{{ count(p.entries) }} {{ p.entries === 1 ? 'entry' : 'entries' }}
            <span class="xs text-body-secondary">in {{ count(p.cases) }} {{ p.cases === 1 ? 'case' : 'cases' }}</span>
          </span>
        </button>
        <DayEntries v-if="opened === p.who" :on="shown.on" :who="p.who" />
      </li>
    </ul>
    <p v-else-if="shown" class="empty">Nobody wrote into a custody record on this day.</p>
  </section>
</template>

<style scoped>
.pick {
  width: 138px;
}
.person {
  border-bottom: 1px solid var(--line);
}
.row1 {
  display: grid;
  grid-template-columns: minmax(90px, 1fr) 264px 150px;
  gap: 12px;
  align-items: center;
  width: 100%;
  padding: 5px 0;
  text-align: left;
  border: 0;
  background: none;
  color: var(--ink);
}
.row1:hover {
  background: var(--verd-wash);
}
.row1 > .s {
  text-align: right;
}
.hour {
  font-size: 9px;
  fill: var(--ink-2);
}
@media (width <= 700px) {
  .row1 {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .hours {
    grid-column: 1 / -1;
    grid-row: 2;
    max-width: 100%;
  }
}
</style>
