<script setup lang="ts">
import { useAction } from '@/api/action'
import { upload } from '@/api/client'
import type { Closing } from '@/api/types'
import { dayAndTime, size } from '@/ui/format/format'
import HashSeam from '@/ui/instruments/HashSeam.vue'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{
  /** The case's number. */
  number: string
  /** What the customer signed, newest first. */
  papers: Closing['papers']
}>()
const emit = defineEmits<{ added: [] }>()
const adding = useAction()

async function add(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  if (!file) return
  const parts = { path: { number: props.number }, query: { name: file.name } }
  if (await adding.run(() => upload('/api/cases/{number}/closing/papers', parts, file))) emit('added')
  field.value = ''
}
</script>

<template>
  <div class="sheet papers">
    <p class="d-flex align-items-center gap-2 flex-wrap">
      <a class="link s" :href="`/api/cases/${number}/collection.pdf`" target="_blank" rel="noopener"
        >The paper to sign (PDF)</a
      >
      <span class="flex-fill" />
      <label class="btn btn-quiet"
        >Add it signed, as a PDF …<input
          type="file"
          class="visually-hidden"
          accept="application/pdf"
          :disabled="adding.busy.value"
          @change="add"
      /></label>
    </p>
    <RefusedNote :refused="adding.refused.value" />
    <ul v-if="papers.length">
      <li v-for="p in papers" :key="p.id">
        <HashSeam :hash="p.sha256" :width="90" :height="16" />
        <a class="link s" :href="`/api/cases/${number}/closing/papers/${p.id}`">{{ p.name }}</a>
        <span class="xs text-body-secondary">{{ size(p.bytes) }}, {{ p.who }}, {{ dayAndTime(p.at) }}</span>
      </li>
    </ul>
    <p v-else class="xs text-body-secondary">Nothing signed is on record yet.</p>
  </div>
</template>

<style scoped>
.papers {
  display: grid;
  gap: 6px;
  padding: 10px 12px;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
</style>
