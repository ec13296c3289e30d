<script setup lang="ts">
defineProps<{ /** 0 found, 1 download, 2 check, 3 confirm. */ at: number }>()
const STEPS = ['Found', 'Download', 'Check', 'Confirm']
</script>

<template>
  <ol class="steps" aria-label="Where you are">
    <li
      v-for="(s, i) in STEPS"
      :key="s"
      :class="{ past: i < at, now: i === at }"
      :aria-current="i === at ? 'step' : undefined"
    >
      {{ s }}
    </li>
  </ol>
</template>

<style scoped>
.steps {
  display: flex;
  font-size: 14px;
  color: var(--ink-2);
}
.steps li {
  width: 96px;
  border-top: 2px dotted var(--edge);
  padding: 6px 0 0 9px;
  position: relative;
  line-height: 18px;
}
.steps li::before {
  content: '';
  position: absolute;
  left: 0;
  top: -2px;
  height: 9px;
  border-left: 2px solid var(--edge);
}
.steps li.past {
  border-top: 2px solid var(--ink);
}
.steps li.now {
  border-top: 4px solid var(--verd);
  margin-top: -2px;
  color: var(--ink);
  font-weight: 650;
}
.steps li.now::before {
  border-left: 4px solid var(--verd);
  height: 13px;
}
@media (width <= 700px) {
  .steps li {
    width: 72px;
  }
}
</style>
