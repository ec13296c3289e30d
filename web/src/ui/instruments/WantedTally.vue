<script setup lang="ts">
import { computed } from 'vue'
import { notchesFor, tallyWords } from './tally'

const props = withDefaults(
  defineProps<{
    /** Files that fit and are whole. */
    whole: number
    /** Files that fit, with gaps or in doubt. */
    gapped: number
    /** Of which nobody can say whether they are meant. */
    may?: number
    /** Files that were hoped for beyond those. */
    missing: number
    /** In pixels. */
    height?: number
    /** Notches that there is room for. */
    most?: number
  }>(),
  { may: 0, height: 16, most: 40 },
)

const parts = computed(() => ({ whole: props.whole, gapped: props.gapped, may: props.may, missing: props.missing }))
const tally = computed(() => notchesFor(parts.value, props.most))
const x = (i: number) => 1 + i * 6 + Math.floor(i / 10) * 3
const width = computed(() => (tally.value.notches.length ? x(tally.value.notches.length - 1) + 5.5 : 12))
const tall = computed(() => props.height - 3)
</script>

<template>
  <span class="tally">
    <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="tallyWords(parts)">
      <template v-for="(n, i) in tally.notches" :key="i">
        <rect v-if="n === 'whole'" :x="x(i)" y="1" width="3.5" :height="tall" fill="var(--ink)" />
        <template v-else-if="n === 'gapped'">
          <rect :x="x(i)" y="1" width="3.5" :height="tall * 0.38" fill="var(--ink)" />
          <rect :x="x(i)" :y="1 + tall * 0.62" width="3.5" :height="tall * 0.38" fill="var(--ink)" />
        </template>
        <rect
          v-else-if="n === 'may'"
          :x="x(i) + 0.5"
          y="1.5"
          width="2.5"
          :height="tall - 1"
          fill="none"
          stroke="var(--ink)"
          stroke-dasharray="2 1.6"
        />
        <rect v-else :x="x(i) + 0.5" :y="height - 7" width="2.5" height="4.5" fill="none" stroke="var(--ink-2)" />
      </template>
      <line x1="0" :x2="width" :y1="height - 0.75" :y2="height - 0.75" stroke="var(--ink-2)" stroke-width="1.5" />
    </svg>
    <span v-if="tally.worth > 1" class="xs text-body-secondary text-nowrap">a notch is {{ tally.worth }}</span>
  </span>
</template>

<style scoped>
.tally {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 6px;
  align-items: center;
  max-width: 100%;
  min-width: 0;
}
.tally svg {
  max-width: 100%;
  flex: none;
}
</style>
