<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Moved } from '@/api/types'
import { words } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { forgetVocabulary, MovementNote, useVocabulary } from '@/features/triage'

defineProps<{ /** Only a manager may adopt one. */ mayChange: boolean }>()
const vocabulary = useVocabulary()
const text = ref('')
const name = ref('')
const moved = ref<Moved[]>()
const replaying = useAction()
const adopted = ref('')

async function choose(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  text.value = await file.text()
  name.value = file.name
  adopted.value = ''
  await replay()
}
async function replay(): Promise<void> {
  moved.value = undefined
  await replaying.run(
    async () => (moved.value = await api.post('/api/triage/replay', { body: { protocol: text.value } })),
  )
}
async function adopt(): Promise<void> {
  if (!(await replaying.run(() => api.post('/api/triage/adopt', { body: { protocol: text.value } })))) return
  adopted.value = `${name.value} is in force.`
  text.value = ''
  moved.value = undefined
  forgetVocabulary()
}
</script>

<template>
  <section aria-labelledby="h-protocol">
    <div class="hd">
      <h2 id="h-protocol">Triage protocol</h2>
      <span class="text-body-secondary">in force: {{ vocabulary?.protocol }}</span>
    </div>
    <p class="s text-body-secondary">
      What speaks for and against each path, the stop rules and the questions stand in one file. A changed one is
      replayed over the open cases before it is adopted; decisions keep the version they were made with.
    </p>
    <p class="d-flex flex-wrap align-items-center gap-2 acts">
      <a class="btn btn-quiet btn-sm" href="/api/triage/protocol" download="protocol.json">Save the file</a>
      <label class="btn btn-quiet btn-sm"
        >Try a changed one<input
          type="file"
          accept=".json,application/json"
          class="visually-hidden"
          data-testid="protocol"
          @change="choose"
      /></label>
      <button
        type="button"
        class="btn btn-quiet btn-sm"
        :disabled="replaying.busy.value"
        @click="((text = ''), replay())"
      >
        Replay over older decisions
      </button>
    </p>
    <RefusedNote :refused="replaying.refused.value" />
    <p v-if="adopted" class="s c-ok" role="status">{{ adopted }}</p>
    <template v-if="moved">
      <p class="s fw-semibold" role="status">
        {{ text ? name : 'The protocol in force' }} would change
        {{
          moved.length === 0
            ? 'nothing in any open case'
            : moved.length === 1
              ? 'one open case'
              : `${moved.length} open cases`
        }}.
      </p>
      <ul class="moved">
        <li v-for="m in moved.slice(0, 30)" :key="m.caseNumber">
          <p class="s">
            <RouterLink class="m link" :to="`/cases/${m.caseNumber}/triaged`">{{ m.caseNumber }}</RouterLink>
            <span class="text-body-secondary">{{ m.path ? words(m.path) : 'not decided' }}</span>
          </p>
          <MovementNote :movement="m.movement" :vocabulary="vocabulary" />
        </li>
      </ul>
      <BButton v-if="text && mayChange" variant="primary" :disabled="replaying.busy.value" @click="adopt"
        >Adopt {{ name }}</BButton
      >
    </template>
  </section>
</template>

<style scoped>
.acts {
  padding: 8px 0;
}
.acts label:focus-within {
  outline: 2px solid var(--focus);
}
.moved {
  max-height: 300px;
  overflow: auto;
  margin: 6px 0;
}
.moved li {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
</style>
