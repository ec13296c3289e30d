<script setup lang="ts">
import { BFormInput, BFormTextarea } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { AllSettings } from '@/api/types'
import { words } from '@/ui/format/format'
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
const code = ref('received')
const edited = useEdited(
  () => `letter-${code.value}`,
  () => props.settings.letters[code.value] ?? { subject: '', body: '' },
)
const letter = edited.value
watch(code, () => (done.value = false))

const blanks = computed(() => props.settings.blanks.map((b) => `{${b}}`).join(' '))

async function save(): Promise<void> {
  done.value = await saving.run(() =>
    api.put('/api/settings/letters/{code}', {
      path: { code: code.value },
      body: letter.value,
    }),
  )
  if (!done.value) return
  edited.saved()
  emit('saved')
}
</script>

<template>
  <form aria-labelledby="h-letters" @submit.prevent="save">
    <div class="hd">
      <h2 id="h-letters">Letters</h2>
      <span class="text-body-secondary">to customers, by e-mail or on paper</span>
    </div>
    <p class="d-flex align-items-center gap-1 which" role="group" aria-label="Which letter">
      <button
        v-for="c in Object.keys(settings.letters)"
        :key="c"
        type="button"
        class="opt"
        :class="{ on: c === code }"
        :aria-pressed="c === code"
        @click="code = c"
      >
        {{ words(c) }}
      </button>
    </p>
    <fieldset :disabled="!mayChange" class="letter">
      <label for="letter-subject">Subject</label><BFormInput id="letter-subject" v-model="letter.subject" />
      <label for="letter-body">Text</label><BFormTextarea id="letter-body" v-model="letter.body" rows="11" />
      <p class="xs text-body-secondary">
        Filled in: <span class="m">{{ blanks }}</span>
      </p>
    </fieldset>
    <RefusedNote :refused="saving.refused.value" />
    <SaveLine
      v-if="mayChange"
      label="Save the letter"
      :changed="edited.changed.value"
      :done="done"
      :busy="saving.busy.value"
      @put-back="edited.putBack"
    />
  </form>
</template>

<style scoped>
.which {
  padding: 6px 0;
}
.letter {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  overflow-wrap: anywhere;
  gap: 3px;
}
.letter label {
  font-size: 12px;
  color: var(--ink-2);
}
</style>
