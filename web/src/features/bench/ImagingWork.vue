<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { dayAndTime, percent, size } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import AttachPanel from './AttachPanel.vue'
import ImagingSession from './ImagingSession.vue'
import LockNote from './LockNote.vue'
import ReadElsewhere from './ReadElsewhere.vue'
import StartImaging from './StartImaging.vue'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** The device that is shown. */
  device: number
}>()
const emit = defineEmits<{ changed: [] }>()

const asked = () => ({ path: { number: props.docket.number }, query: { device: props.device } })
const bench = useLive(
  '/api/cases/{number}/bench',
  asked,
  (what, c) => c === props.docket.number && ['bench', 'imaging', 'health'].includes(what),
)
const locks = useLive('/api/cases/{number}/locks', asked, (what, c) => c === props.docket.number && what === 'case')
const another = ref(false)
const sessions = computed(() => bench.data.value?.sessions ?? [])
const latest = computed(() => sessions.value[0])
/** A medium that was attached after the latest session has not been read yet. */
const unread = computed(() => {
  const attachment = bench.data.value?.attachment
  return attachment !== undefined && (!latest.value || attachment.at > latest.value.startedAt)
})
watch(
  () => props.device,
  () => (another.value = false),
)
async function changed(): Promise<void> {
  another.value = false
  await bench.refresh()
  emit('changed')
}
</script>

<template>
  <div class="stack">
    <RefusedNote :refused="bench.refused.value ?? locks.refused.value" />
    <ComingLines :of="bench" :lines="6" />
    <LockNote v-if="locks.data.value" :number="docket.number" :locks="locks.data.value" @changed="locks.refresh" />
    <template v-if="bench.data.value">
      <AttachPanel
        v-if="another || !bench.data.value.attachment"
        :key="device"
        :docket="docket"
        :device="device"
        @attached="changed"
      />
      <StartImaging
        v-else-if="unread && bench.data.value.attachment"
        :key="bench.data.value.attachment.id"
        :docket="docket"
        :bench="bench.data.value"
        :attachment="bench.data.value.attachment"
        @started="changed"
        @detached="changed"
        @other="another = true"
      />
      <ImagingSession
        v-if="latest && !another && !unread"
        :key="latest.id"
        :session="latest"
        :profiles="bench.data.value.profiles"
        :attached="bench.data.value.attachment !== undefined"
        @changed="changed"
      />
      <section v-if="sessions.length > 1 || (sessions.length && (another || unread))" aria-labelledby="h-sessions">
        <div class="hd"><h2 id="h-sessions">Sessions</h2></div>
        <table class="rows">
          <thead>
            <tr>
              <th>session</th>
              <th>state</th>
              <th>profile</th>
              <th class="n">read</th>
              <th class="n">failed</th>
              <th>started</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in sessions" :key="s.id">
              <td class="m">
                <RouterLink class="link" :to="`/imaging/${s.id}/report`">{{ s.id }}</RouterLink>
              </td>
              <td>{{ s.state }}</td>
              <td>{{ s.profile }}</td>
              <td class="n">{{ percent(s.readBytes, s.size) }}</td>
              <td class="n">{{ size(s.failedBytes) }}</td>
              <td class="text-body-secondary">{{ dayAndTime(s.startedAt) }} by {{ s.who }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <ReadElsewhere v-if="bench.data.value.elsewhere.length" :sessions="bench.data.value.elsewhere" />
      <p v-if="latest && !another && !unread && latest.state !== 'running'" class="s">
        <button type="button" class="linkish" @click="another = true">Attach another medium as this device</button>
      </p>
    </template>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 14px;
  align-content: start;
}
</style>
