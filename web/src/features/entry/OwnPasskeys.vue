<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { api } from '@/api/client'
import { makePasskey, passkeysHold } from '@/api/passkey'
import type { OwnAccount } from '@/api/types'
import { useSession } from '@/features/staff'
import { day } from '@/ui/format/format'
import PresentPassword from './PresentPassword.vue'

defineProps<{ /** How the person signs in. */ own: OwnAccount }>()
const emit = defineEmits<{ /** They sign in otherwise now. */ changed: [] }>()
const session = useSession()
const hold = passkeysHold(session.host)
const label = ref('')

async function add(old: string): Promise<void> {
  const { question } = await api.post('/api/staff/me/passkeys/question', { body: { old } })
  const answer = await makePasskey(question)
  await api.post('/api/staff/me/passkeys', { body: { label: label.value || 'A passkey', answer } })
  label.value = ''
  emit('changed')
}
async function end(id: string, old: string): Promise<void> {
  await api.post('/api/staff/me/passkeys/{id}/end', { path: { id }, body: { old } })
  emit('changed')
}
</script>

<template>
  <section aria-labelledby="h-passkeys">
    <div class="hd">
      <h2 id="h-passkeys">Passkeys</h2>
      <span class="text-body-secondary">in place of the password</span>
    </div>
    <p v-if="!own.passkeys.length" class="s text-body-secondary">None yet.</p>
    <ul>
      <li v-for="p in own.passkeys" :key="p.id">
        <p>
          {{ p.label }}
          <span class="xs text-body-secondary">made {{ day(p.created) }}, last used {{ day(p.lastUsed) }}</span>
        </p>
        <details>
          <summary class="xs">Take away</summary>
          <PresentPassword :label="`Take ${p.label} away`" :work="(old) => end(p.id, old)" />
        </details>
      </li>
    </ul>
    <details v-if="hold">
      <summary class="s fw-semibold">Add a passkey</summary>
      <div class="fields name">
        <div>
          <label for="k-label">What to call it</label
          ><BFormInput id="k-label" v-model="label" maxlength="80" placeholder="Phone, key on the ring" />
        </div>
      </div>
      <PresentPassword label="Make it" :work="add" />
    </details>
    <p v-else class="xs text-body-secondary">
      Passkeys hold where the lab is called {{ session.host }}, and browsers call it otherwise here.
    </p>
  </section>
</template>

<style scoped>
.name {
  margin-bottom: 8px;
}
</style>
