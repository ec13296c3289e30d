<script setup lang="ts">
import { ref } from 'vue'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import MessageList from './MessageList.vue'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const page = ref(0)
const outbox = useLive(
  '/api/outbox',
  () => ({ query: { number: props.docket.number, page: page.value } }),
  (what, c) => what === 'mail' && c === props.docket.number,
)
</script>

<template>
  <div>
    <div class="hd">
      <h2>Messages</h2>
      <span class="text-body-secondary">{{
        docket.consent.mail
          ? 'the customer agreed to e-mail'
          : 'the customer did not agree to e-mail, so none is written'
      }}</span>
    </div>
    <RefusedNote :refused="outbox.refused.value" />
    <ComingLines :of="outbox" />
    <MessageList v-if="outbox.data.value" :outbox="outbox.data.value" @changed="outbox.refresh" @go="page = $event" />
  </div>
</template>
