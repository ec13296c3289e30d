<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import RefusedNote from '@/ui/RefusedNote.vue'
import DoorSheet from './DoorSheet.vue'

const action = useAction()
const form = ref({ token: location.hash.slice(1), password: '' })
const done = ref(false)

async function choose(): Promise<void> {
  done.value = await action.run(() => api.post('/api/session/new-password', { body: form.value }))
}
</script>

<template>
  <DoorSheet @enter="choose">
    <template #head><h1>A new password</h1></template>
    <template v-if="done">
      <p class="s c-ok" role="status">It is changed. All sessions that were open are over.</p>
      <RouterLink class="btn btn-primary" to="/sign-in">Sign in</RouterLink>
    </template>
    <template v-else>
      <p class="text-body-secondary s">This link works once, for a day.</p>
      <div>
        <label for="password">Password, at least 12 characters</label
        ><BFormInput
          id="password"
          v-model="form.password"
          type="password"
          autocomplete="new-password"
          autofocus
          required
        />
      </div>
      <RefusedNote :refused="action.refused.value" />
      <BButton type="submit" variant="primary" :disabled="action.busy.value">Change it</BButton>
    </template>
  </DoorSheet>
</template>
