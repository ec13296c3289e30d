<script setup lang="ts">
import { computed } from 'vue'
import type { PastEnded } from '@/api/types'
import { count } from '@/ui/format/format'
import { FILL, HOW, pieces } from '@/ui/instruments/endings'

const props = defineProps<{ /** Of all cases; ways that none took are left out. */ how: readonly PastEnded[] }>()
const all = computed(() => pieces(props.how))
</script>

<template>
  <ul class="key">
    <li v-for="p in all" :key="p.how" class="s">
      <svg width="14" height="14" aria-hidden="true">
        <rect x="1" y="1" width="12" height="12" :fill="FILL[p.how]" stroke="var(--ink)" />
      </svg>
      <b class="m">{{ count(p.cases) }}</b> {{ HOW[p.how] }}
    </li>
  </ul>
</template>

<style scoped>
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.key li {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
