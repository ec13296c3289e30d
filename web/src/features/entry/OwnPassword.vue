<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import RefusedNote from '@/ui/RefusedNote.vue'

const form = ref({ old: '', password: '' })
const done = ref(false)
const changing = useAction()

async function change(): Promise<void> {
  done.value = await changing.run(() => api.put('/api/staff/me/password', { body: form.value }))
  if (done.value) form.value = { old: '', password: '' }
}
</script>

<template>
  <section aria-labelledby="h-password">
    <div class="hd"><h2 id="h-password">Password</h2></div>
    <form class="fields" @submit.prevent="change">
      <div>
        <label for="w-old">Present password</label
        ><BFormInput id="w-old" v-model="form.old" type="password" autocomplete="current-password" />
      </div>
      <div>
        <label for="w-new">New password, at least 12 characters</label
        ><BFormInput id="w-new" v-model="form.password" type="password" autocomplete="new-password" />
      </div>
      <RefusedNote :refused="changing.refused.value" />
      <p v-if="done" class="s c-ok" role="status">Changed; your other sessions are over.</p>
      <BButton type="submit" class="btn-quiet" :disabled="changing.busy.value">Change</BButton>
    </form>
  </section>
</template>
