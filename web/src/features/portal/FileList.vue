<script setup lang="ts">
import { Download } from 'lucide-vue-next'
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { PortalFile } from '@/api/types'
import { asFound } from '@/ui/format/names'
import { bytes, count, size } from '@/ui/format/format'
import FillGauge from '@/ui/instruments/FillGauge.vue'
import { placeWords } from './places'

const props = defineProps<{
  /** Of the link that was opened. */
  token: string
  /** Of the delivery. */
  files: PortalFile[]
}>()
const FIRST = 12
const all = ref(false)
const printing = ref(false)
// Paper cannot be asked for more.
useEventListener(window, 'beforeprint', () => (printing.value = true))
useEventListener(window, 'afterprint', () => (printing.value = false))
const lost = computed(() => props.files.filter((f) => !f.path))
const shown = computed(() => (all.value || printing.value ? props.files : props.files.slice(0, FIRST)))
const WORDS: Record<string, string> = {
  whole: 'whole',
  gapped: 'with gaps',
  doubtful: 'may be damaged',
  'not-delivered': 'not delivered',
}
</script>

<template>
  <section aria-labelledby="h-files">
    <h2 id="h-files" class="h">Your files</h2>
    <p v-if="lost.length" class="s">
      {{ lost.length === 1 ? 'One file' : `${count(lost.length)} files` }} that we chose for you could not be brought
      back. {{ lost.length === 1 ? 'It stands' : 'They stand' }} in the list with the reason. Your device stays as it
      came: nothing was written to it.
    </p>
    <table class="rows files">
      <thead>
        <tr>
          <th>file</th>
          <th>state</th>
          <th class="n">size</th>
          <th><span class="visually-hidden">download</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(f, i) in shown" :key="i">
          <td class="path">
            {{ asFound(f.path ? placeWords(f.path) : f.name)
            }}<span v-if="f.why" class="s text-body-secondary d">{{ f.why }}</span>
          </td>
          <td class="text-nowrap">
            <span class="d-flex align-items-center gap-2"
              ><FillGauge :prognosis="f.delivered" :share="f.size ? 1 - f.gapBytes / f.size : 1" />
              {{ WORDS[f.delivered] ?? f.delivered }}</span
            >
          </td>
          <td class="n" :title="bytes(f.size)">{{ size(f.size) }}</td>
          <td class="text-end one">
            <a
              v-if="f.path"
              class="link"
              :href="`/api/portal/${token}/files/${f.number}`"
              :download="f.name"
              :aria-label="`Download ${f.name}`"
              ><Download class="ic" aria-hidden="true" /> Download</a
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="!all && !printing && files.length > FIRST" class="more">
      <button type="button" class="linkish" @click="all = true">Show all {{ count(files.length) }} files</button>
    </p>
  </section>
</template>

<style scoped>
.h {
  font-size: 19px;
  line-height: 24px;
  font-weight: 700;
  margin-bottom: 6px;
}
.files {
  font-size: 15px;
}
.path {
  overflow-wrap: anywhere;
}
.d {
  display: block;
}
.more {
  margin-top: 8px;
}
@media print {
  .one a {
    display: none;
  }
}
@media screen and (width <= 700px) {
  .files thead {
    display: none;
  }
  .files tr {
    display: grid;
    grid-template-columns: 1fr auto auto;
    border-bottom: 1px solid var(--line);
  }
  .files td {
    border: 0;
  }
  .files td.path {
    grid-column: 1 / -1;
    padding-bottom: 0;
  }
}
</style>
