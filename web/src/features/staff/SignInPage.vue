<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import { passkeysHold } from '@/api/passkey'
import BrandMark from '@/ui/BrandMark.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import DoorSheet from './DoorSheet.vue'
import { useSession } from './session'

const session = useSession()
const router = useRouter()
const route = useRoute()
const action = useAction()
const login = ref('')
const password = ref('')
const code = ref('')
/** Asked for only of those who have what shows it, and once their password was right. */
const codeWanted = ref(false)
const passkeys = passkeysHold(session.host)

async function signIn(): Promise<void> {
  const given = codeWanted.value ? code.value : undefined
  if (await action.run(() => session.signIn(login.value, password.value, given))) return goOn()
  if (action.refused.value?.field !== 'code') return
  if (!codeWanted.value) action.clear()
  codeWanted.value = true
  code.value = ''
}
async function byPasskey(): Promise<void> {
  if (await action.run(session.signInByPasskey)) await goOn()
}
async function goOn(): Promise<void> {
  const to = typeof route.query.to === 'string' && /^\/(?!\/)/.test(route.query.to) ? route.query.to : '/desk'
  await router.push(to)
}
</script>

<template>
  <DoorSheet @enter="signIn">
    <template #head>
      <p class="d-flex align-items-center gap-2 brand"><BrandMark /> Brantel</p>
      <h1>{{ session.lab }}</h1>
    </template>
    <div>
      <label for="login">Sign-in name</label
      ><BFormInput id="login" v-model="login" autocomplete="username" autofocus required />
    </div>
    <div>
      <label for="password">Password</label
      ><BFormInput id="password" v-model="password" type="password" autocomplete="current-password" required />
    </div>
    <div v-if="codeWanted">
      <label for="code">Code that your device shows now, or a spare one</label
      ><BFormInput id="code" v-model="code" autocomplete="one-time-code" inputmode="text" autofocus required />
    </div>
    <RefusedNote :refused="action.refused.value" />
    <BButton type="submit" variant="primary" :disabled="action.busy.value">Sign in</BButton>
    <BButton v-if="passkeys" class="btn-quiet" :disabled="action.busy.value" @click="byPasskey"
      >Sign in with a passkey</BButton
    >
  </DoorSheet>
</template>

<style scoped>
.brand {
  width: auto;
}
</style>
