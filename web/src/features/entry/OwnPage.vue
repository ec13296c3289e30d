<script setup lang="ts">
import { useLive } from '@/api/live'
import { useSession } from '@/features/staff'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import OwnCodes from './OwnCodes.vue'
import OwnPasskeys from './OwnPasskeys.vue'
import OwnPassword from './OwnPassword.vue'
import OwnRecord from './OwnRecord.vue'
import OwnSessions from './OwnSessions.vue'

const session = useSession()
const own = useLive(
  '/api/staff/me',
  () => ({}),
  () => false,
)

async function changed(): Promise<void> {
  await Promise.all([own.refresh(), session.reload()])
}
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>Your sign-in</h1>
      <p class="text-body-secondary">{{ session.person?.name }}, signed in as {{ session.person?.login }}</p>
    </div>
    <p v-if="session.lacking" class="warnbox" role="status">
      The lab wants more than a password of managers. Add a passkey, or codes, and everything opens.
    </p>
    <RefusedNote :refused="own.refused.value" />
    <ComingLines :of="own" :lines="8" />
    <div v-if="own.data.value" class="beside record">
      <div class="stack">
        <OwnPasskeys :own="own.data.value" @changed="changed" />
        <OwnCodes :own="own.data.value" @changed="changed" />
        <OwnPassword />
      </div>
      <div class="stack">
        <OwnSessions />
        <OwnRecord />
      </div>
    </div>
  </div>
</template>

<style scoped>
.warnbox {
  margin-bottom: 14px;
}
</style>
