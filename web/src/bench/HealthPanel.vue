<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { HealthSeries, ImagingEvent, StopLimits } from '@/api/types'
import { dayAndTime } from '@/format/format'
import CounterPlot from '@/instruments/CounterPlot.vue'
import { useNow } from '@/instruments/now'
import RefusedNote from '@/shell/RefusedNote.vue'
import { faultsOf, restsOf } from './events'
import { countersOf, originWords } from './health'
import HealthEntry from './HealthEntry.vue'

const props = defineProps<{
  number: string
  limits: StopLimits
  /** Of the session, for its faults and rests. */
  events: readonly ImagingEvent[]
  /** The device can be asked now: nothing reads it. */
  ask?: boolean
}>()

const series = useLive(() => api.get<HealthSeries>(`/api/cases/${props.number}/health`), (what, c) => what === 'health' && c === props.number)
const now = useNow()
const acting = useAction()
const entering = ref(false)
const counters = computed(() => countersOf(series.data.value, props.limits))
const last = computed(() => series.data.value?.points[series.data.value.points.length - 1])
const until = computed(() => (last.value ? Math.max(Date.parse(last.value.at), ...props.events.slice(0, 1).map((e) => Date.parse(e.at))) : now.value))
const faults = computed(() => faultsOf(props.events).map((e) => Date.parse(e.at)))
const rests = computed(() => restsOf(props.events, until.value))
const grade = computed(() => series.data.value?.judgement?.grade.toLowerCase())

async function read(): Promise<void> {
  if (await acting.run(() => api.post(`/api/cases/${props.number}/health/read`))) await series.refresh()
}
async function recorded(): Promise<void> {
  entering.value = false
  await series.refresh()
}
</script>

<template>
  <section aria-labelledby="h-health" class="health">
    <div class="hd"><h2 id="h-health">Health</h2>
      <b v-if="grade" class="grade" :class="grade">{{ grade }}</b>
      <span class="sp" />
      <BButton v-if="ask" size="sm" class="btn-quiet" :disabled="acting.busy.value" @click="read">Ask the device</BButton>
      <BButton size="sm" class="btn-quiet" :aria-expanded="entering" @click="entering = !entering">{{ entering ? 'Close' : 'Enter…' }}</BButton></div>
    <RefusedNote :refused="acting.refused.value ?? series.refused.value" />
    <HealthEntry v-if="entering" :number="number" @recorded="recorded" />
    <p v-if="last" class="xs"><template v-if="series.data.value?.judgement?.reasons.length">{{ series.data.value.words }}; </template><span class="mu">{{ originWords(last.reading) }}, {{ dayAndTime(last.at) }}</span></p>
    <div v-if="counters.length" class="plots"><CounterPlot v-for="c in counters" :key="c.title" v-bind="c" :faults="faults" :rests="rests" :until="until" /></div>
    <p v-else-if="series.data.value" class="empty s">No reading yet. {{ ask ? 'Ask the device, or enter what another instrument shows.' : 'This device gives none by itself; enter what another instrument shows.' }}</p>
  </section>
</template>

<style scoped>
.health { display: grid; gap: 6px; align-content: start; min-width: 0; }
.plots { display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 8px 16px; }
.grade { border: 1px solid var(--line-2); border-radius: 3px; padding: 0 6px; font-size: 12px; }
.grade.good { border-color: var(--verd); color: var(--verd-d); }
.grade.watch { border-style: dashed; border-color: var(--ochre); color: var(--ochre-d); }
.grade.poor { border-color: var(--ochre); color: var(--ochre-d); background: var(--ochre-wash); }
.grade.failing { border-color: var(--madder); color: var(--madder-d); background: var(--madder-wash); }
</style>
