<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import RefusedNote from '@/ui/RefusedNote.vue'

const router = useRouter()
const action = useAction()
const form = ref({ token: location.hash.slice(1), login: '', name: '', password: '' })

async function setUp(): Promise<void> {
  if (await action.run(() => api.post('/api/setup', { body: form.value }))) await router.push('/sign-in')
}
</script>

<template>
  <main class="door">
    <form class="sheet" @submit.prevent="setUp">
      <h1>The first manager</h1>
      <p class="text-body-secondary s">This link works once. The manager can add everybody else.</p>
      <div class="fields">
        <div>
          <label for="name">Name</label><BFormInput id="name" v-model="form.name" autocomplete="name" required />
        </div>
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
      </div>
    </form>
  </main>
</template>

<style scoped>
.door {
  min-height: 100vh;
  display: grid;
  place-items: center;
}
form {
  width: min(400px, 92vw);
  padding: 24px 26px 26px;
}
.fields {
  margin-top: 14px;
}
</style>
