<script setup lang="ts">
import { computed } from 'vue'
import { ticks } from './seam'

const props = withDefaults(
  defineProps<{
    /** In hexadecimal digits; each draws one stitch. */
    hash: string
    /** Its teeth hang from above: the upper side of a seam. */
    hanging?: boolean
    /** The two sides do not meet. */
    broken?: boolean
    /** In pixels. */
    width?: number
    /** In pixels. */
    height?: number
  }>(),
  {
    hanging: false,
    broken: false,
    width: 148,
    height: 15,
  },
)
const bars = computed(() => ticks(props.hash))
const pitch = computed(() => props.width / Math.max(1, bars.value.length))
</script>

<template>
  <svg :width="width" :height="height" aria-hidden="true">
    <rect
      v-for="(b, i) in bars"
      :key="i"
      :x="i * pitch"
      :y="hanging ? 0 : height * (1 - b)"
      :width="pitch * 0.5"
      :height="height * b"
      :fill="broken ? 'var(--madder)' : 'var(--ink)'"
    />
  </svg>
</template>
