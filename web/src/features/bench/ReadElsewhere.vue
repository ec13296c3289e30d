<script setup lang="ts">
import type { ImagingView } from '@/api/types'
import { dayAndTime } from '@/ui/format/format'
import ReadRibbon from '@/ui/instruments/ReadRibbon.vue'
import { elsewhereWords } from './progress'

defineProps<{ /** Sessions that other labs did, newest first. */ sessions: ImagingView[] }>()
</script>

<template>
  <section aria-labelledby="h-elsewhere" class="stack">
    <div class="hd">
      <h2 id="h-elsewhere">Read in another lab</h2>
      <span class="text-body-secondary">the images are there; here is what their maps say</span>
    </div>
    <div v-for="s in sessions" :key="s.id" class="stack">
      <p class="s">
        <RouterLink class="link" :to="`/imaging/${s.id}/report`">Session {{ s.id }}</RouterLink>
        {{ elsewhereWords(s) }}
        <span class="text-body-secondary">{{ dayAndTime(s.startedAt) }} by {{ s.who }}</span>
      </p>
      <ReadRibbon :cells="s.cells" :rates="s.rates" :bytes="s.size" />
    </div>
  </section>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 6px;
}
</style>
