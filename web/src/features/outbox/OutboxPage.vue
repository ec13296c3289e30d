<script setup lang="ts">
import { useLive } from '@/api/live'
import RefusedNote from '@/ui/RefusedNote.vue'
import MessageList from './MessageList.vue'

const outbox = useLive(
  '/api/outbox',
  () => ({}),
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
    <MessageList
      v-if="outbox.data.value"
      :messages="outbox.data.value.messages"
      :route="outbox.data.value.route"
      @changed="outbox.refresh"
    />
  </div>
</template>
