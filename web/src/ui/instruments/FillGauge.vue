<script setup lang="ts">
import { computed } from 'vue'

export type Prognosis = 'whole' | 'gapped' | 'doubtful' | 'overwritten'

const props = withDefaults(
  defineProps<{
    /** The word it stands for; always shown beside it too. */
    prognosis: string
    /** Share of the bytes that are there, 0 to 1. */
    share?: number
    /** Share of those that a check covers, 0 to 1; what it does not cover is pale. */
    proven?: number
    /** In pixels. */
    height?: number
  }>(),
  { share: 1, proven: 1, height: 20 },
)

const W = 12
const bottom = computed(() => props.height - 1.5)
const fill = computed(() => (bottom.value - 2.5) * Math.min(1, Math.max(0, props.share)))
const y = computed(() => bottom.value - 1 - fill.value)
const sure = computed(() => fill.value * Math.min(1, Math.max(0, props.proven)))
const slits = computed(() => {
  const n = props.share > 0.9 ? 1 : props.share > 0.6 ? 2 : 3
  return Array.from({ length: n }, (_, i) => bottom.value - 1 - (fill.value * (i + 1)) / (n + 1))
})
</script>

<template>
  <svg :width="W" :height="height" :viewBox="`0 0 ${W} ${height}`" aria-hidden="true" class="gauge">
    <path
      :d="`M.75 .5V${height - 3}a2 2 0 0 0 2 2H${W - 2.75}a2 2 0 0 0 2-2V.5`"
      fill="none"
      stroke="var(--ink-2)"
      stroke-width="1.5"
    />
    <template v-if="prognosis === 'whole' || prognosis === 'gapped'">
      <rect x="2.5" :y="y" :width="W - 5" :height="fill" class="there" fill="var(--fill)" />
      <rect
        v-if="sure > 0"
        x="2.5"
        :y="bottom - 1 - sure"
        :width="W - 5"
        :height="sure"
        class="sure"
        fill="var(--fill)"
      />
    </template>
    <template v-if="prognosis === 'gapped'">
      <rect v-for="s in slits" :key="s" x="2" :y="s - 1" :width="W - 4" height="2" fill="var(--sheet)" />
    </template>
    <rect v-if="prognosis === 'doubtful'" x="2.5" :y="y" :width="W - 5" :height="fill" fill="url(#p-dots)" />
    <line
      v-if="prognosis === 'overwritten' || prognosis === 'not-delivered'"
      x1="-1"
      :x2="W + 1"
      :y1="height / 2"
      :y2="height / 2"
      stroke="var(--madder)"
      stroke-width="2"
    />
  </svg>
</template>

<style scoped>
.gauge {
  flex: none;
}
.there {
  opacity: 0.4;
}
</style>
