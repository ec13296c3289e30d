<script setup lang="ts">
import type { Packing } from '@/api/types'
import { bytes, dateAndTime, shortHash, size } from '@/ui/format/format'
import { packingWords } from './labs'

defineProps<{ /** Newest first. */ packings: Packing[] }>()
</script>

<template>
  <div class="list">
    <table class="rows" aria-label="Packed for other labs">
      <thead>
        <tr>
          <th>for</th>
          <th>why</th>
          <th>state</th>
          <th class="n">size</th>
          <th>SHA-256</th>
          <th>asked</th>
          <th><span class="visually-hidden">what can be done</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="p in packings" :key="p.id">
          <td>{{ p.forLab }}</td>
          <td class="s">{{ p.why }}</td>
          <td class="s" :class="{ 'c-stop': p.state === 'failed' }">{{ packingWords(p) }}</td>
          <td class="n" :title="p.sha256 && bytes(p.bytes)">{{ p.sha256 ? size(p.bytes) : '' }}</td>
          <td class="m xs" :title="p.sha256">{{ p.sha256 ? shortHash(p.sha256) : '' }}</td>
          <td class="s text-body-secondary">{{ dateAndTime(p.startedAt) }} by {{ p.who }}</td>
          <td>
            <a
              v-if="p.state === 'done'"
              class="link s text-nowrap"
              :href="`/api/packings/${p.id}/file`"
              :aria-label="`Take out what was packed for ${p.forLab}`"
              download
              >Take out</a
            >
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.list {
  overflow-x: auto;
}
</style>
