<script setup lang="ts">
import type { Role } from '@/api/types'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import RefusedNote from '@/ui/RefusedNote.vue'
import { ROLES } from './words'

const emit = defineEmits<{ added: [] }>()
const EMPTY = { login: '', name: '', role: 'COORDINATOR' as Role, password: '' }
const form = ref({ ...EMPTY })
const adding = useAction()

async function add(): Promise<void> {
  if (await adding.run(() => api.post('/api/staff', { body: form.value }))) {
    form.value = { ...EMPTY }
    emit('added')
  }
}
</script>

<template>
  <details>
    <summary class="s fw-semibold">Add a person</summary>
    <form class="fields" @submit.prevent="add">
      <div><label for="p-name">Name</label><BFormInput id="p-name" v-model="form.name" autocomplete="off" /></div>
      <div>
        <label for="p-login">Sign-in name</label><BFormInput id="p-login" v-model="form.login" autocomplete="off" />
      </div>
      <div><label for="p-role">Role</label><BFormSelect id="p-role" v-model="form.role" :options="ROLES" /></div>
      <div>
        <label for="p-pass">First password, at least 12 characters</label
        ><BFormInput id="p-pass" v-model="form.password" type="password" autocomplete="new-password" />
      </div>
      <RefusedNote :refused="adding.refused.value" />
      <BButton type="submit" class="btn-quiet" :disabled="adding.busy.value">Add</BButton>
    </form>
  </details>
</template>
