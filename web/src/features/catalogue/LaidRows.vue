<script setup lang="ts">
import type { components } from '@/api/schema'
import { bytes, count, size } from '@/ui/format/format'
import FillGauge from '@/ui/instruments/FillGauge.vue'
import { asFound } from '@/ui/format/names'
import { changeWords } from './laid'

const props = defineProps<{
  /** A folder of the delivery as it would be. */ laid: components['schemas']['RecoveryLaidOutView']
}>()
const emit = defineEmits<{
  /** One of its folders, by its name. */
  open: [folder: string]
}>()
/** Of the longest bar, which stands for all there is. */
const WIDEST = 120
const shareOf = (part: number): number => (part ? Math.max(1, Math.round((WIDEST * part) / props.laid.sum.bytes)) : 0)
</script>

<template>
  <table class="rows">
    <thead>
      <tr>
        <th>name in the delivery</th>
        <th>where it stood</th>
        <th>changed</th>
        <th class="n">files</th>
        <th class="n">size</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="f in laid.folders" :key="`f ${f.name}`">
        <td>
          <button type="button" class="linkish folder" @click="emit('open', f.name)">{{ f.name }}/</button>
        </td>
        <td></td>
        <td class="s">{{ f.changed ? `${count(f.changed)} of them` : '' }}</td>
        <td class="n">{{ count(f.files) }}</td>
        <td class="n" :title="bytes(f.bytes)">
          <span class="share" aria-hidden="true" :style="{ width: `${shareOf(f.bytes)}px` }" />{{ size(f.bytes) }}
        </td>
      </tr>
      <tr v-for="f in laid.files" :key="f.line">
        <td>
          <span class="name"
            ><FillGauge :prognosis="f.prognosis" :share="f.prognosis === 'gapped' ? 0.7 : 1" />
            <b :class="{ changed: f.changes.length }">{{ f.name }}</b></span
          >
        </td>
        <td class="s text-body-secondary from">{{ asFound(f.from) }}</td>
        <td class="s">{{ f.changes.map(changeWords).join('; ') }}</td>
        <td></td>
        <td class="n" :title="bytes(f.size)">{{ size(f.size) }}</td>
      </tr>
    </tbody>
  </table>
  <p v-if="laid.more" class="s text-body-secondary more">
    and {{ count(laid.more) }} more files in this folder, by their names
  </p>
</template>

<style scoped>
th:first-child,
td:first-child {
  padding-left: 18px;
}
th:last-child,
td:last-child {
  padding-right: 18px;
}
.share {
  display: inline-block;
  height: 9px;
  margin-right: 8px;
  background: var(--ink);
}
.folder {
  font-weight: 650;
}
.name {
  display: flex;
  align-items: center;
  gap: 8px;
}
.name b {
  font-weight: 500;
  overflow-wrap: anywhere;
}
.name .changed {
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.from {
  max-width: 420px;
  overflow-wrap: anywhere;
}
.more {
  padding: 8px 18px;
}
</style>
