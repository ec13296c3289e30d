<script setup lang="ts">
import { computed } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { dayAndTime } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import DeviceEnds from './DeviceEnds.vue'
import EndingForm from './EndingForm.vue'
import { OUTCOMES } from './closing'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const emit = defineEmits<{ changed: [] }>()

const MEANT = new Set(['case', 'bench', 'imaging', 'scan', 'recovery', 'delivery', 'words', 'sheet'])
const path = computed(() => ({ number: props.docket.number }))
const closing = useLive(
  '/api/cases/{number}/closing',
  () => ({ path: path.value }),
  (what, c) => c === props.docket.number && MEANT.has(what),
)
const state = computed(() => closing.data.value)
const isClosed = computed(() => props.docket.stage === 'closed')
const wasDelivered = computed(() => state.value?.closed?.outcome === 'delivered')
const opening = useAction()

async function changed(): Promise<void> {
  await closing.refresh()
  emit('changed')
}
async function takeBack(): Promise<void> {
  if (await opening.run(() => api.delete('/api/cases/{number}/closing', { path: path.value }))) await changed()
}
</script>

<template>
  <div class="stack">
    <RefusedNote :refused="closing.refused.value ?? opening.refused.value" />
    <ComingLines :of="closing" :lines="4" />
    <template v-if="state">
      <section v-if="isClosed" class="sheet over" aria-labelledby="h-over">
        <h2 id="h-over" class="big">{{ state.closed ? OUTCOMES[state.closed.outcome].words : 'Closed' }}</h2>
        <template v-if="state.closed">
          <p class="text-body-secondary">closed {{ dayAndTime(state.closed.at) }} by {{ state.closed.who }}</p>
          <p v-if="state.closed.words" class="words">{{ state.closed.words }}</p>
        </template>
        <p v-else class="text-body-secondary">With what outcome it was closed is not on record.</p>
        <p class="d-flex gap-3 align-items-center">
          <RouterLink v-if="wasDelivered || !state.closed" class="link" :to="`/cases/${docket.number}/handover`"
            >What was delivered</RouterLink
          >
          <button
            v-if="state.closed"
            type="button"
            class="btn btn-quiet"
            :disabled="opening.busy.value"
            @click="takeBack"
          >
            Take the closing back
          </button>
          <RouterLink v-else class="link" :to="`/cases/${docket.number}/triaged`"
            >Decide on a path to open it again</RouterLink
          >
        </p>
      </section>
      <DeviceEnds :number="docket.number" :state="state" @changed="changed" />
      <EndingForm v-if="!isClosed" :number="docket.number" :state="state" @changed="changed" />
    </template>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 18px;
  align-content: start;
}
.over {
  display: grid;
  gap: 6px;
  padding: 12px 14px;
}
.big {
  font-size: 18px;
}
.words {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
</style>
