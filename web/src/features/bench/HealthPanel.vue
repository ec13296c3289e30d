<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { ImagingEvent, StopLimits } from '@/api/types'
import { count, dayAndTime } from '@/ui/format/format'
import CounterPlot from '@/ui/instruments/CounterPlot.vue'
import { useNow } from '@/ui/instruments/now'
import RefusedNote from '@/ui/RefusedNote.vue'
import { faultsOf, restsOf } from './events'
import { countersOf, originWords } from './health'
import HealthEntry from './HealthEntry.vue'

const props = defineProps<{
  /** The case. */
  number: string
  /** The device whose health it is. */
  device: number
  /** Those at which the session stops. */
  limits: StopLimits
  /** Of the session, for its faults and rests. */
  events: readonly ImagingEvent[]
  /** The device can be asked now: nothing reads it. */
  ask?: boolean
}>()

const of = () => ({ path: { number: props.number }, query: { device: props.device } })
const series = useLive('/api/cases/{number}/health', of, (what, c) => what === 'health' && c === props.number)
const now = useNow()
const acting = useAction()
const entering = ref(false)
const counters = computed(() => countersOf(series.data.value, props.limits))
const last = computed(() => series.data.value?.points[series.data.value.points.length - 1])
const until = computed(() =>
  last.value
    ? Math.max(Date.parse(last.value.at), ...props.events.slice(0, 1).map((e) => Date.parse(e.at)))
    : now.value,
)
const faults = computed(() => faultsOf(props.events).map((e) => Date.parse(e.at)))
const rests = computed(() => restsOf(props.events, until.value))
const attributes = computed(() => last.value?.reading.attributes ?? [])
const table = ref(false)

async function read(): Promise<void> {
  if (await acting.run(() => api.post('/api/cases/{number}/health/read', of()))) await series.refresh()
}
async function recorded(): Promise<void> {
  entering.value = false
  await series.refresh()
}
</script>

<template>
  <section aria-labelledby="h-health" class="health">
    <div class="hd">
      <h2 id="h-health">Health</h2>
      <span class="flex-fill" />
      <BButton v-if="ask" size="sm" class="btn-quiet" :disabled="acting.busy.value" @click="read"
        >Ask the device</BButton
      >
      <BButton size="sm" class="btn-quiet" :aria-expanded="entering" @click="entering = !entering">{{
        entering ? 'Close' : 'Write a reading down'
      }}</BButton>
    </div>
    <RefusedNote :refused="acting.refused.value ?? series.refused.value" />
    <HealthEntry v-if="entering" :number="number" :device="device" @recorded="recorded" />
    <p v-if="last" class="s">
      <b>{{ series.data.value?.words }}</b>
      <span class="xs text-body-secondary">{{ originWords(last.reading) }}, {{ dayAndTime(last.at) }}</span>
    </p>
    <div v-if="counters.length" class="plots">
      <CounterPlot v-for="c in counters" :key="c.title" v-bind="c" :faults="faults" :rests="rests" :until="until" />
    </div>
    <p v-if="attributes.length" class="s">
      <button type="button" class="linkish" :aria-expanded="table" @click="table = !table">
        {{ table ? 'Hide' : 'Show' }} all {{ attributes.length }} values that it gives
      </button>
    </p>
    <table v-if="table" class="rows xs">
      <thead>
        <tr>
          <th>value</th>
          <th class="n">now</th>
          <th class="n">worst</th>
          <th class="n">fails at</th>
          <th class="n">raw</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="a in attributes" :key="a.id">
          <td>{{ a.name }}</td>
          <td class="n">{{ a.value }}</td>
          <td class="n">{{ a.worst }}</td>
          <td class="n">{{ a.threshold || '–' }}</td>
          <td class="n">{{ count(a.raw) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="!counters.length && series.data.value" class="empty s">
      No reading yet.
      {{
        ask
          ? 'Ask the device, or enter what another instrument shows.'
          : 'This device gives none by itself; enter what another instrument shows.'
      }}
    </p>
  </section>
</template>

<style scoped>
.health {
  display: grid;
  gap: 6px;
  align-content: start;
  min-width: 0;
}
.plots {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px 16px;
}
</style>
