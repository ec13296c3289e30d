<script setup lang="ts">
import { words } from '@/format/format'

defineProps<{
  /** Shown before the choices. */
  label: string
  /** The question in words one can say; on hover. */
  ask: string
  values: string[]
  /** Whether a value is chosen. */
  isOn: (value: string) => boolean
  /** The row that the question to ask next points at. */
  asked?: boolean
}>()
const emit = defineEmits<{ /** A value was chosen, or taken back. */ toggle: [value: string] }>()
</script>

<template>
  <div class="row-choices" :class="{ asked }" role="group" :aria-label="`${label}: ${ask}`">
    <span class="name" :title="ask">{{ label }}</span>
    <span class="opts">
      <button v-for="v in values" :key="v" type="button" class="opt" :class="{ on: isOn(v) }" :aria-pressed="isOn(v)" @click="emit('toggle', v)">{{ words(v) }}</button>
    </span>
  </div>
</template>

<style scoped>
.row-choices { display: grid; grid-template-columns: 88px 1fr; gap: 8px; padding: 5px 0 5px 4px; border-bottom: 1px solid var(--line); border-left: 4px solid transparent; }
.row-choices.asked { background: var(--verd-wash); border-left-color: var(--verd); }
.name { font-weight: 650; font-size: 13px; line-height: 26px; }
.opts { display: flex; flex-wrap: wrap; gap: 5px; }
@media (max-width: 600px) { .row-choices { grid-template-columns: 1fr; gap: 2px; } .opt { height: 32px; } }
</style>
