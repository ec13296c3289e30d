<script setup lang="ts">
import { ref } from 'vue'
import { useLive } from '@/api/live'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import MessageList from './MessageList.vue'

const page = ref(0)
const outbox = useLive(
  '/api/outbox',
  () => ({ query: { page: page.value } }),
  (what) => what === 'mail',
)
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>Outbox</h1>
      <p class="text-body-secondary">
        what customers are told by e-mail, where they agreed; the texts stand in
        <RouterLink class="link" to="/settings">Settings</RouterLink>
      </p>
    </div>
    <RefusedNote :refused="outbox.refused.value" />
    <ComingLines :of="outbox" :lines="5" />
    <MessageList v-if="outbox.data.value" :outbox="outbox.data.value" @changed="outbox.refresh" @go="page = $event" />
  </div>
</template>
