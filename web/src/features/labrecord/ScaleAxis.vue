<script setup lang="ts">
defineProps<{
  /** What stands below a scale, each at a part of its width, 0 to 1. */ marks: { at: number; label: string }[]
}>()
</script>

<template>
  <p class="axis xs text-body-secondary" aria-hidden="true">
    <span
      v-for="m in marks"
      :key="m.label"
      :class="{ start: m.at < 0.02, end: m.at > 0.98 }"
      :style="{ left: `${100 * m.at}%` }"
      >{{ m.label }}</span
    >
  </p>
</template>

<style scoped>
.axis {
  position: relative;
  height: 16px;
  margin-left: 100px;
}
.axis span {
  position: absolute;
  transform: translateX(-50%);
  white-space: nowrap;
}

/* The ends stay within. */
.axis .start {
  transform: none;
}
.axis .end {
  transform: translateX(-100%);
}

/* There every other one has room. */
@media (width <= 600px) {
  .axis span:nth-child(even) {
    display: none;
  }
}
</style>
