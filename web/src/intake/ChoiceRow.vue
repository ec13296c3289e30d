<script setup lang="ts">
import { computed, ref } from 'vue'
import { words } from '@/format/format'
import { shownValues } from './form'

const props = withDefaults(
  defineProps<{
    /** Shown before the choices. */
    label: string
    /** The question in words one can say; on hover. */
    ask: string
    values: string[]
    /** What callers say most often; the rest is behind one key. All are shown where nothing is common. */
    common?: readonly string[]
    /** Whether a value is chosen. */
    isOn: (value: string) => boolean
    /** The row that the question to ask next points at. */
    asked?: boolean
  }>(),
  { common: () => [] },
)
const emit = defineEmits<{ /** A value was chosen, or taken back. */ toggle: [value: string] }>()

const open = ref(false)
const shown = computed(() => shownValues(props.values, props.common, props.isOn, open.value))
const folds = computed(() => props.common.length > 0 && props.values.length + 1 > props.common.length)
</script>

<template>
  <div class="row-choices" :class="{ asked }" role="group" :aria-label="`${label}: ${ask}`">
    <span class="name" :title="ask">{{ label }}</span>
    <span class="opts">
      <button v-for="v in shown" :key="v" type="button" class="opt" :class="{ on: isOn(v) }" :aria-pressed="isOn(v)" @click="emit('toggle', v)">{{ words(v) }}</button>
      <button v-if="folds" type="button" class="linkish xs" :aria-expanded="open" @click="open = !open">{{ open ? 'fewer' : 'more' }}</button>
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
