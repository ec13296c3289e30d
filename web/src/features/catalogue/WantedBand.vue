<script setup lang="ts">
import type { WantedState } from '@/api/types'
import { useCover } from '@/features/copies'
import WantedTally from '@/ui/instruments/WantedTally.vue'
import { chosenWords, foundWords, hopedWords, partsOf } from './steps'

defineProps<{
  /** How each line stands. */
  wanted: WantedState[]
  /** The line that the findings are narrowed to. */
  chosen: number | undefined
}>()
const emit = defineEmits<{ choose: [line: number | undefined] }>()
const cover = useCover()
</script>

<template>
  <div v-if="wanted.length" class="band" role="group" aria-label="Wanted list">
    <button
      v-for="(w, i) in wanted"
      :key="w.line.id"
      type="button"
      class="want"
      :class="{ on: chosen === w.line.id }"
      :aria-pressed="chosen === w.line.id"
      @click="emit('choose', chosen === w.line.id ? undefined : w.line.id)"
    >
      <span class="text-truncate t"
        ><span class="m">W{{ i + 1 }}</span> <b>“{{ w.line.words }}”</b></span
      >
      <WantedTally v-bind="partsOf(w)" />
      <span class="xs"
        ><b>{{ foundWords(w) }}</b>
        <span class="text-body-secondary">· {{ hopedWords(w) }}{{ w.line.mustHave ? '' : ', optional' }}</span
        ><span v-if="cover(w.line.id)" class="c-ok"> · {{ cover(w.line.id) }}</span></span
      >
      <span class="xs text-body-secondary">{{ chosenWords(w) }}{{ w.complete ? ', complete' : '' }}</span>
    </button>
  </div>
</template>

<style scoped>
.band {
  display: flex;
  border-bottom: 1px solid var(--line);
}
.want {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 4px;
  justify-items: start;
  text-align: left;
  padding: 8px 14px;
  border: 0;
  border-right: 1px solid var(--line);
  border-bottom: 3px solid transparent;
  background: none;
  color: var(--ink);
}
.want.on {
  background: var(--heather-wash);
  border-bottom-color: var(--heather);
}
.t {
  color: var(--heather-d);
  max-width: 100%;
}
@media (width <= 900px) {
  .band {
    flex-direction: column;
  }
}
</style>
