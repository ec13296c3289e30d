<script setup lang="ts">
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { ScanView } from '@/api/types'
import { bytes, count, dayAndTime, shortHash, size } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { methodWords, scopeWords } from './counts'

defineProps<{ /** Oldest first. */ sessions: ScanView[]; /** Whether none is at work. */ idle: boolean }>()
const emit = defineEmits<{ started: [] }>()
const acting = useAction()

async function repeat(id: number): Promise<void> {
  if (await acting.run(() => api.post('/api/scans/{id}/repeat', { path: { id } }))) emit('started')
}
</script>

<template>
  <div class="list">
    <table class="rows">
      <thead>
        <tr>
          <th>session</th>
          <th>what it did</th>
          <th>image</th>
          <th>state</th>
          <th class="n">findings</th>
          <th class="n">added</th>
          <th class="n">shared</th>
          <th class="n">problems</th>
          <th>started</th>
          <th><span class="visually-hidden">what can be done</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in sessions" :key="s.id">
          <td class="m">{{ s.id }}</td>
          <td>
            {{ methodWords(s) }}, <span class="text-body-secondary">{{ scopeWords(s) }}</span>
          </td>
          <td class="m xs" :title="s.imageSha256 ?? `${bytes(s.readBytes)} had been read`">
            {{ s.imageSha256 ? shortHash(s.imageSha256) : size(s.readBytes) }}
          </td>
          <td>{{ s.state }}</td>
          <td class="n">{{ count(s.report?.findings ?? s.counts.findings) }}</td>
          <td class="n">+{{ count(s.added) }}</td>
          <td class="n">{{ count(s.shared) }}</td>
          <td class="n">{{ s.report?.problems.length ?? '–' }}</td>
          <td class="text-body-secondary s">{{ dayAndTime(s.startedAt) }}, {{ s.who }}</td>
          <td class="text-nowrap">
            <button
              v-if="idle && !s.importedFrom"
              type="button"
              class="linkish s"
              :aria-label="`Repeat session ${s.id}`"
              :disabled="acting.busy.value"
              @click="repeat(s.id)"
            >
              Repeat
            </button>
            <a
              v-if="s.report"
              class="link s"
              :href="`/api/scans/${s.id}/file`"
              :aria-label="`Take out session ${s.id} as a file`"
              download
              >Take out</a
            >
          </td>
        </tr>
      </tbody>
    </table>
    <RefusedNote :refused="acting.refused.value" />
  </div>
</template>

<style scoped>
.list {
  overflow-x: auto;
}
</style>
