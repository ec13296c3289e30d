<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { watchDebounced } from '@vueuse/core'
import { ref } from 'vue'
import { api, Refused } from '@/api/client'
import { count } from '@/ui/format/format'

const props = defineProps<{ /** Whether the server refused it. */ wrong: boolean }>()
const text = defineModel<string>({ required: true })

const PAUSE_MS = 250
/** Every byte, or what is wrong with it. */
const note = ref('')
const isWrong = ref(false)

async function read(now: string): Promise<void> {
  if (!now.trim()) {
    note.value = ''
    isWrong.value = false
    return
  }
  try {
    const found = await api.get('/api/intake/capacity', { query: { text: now } })
    if (now !== text.value) return
    note.value = found.bytes ? `${count(found.bytes)} B` : ''
    isWrong.value = false
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    if (now !== text.value) return
    note.value = e.status === 400 ? e.message : ''
    isWrong.value = e.status === 400
  }
}
watchDebounced(text, read, { debounce: PAUSE_MS, immediate: true })
</script>

<template>
  <div>
    <label for="capacity">Capacity</label>
    <BFormInput
      id="capacity"
      v-model="text"
      placeholder="2 TB, 14.9 GiB"
      :state="props.wrong || isWrong ? false : null"
      :aria-invalid="props.wrong || isWrong"
      aria-describedby="capacity-bytes"
    />
    <p id="capacity-bytes" class="xs" :class="isWrong ? 'c-stop' : 'text-body-secondary m'">{{ note }}</p>
  </div>
</template>

<style scoped>
label {
  font-size: 12px;
  line-height: 16px;
  color: var(--ink-2);
}
p {
  line-height: 14px;
  font-size: 11px;
}
p.m {
  white-space: nowrap;
  letter-spacing: -0.04em;
}
</style>
