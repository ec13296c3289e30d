<script setup lang="ts">
import { computed } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import { count } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { wordsState } from './words'

const props = defineProps<{ /** The case. */ number: string }>()
const path = computed(() => ({ number: props.number }))
const live = useLive(
  '/api/cases/{number}/catalogue/words',
  () => ({ path: path.value }),
  (what, c) => c === props.number && (what === 'words' || what === 'catalogue' || what === 'case'),
)
const acting = useAction()
const state = computed(() => (live.data.value ? wordsState(live.data.value) : undefined))
const run = computed(() => live.data.value?.run)
async function act(what: 'read' | 'pause'): Promise<void> {
  await acting.run(() =>
    what === 'read'
      ? api.post('/api/cases/{number}/catalogue/words', { path: path.value })
      : api.post('/api/cases/{number}/catalogue/words/pause', { path: path.value }),
  )
  await live.refresh()
}
</script>

<template>
  <span v-if="live.data.value?.documents" class="s words">
    <template v-if="state?.reading">
      <span role="status">reading the words inside: {{ count(run?.done ?? 0) }} of {{ count(run?.total ?? 0) }}</span>
      <progress :value="run?.done" :max="run?.total || 1" aria-label="Documents read" />
      <button type="button" class="linkish s" :disabled="acting.busy.value" @click="act('pause')">pause</button>
    </template>
    <template v-else>
      <span class="text-body-secondary" :title="state?.title">{{ state?.words }}</span>
      <button v-if="state?.offer" type="button" class="linkish s" :disabled="acting.busy.value" @click="act('read')">
        {{ state.offer }}
      </button>
    </template>
    <RefusedNote :refused="acting.refused.value" />
  </span>
</template>

<style scoped>
.words {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}
progress {
  width: 90px;
  height: 8px;
  accent-color: var(--verd);
}
</style>
