<script setup lang="ts">
import { computed } from 'vue'
import { dateAndTime } from '@/ui/format/format'
import { useNow } from './now'
import { wickOf } from './wick'

const props = withDefaults(
  defineProps<{
    /** When the clock began. */
    since: string
    /** When it runs out. */
    due: string
    /** Words beside it rather than under it. */
    beside?: boolean
  }>(),
  { beside: false },
)

const now = useNow()
const w = computed(() => wickOf(props.since, props.due, now.value))
const LENGTH = 64
const at = computed(() => Math.round(LENGTH * (w.value.level === 'over' ? 1 : w.value.burnt)))
</script>

<template>
  <span class="wick" :class="[w.level, { beside }]" :title="`until ${dateAndTime(due)}`">
    <svg :width="LENGTH + 12" height="14" :viewBox="`0 0 ${LENGTH + 12} 14`" aria-hidden="true">
      <line x1="0" :x2="at" y1="7" y2="7" class="burnt" />
      <line v-if="w.level !== 'over'" :x1="at" :x2="LENGTH" y1="7" y2="7" class="left" />
      <line :x1="LENGTH" :x2="LENGTH" y1="1" y2="13" class="end" />
      <rect v-if="w.level === 'over'" :x="LENGTH" y="3" width="10" height="8" class="past" />
    </svg>
    <span class="w">{{ w.words }}</span>
  </span>
</template>

<style scoped>
.wick {
  display: inline-grid;
  gap: 1px;
  font-size: 12px;
  line-height: 16px;
  white-space: nowrap;
}
.wick.beside {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
.burnt {
  stroke: var(--ink-3);
  stroke-width: 1.5;
  stroke-dasharray: 1.5 3;
}
.left {
  stroke: var(--ink);
  stroke-width: 4;
}
.end {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.warn .left {
  stroke: var(--ochre);
  stroke-width: 6;
}
.warn .w {
  color: var(--ochre-d);
  font-weight: 650;
}
.over .burnt {
  stroke: var(--madder);
}
.over .end {
  stroke: var(--madder);
}
.past {
  fill: var(--madder);
}
.over .w {
  color: var(--madder-d);
  font-weight: 650;
}
</style>
