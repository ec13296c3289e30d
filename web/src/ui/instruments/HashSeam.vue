<script setup lang="ts">
import { computed } from 'vue'
import { ticks } from './seam'

const props = withDefaults(
  defineProps<{ hash: string; hanging?: boolean; broken?: boolean; width?: number; height?: number }>(),
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
