<script setup lang="ts">
import { useId } from 'vue'
import { gapWords, type Share } from './gaps'

defineProps<{
  /** Stretches that were never read. */
  unread: readonly Share[]
  /** How the rest is shown. */
  shape: string
}>()

const WIDTH = 300
const HEIGHT = 14
const id = useId()
</script>

<template>
  <figure class="gaps">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" preserveAspectRatio="none" role="img" aria-label="Where bytes are missing">
      <defs>
        <pattern :id="id" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--madder)" stroke-width="2" />
        </pattern>
      </defs>
      <rect x="0" y="0" :width="WIDTH" :height="HEIGHT" fill="var(--fill)" />
      <g v-for="u in unread" :key="u.from">
        <rect
          :x="u.from * WIDTH"
          y="0"
          :width="Math.max(2, (u.to - u.from) * WIDTH)"
          :height="HEIGHT"
          fill="var(--sheet)"
        />
        <rect
          :x="u.from * WIDTH"
          y="0"
          :width="Math.max(2, (u.to - u.from) * WIDTH)"
          :height="HEIGHT"
          :fill="`url(#${id})`"
        />
      </g>
    </svg>
    <figcaption class="xs text-body-secondary">{{ gapWords(unread, shape) }}</figcaption>
  </figure>
</template>

<style scoped>
.gaps {
  max-width: 300px;
  margin: 6px 0 2px;
}
.gaps svg {
  display: block;
  width: 100%;
  height: 14px;
  border: 1px solid var(--line-2);
}
</style>
