<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { AllSettings, BenchRules } from '@/api/types'
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
const EXAMPLE = 'nbd://bench-box-2:10809'
const edited = useEdited(
  () => 'bench',
  (): BenchRules => props.settings.bench,
)
const rules = edited.value

async function save(): Promise<void> {
  done.value = await saving.run(() => api.put('/api/settings/bench', { body: rules.value }))
  if (!done.value) return
  edited.saved()
  emit('saved')
}
</script>

<template>
  <form aria-labelledby="h-bench" @submit.prevent="save">
    <div class="hd">
      <h2 id="h-bench">Bench</h2>
      <span class="text-body-secondary">how devices are read, and where they stand</span>
    </div>
    <fieldset :disabled="!mayChange" class="stack">
      <div class="four">
        <div>
          <label for="b-rate">All together, MiB/s</label
          ><BFormInput id="b-rate" v-model.number="rules.mibPerSecond" type="number" min="0" max="100000" />
        </div>
        <div>
          <label for="b-health">Health every, s</label
          ><BFormInput id="b-health" v-model.number="rules.healthSeconds" type="number" min="1" max="86400" />
        </div>
        <div>
          <label for="b-from">Quiet from</label><BFormInput id="b-from" v-model="rules.quietFrom" placeholder="22:00" />
        </div>
        <div><label for="b-to">to</label><BFormInput id="b-to" v-model="rules.quietTo" placeholder="06:30" /></div>
      </div>
      <p class="xs text-body-secondary">
        0 MiB/s is no limit; equal times are no quiet hours. In quiet hours sessions rest, and the Desk asks.
      </p>
      <label class="s"
        ><input v-model="rules.scanRecords" type="checkbox" class="form-check-input" /> A scan of its records starts by
        itself when a device has been imaged</label
      >
      <div class="name">
        <label for="b-names">Names for files that no record names, from what they say</label
        ><BFormInput id="b-names" v-model="rules.namePattern" class="m" placeholder="{taken} {said}" />
        <p class="xs text-body-secondary">
          Always in brackets. Blanks: {taken}, {said} (the first two of author, title, subject, words, device),
          {author}, {title}, {album}, {subject}, {from}, {words}, {device}, {width}, {height}, {seconds}, {pages}.
        </p>
      </div>
      <div v-for="(box, i) in rules.boxes" :key="i" class="box">
        <div>
          <label :for="`box-n-${i}`">Bench box</label
          ><BFormInput :id="`box-n-${i}`" v-model="box.name" placeholder="Box 2" />
        </div>
        <div>
          <label :for="`box-a-${i}`">exports at</label
          ><BFormInput :id="`box-a-${i}`" v-model="box.address" class="m" :placeholder="EXAMPLE" />
        </div>
        <button type="button" class="btn btn-quiet btn-sm" @click="rules.boxes.splice(i, 1)">Remove</button>
      </div>
      <p>
        <button
          type="button"
          class="linkish s"
          :disabled="!mayChange"
          @click="rules.boxes.push({ name: '', address: '' })"
        >
          Add a bench box
        </button>
      </p>
    </fieldset>
    <RefusedNote :refused="saving.refused.value" />
    <SaveLine
      v-if="mayChange"
      label="Save bench"
      :changed="edited.changed.value"
      :done="done"
      :busy="saving.busy.value"
      @put-back="edited.putBack"
    />
  </form>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 8px;
  padding-top: 6px;
}
.four {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
  gap: 8px;
}
.box {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 2fr) auto;
  gap: 8px;
  align-items: end;
}
label {
  font-size: 12px;
  color: var(--ink-2);
}
</style>
