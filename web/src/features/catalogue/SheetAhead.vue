<script setup lang="ts">
import { computed, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import WorkAhead from './WorkAhead.vue'
import { aheadState } from './ahead'

const props = defineProps<{ /** The case. */ number: string }>()
const emit = defineEmits<{ /** More is known of pictures than before. */ drawn: [] }>()
const path = computed(() => ({ number: props.number }))
const live = useLive(
  '/api/cases/{number}/catalogue/sheet',
  () => ({ path: path.value }),
  (what, c) => c === props.number && (what === 'sheet' || what === 'catalogue' || what === 'case'),
)
const acting = useAction()
const state = computed(() => (live.data.value ? aheadState(live.data.value) : undefined))
const run = computed(() => live.data.value?.run)
// Not while it goes on: pictures would move under the hand of who looks at them.
watch(
  () => state.value?.doing,
  (now, before) => {
    if (before && !now) emit('drawn')
  },
)
async function act(what: 'begin' | 'pause'): Promise<void> {
  await acting.run(() =>
    what === 'begin'
      ? api.post('/api/cases/{number}/catalogue/sheet', { path: path.value })
      : api.post('/api/cases/{number}/catalogue/sheet/pause', { path: path.value }),
  )
  await live.refresh()
}
</script>

<template>
  <WorkAhead
    v-if="state && live.data.value?.pictures"
    v-bind="state"
    :done="run?.done ?? 0"
    :total="run?.total ?? 0"
    counted="Pictures drawn"
    :busy="acting.busy.value"
    :refused="acting.refused.value"
    @begin="act('begin')"
    @pause="act('pause')"
  />
</template>
