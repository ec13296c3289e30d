<script setup lang="ts">
import { computed } from 'vue'
import type { Estimate } from '@/api/types'
import { bandOf, hoursBand, moneyBand } from './estimate'

const props = defineProps<{
  /** Time, price and chance, as bands. */
  estimate: Estimate
  /** The path's name. */
  label: string
}>()
const parts = computed(() =>
  [
    { name: 'Imaging', words: bandOf(props.estimate.imaging), why: props.estimate.imaging?.reasons ?? [] },
    { name: 'Scanning', words: bandOf(props.estimate.scanning), why: props.estimate.scanning?.reasons ?? [] },
    { name: 'Work', words: hoursBand(props.estimate.effort), why: props.estimate.effort.reasons },
    {
      name: 'Quote',
      words: moneyBand(props.estimate.quote, props.estimate.currency),
      why: props.estimate.quote.reasons,
    },
    { name: 'Chance', words: props.estimate.chance, why: props.estimate.chanceRestsOn },
  ].filter((p) => p.words),
)
</script>

<template>
  <section class="estimate" :aria-label="`Estimate for ${label}`">
    <p class="s">
      <b>If {{ label.toLowerCase() }}</b> <span class="text-body-secondary">open a figure for what it rests on</span>
    </p>
    <div class="parts">
      <details v-for="p in parts" :key="p.name">
        <summary>
          <span class="xs text-body-secondary">{{ p.name }}</span><b
            :class="{ 'c-stop': p.words === 'none' || p.words === 'poor' }"
            >{{ p.words }}</b
          >
        </summary>
        <ul class="xs">
          <li v-for="r in p.why" :key="r">{{ r }}</li>
        </ul>
      </details>
    </div>
  </section>
</template>

<style scoped>
.estimate {
  border-top: 1px solid var(--line);
  padding-top: 7px;
}
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  padding-top: 3px;
  align-items: start;
}
summary {
  list-style: none;
  cursor: pointer;
  border-bottom: 1px dotted var(--edge);
}
summary::-webkit-details-marker {
  display: none;
}
summary span {
  display: block;
}
summary b {
  font: 600 14px/19px var(--sans);
  white-space: nowrap;
}
details[open] {
  max-width: 240px;
}
details ul {
  padding: 4px 0 0 10px;
  list-style: disc;
}
</style>
