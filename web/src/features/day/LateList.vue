<script setup lang="ts">
import type { LateCase } from '@/api/types'
import { useNow } from '@/ui/instruments/now'
import { lateWords } from './day'

defineProps<{ /** The longest first. */ late: readonly LateCase[] }>()
const now = useNow()
</script>

<template>
  <section aria-labelledby="h-late">
    <div class="hd">
      <h2 id="h-late">Late</h2>
      <span class="text-body-secondary">{{ late.length ? `${late.length}, the longest first` : '' }}</span>
    </div>
    <ul v-if="late.length" class="list">
      <li v-for="l in late" :key="l.of.number">
        <RouterLink class="m link" :to="`/cases/${l.of.number}`">{{ l.of.number }}</RouterLink>
        <b class="text-truncate">{{ l.of.customer }}</b>
        <span class="text-body-secondary text-nowrap">{{ l.of.owner.name }}</span>
        <span class="why s">{{ lateWords(l, now) }}</span>
      </li>
    </ul>
    <p v-else class="empty">Nothing is late: no clock has run out, and no files were needed before today.</p>
  </section>
</template>

<style scoped>
.list {
  max-height: 288px;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 0 10px;
  padding: 5px 0 5px 8px;
  border-bottom: 1px solid var(--line);
  border-left: 4px solid var(--ochre);
}
.why {
  grid-column: 1 / -1;
  color: var(--ochre-d);
}
</style>
