<script setup lang="ts">
import type { Volume } from '@/api/types'
import { bytes, size } from '@/format/format'
import { columnOf } from './counts'

defineProps<{ volumes: Volume[]; /** Bytes of the medium. */ medium: number }>()
</script>

<template>
  <div v-if="volumes.length" class="strata" role="list" aria-label="Volumes by place">
    <div v-for="v in volumes" :key="v.index" role="listitem" class="volume" :class="v.state" :style="{ marginLeft: `${100 * columnOf(v, medium).left}%`, width: `${100 * columnOf(v, medium).width}%` }">
      <p class="b">{{ v.label || `volume ${v.index}` }}</p>
      <p class="s mu" :title="bytes(v.lengthBytes)">{{ v.fs.toUpperCase() }}, {{ v.state }}, {{ size(v.lengthBytes) }}</p>
      <p class="xs mu">clusters of {{ size(v.clusterBytes) }}; found by {{ v.foundBy }}</p>
    </div>
  </div>
  <p v-else class="empty">No volume that can be read. Content can still be found by carving.</p>
</template>

<style scoped>
.strata { border-top: 2px solid var(--line-2); padding-top: 6px; display: grid; gap: 6px; }
.volume { min-width: 200px; border: 1.5px solid var(--ink); border-top-width: 4px; background: var(--sheet); padding: 8px 10px; }
.volume.lost, .volume.earlier { border-style: dashed; border-top-width: 1.5px; background: var(--well); }
</style>
