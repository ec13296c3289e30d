<script setup lang="ts">
import { CircleX } from 'lucide-vue-next'
import { computed } from 'vue'
import type { DeviceState, Docket } from '@/api/types'
import { words } from '@/ui/format/format'
import { calledOf, isBoxOf, standWords, whichOf } from './hand'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** How far each is; empty while that is not known. */
  states: DeviceState[]
  /** The one that is shown. */
  shown: number
}>()
const emit = defineEmits<{ /** Another one is to be shown. */ take: [id: number] }>()

const rows = computed(() =>
  props.docket.devices.map((d) => ({ device: d, state: props.states.find((s) => s.id === d.id) })),
)
</script>

<template>
  <ul class="devices xs" aria-label="Devices of the case">
    <li v-for="{ device: d, state } in rows" :key="d.id">
      <button type="button" :aria-pressed="d.id === shown" :title="calledOf(d)" @click="emit('take', d.id)">
        <span class="which">{{ whichOf(d) }}</span>
        <span class="stand">
          <CircleX v-if="state?.barred" class="ic s14 c-stop" aria-label="not to be touched" />
          {{ state ? standWords(state, isBoxOf(d, docket.devices)) : words(d.type) }}
        </span>
        <span v-if="state?.read" class="bar" aria-hidden="true"
          ><i :style="{ width: `${100 * state.read.share}%` }"
        /></span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
/* The line above ends in keys, which are taller than it. */
.devices {
  margin-top: 4px;
  max-height: 184px;
  overflow: auto;
}
button {
  position: relative;
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
  gap: 6px;
  width: 100%;
  padding: 2px 6px 8px;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  color: var(--ink);
  text-align: left;
}
button[aria-pressed='true'] {
  border-left-color: var(--verd);
  background: var(--verd-wash);
  font-weight: 600;
}
.which {
  white-space: nowrap;
}
.stand {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  color: var(--ink-2);
}
.bar {
  position: absolute;
  inset: auto 6px 4px 71px;
  height: 2px;
  background: var(--line);
}
.bar i {
  display: block;
  height: 2px;
  background: var(--ink);
}
</style>
