<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { AllSettings } from '@/api/types'
import { stageName, STAGES } from '@/features/cases'
import RefusedNote from '@/ui/RefusedNote.vue'
import SaveLine from './SaveLine.vue'
import { useEdited } from './useEdited'

const props = defineProps<{
  /** As they are in force. */
  settings: AllSettings
  /** Only a manager may. */
  mayChange: boolean
}>()
const emit = defineEmits<{ saved: [] }>()
const saving = useAction()
const done = ref(false)
const edited = useEdited(
  () => 'clocks',
  (): Record<string, number> => props.settings.clocks.hours,
)
const hours = edited.value
const stages = STAGES.filter((s) => s !== 'closed')

async function save(): Promise<void> {
  const given = Object.fromEntries(Object.entries(hours.value).filter(([, h]) => h))
  done.value = await saving.run(() => api.put('/api/settings/clocks', { body: { hours: given } }))
  if (!done.value) return
  edited.saved()
  emit('saved')
}
</script>

<template>
  <form aria-labelledby="h-clocks" @submit.prevent="save">
    <div class="hd">
      <h2 id="h-clocks">Clocks</h2>
      <span class="text-body-secondary">hours that a case may stand in a stage; empty for no clock</span>
    </div>
    <fieldset :disabled="!mayChange" class="clocks">
      <div v-for="s in stages" :key="s">
        <label :for="`clock-${s}`">{{ stageName(s) }}</label><BFormInput
          :id="`clock-${s}`"
          v-model.number="hours[s]"
          type="number"
          min="1"
          max="10000"
        />
      </div>
    </fieldset>
    <RefusedNote :refused="saving.refused.value" />
    <SaveLine
      v-if="mayChange"
      label="Save clocks"
      :changed="edited.changed.value"
      :done="done"
      :busy="saving.busy.value"
      @put-back="edited.putBack"
    />
  </form>
</template>

<style scoped>
.clocks {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 8px;
  padding-top: 6px;
}
label {
  font-size: 12px;
  color: var(--ink-2);
}
</style>
