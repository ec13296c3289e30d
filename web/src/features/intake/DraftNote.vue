<script setup lang="ts">
import { computed } from 'vue'
import { useNow } from '@/ui/instruments/now'
import { duration } from '@/ui/format/format'
import type { DraftState } from './draft'

const props = defineProps<{
  /** Where what was typed is kept. */
  state: DraftState
  /** When the server kept it last. */
  keptAt: number
}>()
const emit = defineEmits<{
  /** Write this person's text over the other's. */
  mine: []
  /** Open the other's. */
  theirs: []
}>()
const now = useNow()
const words = computed(() => {
  switch (props.state) {
    case 'keeping':
      return 'keeping …'
    case 'kept':
      return `draft kept ${duration(Math.max(0, (now.value - props.keptAt) / 1000))} ago`
    case 'here-only':
      return 'the server is away; kept in this browser, sent when it is back'
    case 'too-long':
      return 'too long to be kept as a draft; shorten it, or log it now'
    case 'gone':
      return 'somebody else logged or dropped this draft'
    case 'theirs':
      return 'somebody else wrote in this draft meanwhile'
    default:
      return 'everything is kept as you type'
  }
})
</script>

<template>
  <span
    class="s"
    :class="['here-only', 'theirs', 'gone', 'too-long'].includes(state) ? 'c-warn fw-semibold' : 'text-body-secondary'"
    role="status"
    >{{ words }}
    <template v-if="state === 'theirs' || state === 'gone'"
      ><button type="button" class="linkish" @click="emit('mine')">Go on with mine</button>
      <button v-if="state === 'theirs'" type="button" class="linkish" @click="emit('theirs')">
        Open theirs
      </button></template
    ></span
  >
</template>
