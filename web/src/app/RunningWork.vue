<script setup lang="ts">
import type { Work } from '@/api/types'

defineProps<{ /** Work of all cases; nothing is said before it is known. */ work: Work[] | undefined }>()
</script>

<template>
  <div class="running" aria-live="off">
    <span class="bars" aria-hidden="true"
      ><i v-for="w in work?.slice(0, 3)" :key="w.caseNumber + w.what"><b :style="{ width: `${100 * w.share}%` }" /></i
    ></span>
    <RouterLink v-if="work?.[0]" :to="`/cases/${work[0].caseNumber}/${work[0].place}`"
      >{{ work.length }} under way</RouterLink
    >
    <span v-else-if="work" class="text-body-secondary">nothing running</span>
  </div>
</template>

<style scoped>
.bars {
  display: grid;
  gap: 3px;
}
.bars i {
  display: block;
  width: 60px;
  height: 5px;
  border: 1px solid var(--line-2);
  background: var(--paper);
}
.bars b {
  display: block;
  height: 100%;
  background: var(--verd);
}
</style>
