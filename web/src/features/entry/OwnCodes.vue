<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { CodesTold, OwnAccount } from '@/api/types'
import RefusedNote from '@/ui/RefusedNote.vue'
import PresentPassword from './PresentPassword.vue'
import SpareCodes from './SpareCodes.vue'

defineProps<{ /** How the person signs in. */ own: OwnAccount }>()
const emit = defineEmits<{ /** They sign in otherwise now. */ changed: [] }>()
const told = ref<CodesTold>()
const spares = ref<string[]>([])
const code = ref('')
const confirming = useAction()

async function begin(old: string): Promise<void> {
  told.value = await api.post('/api/staff/me/codes', { body: { old } })
}
async function confirm(): Promise<void> {
  const sure = await confirming.run(async () => {
    spares.value = (await api.put('/api/staff/me/codes', { body: { code: code.value } })).spares
  })
  code.value = ''
  if (!sure) return
  told.value = undefined
  emit('changed')
}
async function newSpares(old: string): Promise<void> {
  spares.value = (await api.post('/api/staff/me/codes/spares', { body: { old } })).spares
  emit('changed')
}
async function end(old: string): Promise<void> {
  await api.post('/api/staff/me/codes/end', { body: { old } })
  spares.value = []
  emit('changed')
}
</script>

<template>
  <section aria-labelledby="h-codes">
    <div class="hd">
      <h2 id="h-codes">Codes</h2>
      <span class="text-body-secondary">{{ own.codes ? 'asked for beside your password' : 'not asked for' }}</span>
    </div>
    <SpareCodes v-if="spares.length" :codes="spares" />
    <template v-if="own.codes">
      <p class="s">
        {{ own.sparesLeft === 1 ? 'One spare code is' : `${own.sparesLeft} spare codes are` }} left, for the day when
        your device is not at hand.
      </p>
      <details>
        <summary class="s fw-semibold">New spare codes</summary>
        <PresentPassword label="Make new ones" :work="newSpares" />
      </details>
      <details>
        <summary class="s fw-semibold">End the codes</summary>
        <PresentPassword label="Ask for none any more" :work="end" />
      </details>
    </template>
    <form v-else-if="told" class="fields" @submit.prevent="confirm">
      <p class="s">
        Point the camera of an app for codes at the drawing, or type <span class="m brk">{{ told.secret }}</span> there.
      </p>
      <svg :viewBox="`0 0 ${told.side} ${told.side}`" role="img" aria-label="The secret as a code for cameras">
        <rect width="100%" height="100%" fill="#fff" />
        <path :d="told.drawing" fill="#000" />
      </svg>
      <div>
        <label for="c-code">Code that it shows now</label
        ><BFormInput id="c-code" v-model="code" autocomplete="one-time-code" inputmode="numeric" required />
      </div>
      <RefusedNote :refused="confirming.refused.value" />
      <BButton type="submit" variant="primary" :disabled="confirming.busy.value">Ask for codes from now on</BButton>
    </form>
    <details v-else>
      <summary class="s fw-semibold">Set codes up</summary>
      <p class="s text-body-secondary">An app shows six digits, others every half minute.</p>
      <PresentPassword label="Begin" :work="begin" />
    </details>
  </section>
</template>

<style scoped>
svg {
  width: 190px;
  shape-rendering: crispedges;
}
.brk {
  word-break: break-all;
}
</style>
