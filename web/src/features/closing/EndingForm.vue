<script setup lang="ts">
import { BButton, BFormTextarea } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { offerUndo } from '@/api/undo'
import type { Closing } from '@/api/types'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import SignedPapers from './SignedPapers.vue'
import { asked, lacking, likeliest, type Outcome, OUTCOMES } from './closing'

const props = defineProps<{
  /** The case's number. */
  number: string
  /** How it ends, so far. */
  state: Closing
}>()
const emit = defineEmits<{ /** The case was closed, or a paper was added. */ changed: [] }>()

const outcome = ref<Outcome>()
const words = ref('')
const closing = useAction()
const lacks = computed(() => lacking(props.state, outcome.value))
const asks = computed(() => asked(props.state, outcome.value))
const ready = computed(() => !!outcome.value && !lacks.value.length && (!asks.value || words.value.trim() !== ''))
watch(
  () => likeliest(props.state),
  (it) => (outcome.value ??= it),
  { immediate: true },
)

async function close(): Promise<void> {
  const it = outcome.value
  if (!ready.value || !it) return
  const path = { number: props.number }
  const body = { outcome: it, words: words.value }
  if (!(await closing.run(() => api.post('/api/cases/{number}/closing', { path, body })))) return
  offerUndo(`${props.number} is closed.`, () => api.delete('/api/cases/{number}/closing', { path }))
  emit('changed')
}
useKeys([{ key: 'C', does: () => (ready.value ? 'close the case' : undefined), run: () => void close() }])
</script>

<template>
  <form aria-labelledby="h-outcome" @submit.prevent="close">
    <div class="hd"><h2 id="h-outcome">How it ends</h2></div>
    <div class="outcomes" role="radiogroup" aria-labelledby="h-outcome">
      <button
        v-for="o in state.options"
        :key="o.outcome"
        type="button"
        role="radio"
        class="outcome"
        :class="{ on: outcome === o.outcome }"
        :aria-checked="outcome === o.outcome"
        @click="outcome = o.outcome"
      >
        <b>{{ OUTCOMES[o.outcome].words }}</b>
        <span class="xs text-body-secondary">{{ OUTCOMES[o.outcome].means }}</span>
      </button>
    </div>
    <SignedPapers
      v-if="outcome === 'collected-unrecovered'"
      :number="number"
      :papers="state.papers"
      @added="emit('changed')"
    />
    <template v-if="outcome && asks">
      <label for="closing-words" class="xs text-body-secondary">{{ asks }}</label>
      <BFormTextarea id="closing-words" v-model="words" rows="3" max-rows="8" maxlength="4000" />
    </template>
    <div v-if="outcome && lacks.length" class="warnbox s" role="status">
      <b>Before it can be closed</b>
      <ul>
        <li v-for="l in lacks" :key="l">{{ l }}</li>
      </ul>
    </div>
    <RefusedNote :refused="closing.refused.value" />
    <p class="d-flex">
      <span class="flex-fill" /><BButton type="submit" variant="primary" :disabled="!ready || closing.busy.value"
        >Close the case</BButton
      >
    </p>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 8px;
}
.outcomes {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  gap: 8px;
}
.outcome {
  display: grid;
  gap: 2px;
  align-content: start;
  padding: 8px 10px;
  text-align: left;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--edge);
  border-top-width: 3px;
  border-radius: 3px;
}
.outcome.on {
  border-color: var(--heather);
  outline: 1px solid var(--heather);
}
.warnbox ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
</style>
