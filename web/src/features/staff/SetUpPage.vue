<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import RefusedNote from '@/ui/RefusedNote.vue'
import DoorSheet from './DoorSheet.vue'

const router = useRouter()
const action = useAction()
const form = ref({ token: location.hash.slice(1), login: '', name: '', password: '' })

async function setUp(): Promise<void> {
  if (await action.run(() => api.post('/api/setup', { body: form.value }))) await router.push('/sign-in')
}
</script>

<template>
  <DoorSheet @enter="setUp">
    <template #head>
      <h1>The first manager</h1>
      <p class="text-body-secondary s">This link works once. The manager can add everybody else.</p>
    </template>
    <div><label for="name">Name</label><BFormInput id="name" v-model="form.name" autocomplete="name" required /></div>
    <div>
      <label for="login">Sign-in name</label
      ><BFormInput id="login" v-model="form.login" autocomplete="username" required />
    </div>
    <div>
      <label for="password">Password, at least 12 characters</label
      ><BFormInput id="password" v-model="form.password" type="password" autocomplete="new-password" required />
    </div>
    <RefusedNote :refused="action.refused.value" />
    <BButton type="submit" variant="primary" :disabled="action.busy.value">Set up the lab</BButton>
  </DoorSheet>
</template>
