<script setup lang="ts">
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Carved, ScanView } from '@/api/types'
import { bytes, count, dayAndTime, shortHash, size } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { methodWords, scopeWords } from './counts'
import { alreadyWords, didAlready } from './repeat'

const props = defineProps<{
  /** Oldest first. */
  sessions: ScanView[]
  /** Whether none is at work. */
  idle: boolean
  /** The image that would be scanned again. */
  image?: Carved
}>()
const emit = defineEmits<{ started: [] }>()
const acting = useAction()

/** The session whose repeating can add nothing, until a person says to repeat it all the same. */
const doubted = ref<number>()
const already = (s: ScanView) =>
  s.method ? alreadyWords(didAlready({ ...s, method: s.method }, props.sessions, props.image)) : ''

function wanted(s: ScanView): void {
  if (already(s) && doubted.value !== s.id) doubted.value = s.id
  else void repeat(s.id)
}
async function repeat(id: number): Promise<void> {
  doubted.value = undefined
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
              @click="wanted(s)"
            >
              {{ doubted === s.id ? 'Repeat all the same' : 'Repeat' }}
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
    <p v-if="doubted" class="s c-warn" role="status">{{ already(sessions.find((s) => s.id === doubted)!) }}</p>
    <RefusedNote :refused="acting.refused.value" />
  </div>
</template>

<style scoped>
.list {
  overflow-x: auto;
}
</style>
