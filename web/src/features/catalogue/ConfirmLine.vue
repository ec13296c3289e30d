<script setup lang="ts">
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { WantedState } from '@/api/types'
import { count, dayAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { confirmedWords } from './steps'

const props = defineProps<{
  /** The case. */
  number: string
  /** The wanted line that the findings are narrowed to. */
  state: WantedState
  /** Which of its matches are shown: all, those that fit, or those that may. */
  fit: string | undefined
}>()
const emit = defineEmits<{ fit: [which: string | undefined]; changed: [] }>()

const acting = useAction()
const CONFIRMATION = '/api/cases/{number}/catalogue/wanted/{line}/confirmation'
const path = () => ({ number: props.number, line: props.state.line.id })
const CHOICES = [
  { value: undefined, text: 'all matches' },
  { value: 'fits', text: 'what fits' },
  { value: 'may-fit', text: 'what may fit' },
]

async function confirm(): Promise<void> {
  if (await acting.run(() => api.post(CONFIRMATION, { path: path(), body: { count: props.state.tally.chosen } })))
    emit('changed')
}
async function takeBack(): Promise<void> {
  if (await acting.run(() => api.delete(CONFIRMATION, { path: path() }))) emit('changed')
}
</script>

<template>
  <div class="confirm s">
    <span role="radiogroup" aria-label="Matches shown" class="d-flex align-items-center gap-2"
      ><button
        v-for="c in CHOICES"
        :key="c.text"
        type="button"
        role="radio"
        class="opt"
        :aria-checked="fit === c.value"
        :class="{ on: fit === c.value }"
        @click="emit('fit', c.value)"
      >
        {{ c.text }}
      </button></span
    >
    <span class="flex-fill" />
    <template v-if="state.tally.confirmed"
      ><span
        ><b>{{ confirmedWords(state) }}</b>
        <span class="text-body-secondary">{{ dayAndTime(state.tally.confirmed.at) }}</span></span
      >
      <button type="button" class="linkish" :disabled="acting.busy.value" @click="takeBack">
        Take it back
      </button></template
    >
    <template v-else
      ><span class="text-body-secondary">{{
        state.tally.chosen
          ? 'Did you look at each? Then say so; complete is only what somebody confirmed.'
          : 'Choose what is theirs, then confirm it.'
      }}</span>
      <button
        type="button"
        class="btn btn-quiet btn-sm"
        :disabled="!state.tally.chosen || acting.busy.value"
        @click="confirm"
      >
        {{ state.tally.chosen ? `These ${count(state.tally.chosen)} are them` : 'These are them' }}
      </button></template
    >
    <RefusedNote :refused="acting.refused.value" />
  </div>
</template>

<style scoped>
.confirm {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 6px 16px;
  border-bottom: 1px solid var(--line);
  background: var(--heather-wash);
}
.on {
  border-color: var(--heather);
  font-weight: 650;
}
</style>
