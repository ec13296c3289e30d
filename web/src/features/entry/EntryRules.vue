<script setup lang="ts">
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import RefusedNote from '@/ui/RefusedNote.vue'

const saving = useAction()
const settings = useLive(
  '/api/settings',
  () => ({}),
  () => false,
)

async function save(event: Event): Promise<void> {
  const managersNeedTwo = (event.target as HTMLInputElement).checked
  await saving.run(() => api.put('/api/settings/entry', { body: { managersNeedTwo } }))
  await settings.refresh()
}
</script>

<template>
  <section v-if="settings.data.value" aria-labelledby="h-rules">
    <div class="hd"><h2 id="h-rules">Signing in</h2></div>
    <label class="s"
      ><input
        type="checkbox"
        class="form-check-input"
        :checked="settings.data.value.entry.managersNeedTwo"
        :disabled="saving.busy.value"
        @change="save"
      />
      Managers sign in with a passkey, or with a code beside the password</label
    >
    <p class="xs text-body-secondary">Who has neither yet is led to get one, and does nothing else before.</p>
    <RefusedNote :refused="saving.refused.value" />
  </section>
</template>
