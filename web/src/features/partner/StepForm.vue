<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { offerUndo } from '@/api/undo'
import { daysFromNow } from '@/ui/format/days'
import RefusedNote from '@/ui/RefusedNote.vue'
import { hundredths, type Job } from './partner'

const props = defineProps<{
  /** The case's number. */
  number: string
  /** The job that goes on. */
  job: Job
  /** What is noted. */
  step: 'quote' | 'answer' | 'back'
  /** Of amounts. */
  currency: string
}>()
const emit = defineEmits<{ /** It was noted. */ done: [] }>()

const BACK_DAYS = 14
const on = ref(daysFromNow(0))
const money = ref('')
const words = ref('')
const who = ref('')
const approved = ref(true)
const expected = ref(daysFromNow(BACK_DAYS))
const condition = ref('')
const serial = ref('')
const noting = useAction()
const path = computed(() => ({ number: props.number, id: props.job.id }))
const cost = computed(() => (money.value.trim() ? hundredths(money.value) : 0))
const ready = computed(() => {
  if (props.step === 'quote') return money.value.trim() !== '' && cost.value !== undefined
  if (props.step === 'answer') return who.value.trim() !== ''
  return cost.value !== undefined && condition.value.trim() !== '' && words.value.trim() !== ''
})

function put(): Promise<unknown> {
  const sum = cost.value ?? 0
  switch (props.step) {
    case 'quote':
      return api.put('/api/cases/{number}/partner/{id}/quote', {
        path: path.value,
        body: { on: on.value, hundredths: sum, words: words.value },
      })
    case 'answer':
      return api.put('/api/cases/{number}/partner/{id}/answer', {
        path: path.value,
        body: { on: on.value, approved: approved.value, by: who.value, expected: expected.value },
      })
    default:
      return api.put('/api/cases/{number}/partner/{id}/back', {
        path: path.value,
        body: { on: on.value, condition: condition.value, done: words.value, hundredths: sum, serial: serial.value },
      })
  }
}
async function note(): Promise<void> {
  if (!ready.value || !(await noting.run(put))) return
  offerUndo('It was noted.', () => api.delete('/api/cases/{number}/partner/{id}/last', { path: path.value }))
  emit('done')
}
const DOES = { quote: 'Note the quote', answer: 'Note the answer', back: 'It is back' } as const
</script>

<template>
  <form class="sheet step" @submit.prevent="note">
    <div v-if="step === 'answer'" role="radiogroup" aria-label="Their answer" class="wide d-flex gap-1">
      <button
        v-for="yes in [true, false]"
        :key="String(yes)"
        type="button"
        role="radio"
        class="opt"
        :class="{ on: approved === yes }"
        :aria-checked="approved === yes"
        @click="approved = yes"
      >
        {{ yes ? 'they want it done' : 'they do not' }}
      </button>
    </div>
    <p>
      <label :for="`on-${job.id}`">{{ step === 'back' ? 'Back on' : 'On' }}</label><BFormInput
        :id="`on-${job.id}`"
        v-model="on"
        type="date"
        :max="daysFromNow(0)"
      />
    </p>
    <p v-if="step !== 'answer'">
      <label :for="`sum-${job.id}`">{{ step === 'quote' ? 'Amount' : 'What it cost' }}, {{ currency }}</label
      ><BFormInput
        :id="`sum-${job.id}`"
        v-model="money"
        inputmode="decimal"
        placeholder="0.00"
        :state="cost === undefined ? false : null"
      />
    </p>
    <template v-if="step === 'answer'">
      <p><label :for="`who-${job.id}`">Who said it</label><BFormInput :id="`who-${job.id}`" v-model="who" /></p>
      <p>
        <label :for="`until-${job.id}`">Expected back by</label
        ><BFormInput :id="`until-${job.id}`" v-model="expected" type="date" />
      </p>
    </template>
    <template v-if="step === 'back'">
      <p>
        <label :for="`serial-${job.id}`">Serial, if it has another now</label
        ><BFormInput :id="`serial-${job.id}`" v-model="serial" class="m" maxlength="100" />
      </p>
      <p class="wide">
        <label :for="`condition-${job.id}`">How it looks now</label
        ><BFormInput :id="`condition-${job.id}`" v-model="condition" maxlength="1000" />
      </p>
    </template>
    <p v-if="step !== 'answer'" class="wide">
      <label :for="`words-${job.id}`">{{
        step === 'quote' ? 'What they would do' : 'What was done to it'
      }}</label><BFormInput :id="`words-${job.id}`" v-model="words" maxlength="1000" />
    </p>
    <RefusedNote class="wide" :refused="noting.refused.value" />
    <p class="wide d-flex">
      <span class="flex-fill" /><BButton type="submit" variant="primary" :disabled="!ready || noting.busy.value">{{
        DOES[step]
      }}</BButton>
    </p>
  </form>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
  gap: 8px 12px;
  padding: 10px 12px;
}
.wide {
  grid-column: 1 / -1;
}
label {
  font-size: 12px;
  color: var(--ink-2);
}
</style>
