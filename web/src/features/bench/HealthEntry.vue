<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api, upload as send } from '@/api/client'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{ /** The case. */ number: string }>()
const emit = defineEmits<{ recorded: [] }>()

const FIELDS = [
  { field: 'celsius', label: 'Temperature, °C' },
  { field: 'powerOnHours', label: 'Power-on hours' },
  { field: 'reallocated', label: 'Reallocated sectors' },
  { field: 'pending', label: 'Pending sectors' },
  { field: 'uncorrectable', label: 'Uncorrectable sectors' },
  { field: 'percentUsed', label: 'Endurance used, %' },
] as const
const numbers = ref<Record<string, number | string>>({})
const kind = ref<'ata' | 'nvme'>('ata')
const acting = useAction()

async function byHand(): Promise<void> {
  const given = Object.fromEntries(Object.entries(numbers.value).filter(([, v]) => v !== '' && v !== null))
  if (await acting.run(() => api.post('/api/cases/{number}/health', { path: { number: props.number }, body: given })))
    emit('recorded')
}
async function upload(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (
    file &&
    (await acting.run(() =>
      send(
        '/api/cases/{number}/health/file',
        { path: { number: props.number }, query: { kind: kind.value } },
        new Blob([file], { type: 'application/octet-stream' }),
      ),
    ))
  )
    emit('recorded')
  input.value = ''
}
</script>

<template>
  <form class="entry" aria-label="A health reading" @submit.prevent="byHand">
    <div class="grid">
      <div v-for="f in FIELDS" :key="f.field">
        <label class="lab" :for="`hr-${f.field}`">{{ f.label }}</label><BFormInput
          :id="`hr-${f.field}`"
          v-model="numbers[f.field]"
          type="number"
          size="sm"
        />
      </div>
    </div>
    <p class="d-flex align-items-center flex-wrap gap-2">
      <BButton type="submit" variant="primary" size="sm" :disabled="acting.busy.value">Record it</BButton
      ><span class="flex-fill" />
      <label class="s"
        >or a saved
        <select v-model="kind" class="form-select form-select-sm pick" aria-label="Kind of file">
          <option value="ata">SMART sector, 512 or 1024 bytes</option>
          <option value="nvme">NVMe log page 02h</option>
        </select></label
      >
      <label class="btn btn-quiet btn-sm">Upload <input type="file" class="visually-hidden" @change="upload" /></label>
    </p>
    <RefusedNote :refused="acting.refused.value" />
  </form>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 8px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--sheet);
  padding: 8px 10px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  gap: 6px 8px;
}
.pick {
  display: inline-block;
  width: auto;
}
.btn:focus-within {
  outline: 2px solid var(--focus);
}
</style>
