<script setup lang="ts">
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Message, Outbox } from '@/api/types'
import { dayAndTime, words } from '@/ui/format/format'
import PageSteps from '@/ui/PageSteps.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { stateWords } from './words'

defineProps<{
  /** A page of messages, newest first, and whether a mail server is set. */
  outbox: Outbox
}>()
const emit = defineEmits<{
  /** A message was held back, or is to be tried again. */
  changed: []
  /** Another page is wanted. */
  go: [page: number]
}>()
const acting = useAction()
const open = ref<number>()
async function act(m: Message, what: 'cancel' | 'retry'): Promise<void> {
  if (await acting.run(() => api.post(`/api/outbox/{id}/${what}`, { path: { id: m.id } }))) emit('changed')
}
</script>

<template>
  <p v-if="!outbox.route" class="warnbox">
    <b>No mail server is set.</b> Messages wait here until the settings name one (BRANTEL_SMTP_HOST, see the README).
  </p>
  <RefusedNote :refused="acting.refused.value" />
  <table v-if="outbox.messages.items.length" class="rows">
    <thead>
      <tr>
        <th>message</th>
        <th>case</th>
        <th>to</th>
        <th>where it stands</th>
        <th></th>
      </tr>
    </thead>
    <tbody v-for="m in outbox.messages.items" :key="m.id">
      <tr>
        <td>
          <button
            type="button"
            class="linkish"
            :aria-expanded="open === m.id"
            @click="open = open === m.id ? undefined : m.id"
          >
            {{ m.subject }}</button><span class="xs text-body-secondary d"
            >{{ words(m.letter) }}, {{ dayAndTime(m.queuedAt) }}</span
          >
        </td>
        <td>
          <RouterLink class="m link" :to="`/cases/${m.caseNumber}/messages`">{{ m.caseNumber }}</RouterLink>
        </td>
        <td class="m xs">{{ m.recipient }}</td>
        <td :class="{ 'c-stop fw-semibold': m.state === 'failed', 'text-body-secondary': m.state === 'cancelled' }">
          {{ stateWords(m) }}<span v-if="m.trouble && m.state !== 'sent'" class="xs d c-warn">{{ m.trouble }}</span>
        </td>
        <td class="text-end text-nowrap">
          <button v-if="m.state === 'queued'" type="button" class="btn btn-quiet btn-sm" @click="act(m, 'cancel')">
            Hold back
          </button>
          <button v-if="m.state !== 'sent'" type="button" class="btn btn-quiet btn-sm" @click="act(m, 'retry')">
            {{ m.state === 'cancelled' ? 'Send after all' : 'Try now' }}
          </button>
        </td>
      </tr>
      <tr v-if="open === m.id">
        <td colspan="5">
          <pre class="body">{{ m.body }}</pre>
        </td>
      </tr>
    </tbody>
  </table>
  <p v-else class="empty">
    Nothing was written yet. Customers who agreed to e-mail are told when their case is logged, decided on, declined,
    and when their files are ready.
  </p>
  <PageSteps :of="outbox.messages" label="Pages of messages" @go="(page) => emit('go', page)" />
</template>

<style scoped>
.d {
  display: block;
}
.body {
  font: 400 13px/19px var(--sans);
  white-space: pre-wrap;
  margin: 0;
  padding: 10px 14px;
  background: var(--sheet);
  border: 1px solid var(--line);
}
</style>
