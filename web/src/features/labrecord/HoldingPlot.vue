<script setup lang="ts">
import type { LabRecord } from '@/api/types'
import { words } from '@/ui/format/format'
import { holdingWords, onScale } from './labRecord'
import ScaleAxis from './ScaleAxis.vue'

defineProps<{ /** How estimates of each work held. */ foretold: LabRecord['past']['foretold'] }>()
const LOW = 1 / 16
const HIGH = 16
const MARKS = [
  { ratio: LOW, label: '1/16' },
  { ratio: 0.25, label: 'a quarter' },
  { ratio: 1, label: 'as foretold' },
  { ratio: 4, label: '4 times' },
  { ratio: HIGH, label: '16 times' },
]
const at = (ratio: number) => `${100 * onScale(ratio, LOW, HIGH)}%`
</script>

<template>
  <section aria-labelledby="h-held">
    <div class="hd">
      <h2 id="h-held">Did estimates hold</h2>
      <span class="text-body-secondary xs">a line for each case: what it took, by the middle of what was foretold</span>
    </div>
    <template v-if="foretold.length">
      <div v-for="h in foretold" :key="h.work" class="held">
        <b class="s">{{ words(h.work) }}</b>
        <svg aria-hidden="true">
          <line x1="0" x2="100%" y1="17" y2="17" stroke="var(--line-2)" />
          <line :x1="at(1)" :x2="at(1)" y1="0" y2="18" stroke="var(--verd)" stroke-width="2" />
          <line v-for="(r, i) in h.ratios" :key="i" :x1="at(r)" :x2="at(r)" y1="5" y2="17" stroke="var(--ink)" />
        </svg>
        <span class="xs text-body-secondary">{{ holdingWords(h) }}</span>
      </div>
      <ScaleAxis :marks="MARKS.map((m) => ({ at: onScale(m.ratio, LOW, HIGH), label: m.label }))" />
    </template>
    <p v-else class="empty">
      Nothing can be compared: an estimate counts when it was kept with the one decision of a case, and the work was
      done.
    </p>
    <p class="xs text-body-secondary">
      Hours of people and money are foretold as well; what came of these is not on record.
    </p>
  </section>
</template>

<style scoped>
.held {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr);
  gap: 0 10px;
  padding: 3px 0;
  align-items: center;
}
.held svg {
  width: 100%;
  height: 18px;
}
.held span {
  grid-column: 2;
}
</style>
