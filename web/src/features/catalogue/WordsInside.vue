<script setup lang="ts">
import { computed } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import WorkAhead from './WorkAhead.vue'
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
  <WorkAhead
    v-if="state && live.data.value?.documents"
    v-bind="state"
    :done="run?.done ?? 0"
    :total="run?.total ?? 0"
    counted="Documents read"
    :busy="acting.busy.value"
    :refused="acting.refused.value"
    @begin="act('read')"
    @pause="act('pause')"
  />
</template>
