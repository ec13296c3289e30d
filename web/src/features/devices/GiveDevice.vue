<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { offerUndo } from '@/api/undo'
import RefusedNote from '@/ui/RefusedNote.vue'
import { whichOf } from './hand'

const props = defineProps<{
  /** The case that it leaves. */
  number: string
  /** The device. */
  device: { id: number; position: number; slot?: number }
}>()
const emit = defineEmits<{ /** It belongs to the other case now. */ given: [] }>()

const to = ref('')
const reason = ref('')
const giving = useAction()

async function give(): Promise<void> {
  const { number, device } = props
  const other = to.value.trim().toUpperCase()
  const move = (from: string, into: string, why: string) =>
    api.post('/api/cases/{number}/devices/{id}/move', {
      path: { number: from, id: device.id },
      body: { to: into, reason: why },
    })
  if (!(await giving.run(() => move(number, other, reason.value)))) return
  offerUndo(`${number}: ${whichOf(device)} went to ${other}.`, () => move(other, number, 'It was given by mistake.'))
  emit('given')
}
</script>

<template>
  <form class="give" @submit.prevent="give">
    <p class="xs text-body-secondary">
      What was seen of it, its path, releases, photos and images go with it; what was said of the whole case stays here.
    </p>
    <div class="d-flex align-items-center gap-2">
      <BFormInput
        v-model="to"
        size="sm"
        class="to m"
        aria-label="Number of the other case"
        placeholder="BR-2612-0042"
      />
      <BFormInput
        v-model="reason"
        size="sm"
        aria-label="Why it comes to another case"
        placeholder="Why: it is another customer's"
      />
      <BButton
        type="submit"
        size="sm"
        class="btn-quiet text-nowrap"
        :disabled="giving.busy.value || !to.trim() || !reason.trim()"
        >Give it</BButton
      >
    </div>
    <RefusedNote :refused="giving.refused.value" />
  </form>
</template>

<style scoped>
.give {
  display: grid;
  gap: 4px;
  padding: 4px 0;
}
.to {
  max-width: 150px;
}
</style>
