<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { AllSettings } from '@/api/types'
import { words } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import SaveLine from './SaveLine.vue'
import { useEdited } from './useEdited'
import { useVocabulary } from '@/features/triage'

const props = defineProps<{
  /** As they are in force. */
  settings: AllSettings
  /** Only a manager may. */
  mayChange: boolean
}>()
const emit = defineEmits<{ saved: [] }>()
const vocabulary = useVocabulary()
const saving = useAction()
const done = ref(false)
const edited = useEdited(
  () => 'prices',
  () => props.settings.prices,
)
const prices = edited.value
const label = (code: string) => vocabulary.value?.paths.find((p) => p.code === code)?.label ?? words(code)
const order = () =>
  [...(vocabulary.value?.paths.map((p) => p.code) ?? []), ...Object.keys(prices.value.byPath)].filter(
    (c, i, all) => c in prices.value.byPath && all.indexOf(c) === i,
  )

async function save(): Promise<void> {
  done.value = await saving.run(() => api.put('/api/settings/prices', { body: prices.value }))
  if (!done.value) return
  edited.saved()
  emit('saved')
}
</script>

<template>
  <form aria-labelledby="h-prices" @submit.prevent="save">
    <div class="hd">
      <h2 id="h-prices">Price list</h2>
      <span class="text-body-secondary">the quote band of each path</span>
    </div>
    <fieldset :disabled="!mayChange">
      <table class="rows">
        <thead>
          <tr>
            <th>path</th>
            <th class="n">from</th>
            <th class="n">to</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="code in order()" :key="code">
            <td>{{ label(code) }}</td>
            <td class="n">
              <BFormInput
                v-model.number="prices.byPath[code]!.low"
                type="number"
                min="0"
                :aria-label="`${label(code)}, from`"
              />
            </td>
            <td class="n">
              <BFormInput
                v-model.number="prices.byPath[code]!.high"
                type="number"
                min="0"
                :aria-label="`${label(code)}, to`"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <div class="more">
        <div><label for="currency">Currency</label><BFormInput id="currency" v-model="prices.currency" /></div>
        <div>
          <label for="per-tb">Each TB beyond the first</label
          ><BFormInput id="per-tb" v-model.number="prices.perTerabyte" type="number" min="0" />
        </div>
        <div>
          <label for="urgent">Urgent, % more</label
          ><BFormInput id="urgent" v-model.number="prices.urgentPercent" type="number" min="0" />
        </div>
        <div>
          <label for="urgent-days">within days</label
          ><BFormInput id="urgent-days" v-model.number="prices.urgentDays" type="number" min="0" />
        </div>
      </div>
    </fieldset>
    <RefusedNote :refused="saving.refused.value" />
    <SaveLine
      v-if="mayChange"
      label="Save prices"
      :changed="edited.changed.value"
      :done="done"
      :busy="saving.busy.value"
      @put-back="edited.putBack"
    />
  </form>
</template>

<style scoped>
.rows .form-control {
  width: 92px;
  display: inline-block;
  text-align: right;
  min-height: 26px;
  padding: 2px 6px;
}
.rows td {
  padding: 2px 8px;
}
.more {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(104px, 1fr));
  gap: 8px;
  align-items: end;
  padding-top: 8px;
}
.more label {
  font-size: 12px;
  color: var(--ink-2);
}
</style>
