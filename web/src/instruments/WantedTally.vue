<script setup lang="ts">
import { computed } from 'vue'
import { notchesFor, tallyWords } from './tally'

const props = withDefaults(defineProps<{ whole: number; gapped: number; missing: number; height?: number }>(), { height: 16 })

const tally = computed(() => notchesFor(props.whole, props.gapped, props.missing))
const x = (i: number) => 1 + i * 6 + Math.floor(i / 10) * 3
const width = computed(() => (tally.value.notches.length ? x(tally.value.notches.length - 1) + 5.5 : 12))
const tall = computed(() => props.height - 3)
</script>

<template>
  <span class="f g6">
    <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="tallyWords(whole, gapped, missing)">
      <template v-for="(n, i) in tally.notches" :key="i">
        <rect v-if="n === 'whole'" :x="x(i)" y="1" width="3.5" :height="tall" fill="var(--ink)" />
        <template v-else-if="n === 'gapped'">
          <rect :x="x(i)" y="1" width="3.5" :height="tall * 0.38" fill="var(--ink)" />
          <rect :x="x(i)" :y="1 + tall * 0.62" width="3.5" :height="tall * 0.38" fill="var(--ink)" />
        </template>
        <rect v-else :x="x(i) + 0.5" :y="height - 7" width="2.5" height="4.5" fill="none" stroke="var(--ink-2)" />
      </template>
      <line x1="0" :x2="width" :y1="height - 0.75" :y2="height - 0.75" stroke="var(--ink-2)" stroke-width="1.5" />
    </svg>
    <span v-if="tally.worth > 1" class="xs mu nw">a notch is {{ tally.worth }}</span>
  </span>
</template>
