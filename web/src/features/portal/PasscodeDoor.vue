<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import BrandMark from '@/ui/BrandMark.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import LabPhone from './LabPhone.vue'

const props = defineProps<{ /** Of the link that is to be opened. */ token: string }>()
const emit = defineEmits<{ opened: [] }>()
const passcode = ref('')
const opening = useAction()

async function open(): Promise<void> {
  if (
    await opening.run(() =>
      api.post('/api/portal/{token}/open', { path: { token: props.token }, body: { passcode: passcode.value } }),
    )
  )
    emit('opened')
}
</script>

<template>
  <main class="door">
    <form class="sheet" @submit.prevent="open">
      <p class="d-flex align-items-center gap-2 fw-semibold"><BrandMark /> Brantel</p>
      <h1>Your files are ready</h1>
      <p>The lab gave you an eight-digit passcode apart from this link. It opens your files, and nobody else’s.</p>
      <label for="passcode" class="lab">Passcode</label>
      <BFormInput
        id="passcode"
        v-model="passcode"
        class="m code"
        inputmode="numeric"
        autocomplete="one-time-code"
        placeholder="0000-0000"
        autofocus
      />
      <RefusedNote :refused="opening.refused.value" />
      <BButton type="submit" size="lg" variant="primary" :disabled="opening.busy.value || !passcode.trim()"
        >Open</BButton
      >
      <LabPhone :token="token" />
    </form>
  </main>
</template>

<style scoped>
.door {
  min-height: 100vh;
  display: grid;
  place-items: center;
  font-size: 16px;
  line-height: 24px;
}
form {
  width: min(420px, 92vw);
  padding: 26px 28px 28px;
  display: grid;
  gap: 10px;
}
.code {
  font-size: 20px;
  line-height: 28px;
  letter-spacing: 0.04em;
}
</style>
