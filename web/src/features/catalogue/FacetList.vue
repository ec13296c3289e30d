<script setup lang="ts">
import { count } from '@/ui/format/format'
import FillGauge from '@/ui/instruments/FillGauge.vue'

defineProps<{
  /** What the values are of. */
  title: string
  /** The values, with how many lines have each. */
  rows: { value: string; count: number; on: boolean }[]
  /** With the gauge of each prognosis before its word. */
  gauges?: boolean
}>()
const emit = defineEmits<{ toggle: [value: string] }>()
</script>

<template>
  <fieldset class="facet" :style="{ '--columns': Math.min(4, Math.max(1, Math.ceil(rows.length / 4))) }">
    <legend>{{ title }}</legend>
    <div class="values">
      <label v-for="r in rows" :key="r.value" class="row1">
        <input type="checkbox" class="form-check-input" :checked="r.on" @change="emit('toggle', r.value)" />
        <FillGauge v-if="gauges" :prognosis="r.value" :share="r.value === 'whole' ? 1 : 0.7" :height="14" />
        <span class="v" :class="{ 'fw-semibold': r.on }">{{ r.value }}</span><span class="m c">{{
          count(r.count)
        }}</span>
      </label>
      <p v-if="!rows.length" class="xs text-body-secondary">none</p>
    </div>
  </fieldset>
</template>

<style scoped>
.facet legend {
  font-size: 12px;
  font-weight: 650;
  margin-bottom: 2px;
}

/* As wide as its values in rows of four, up to four columns; what does not fit into a few rows is scrolled to. */
.facet {
  flex: 0 1 calc(var(--columns) * 176px - 26px);
  min-width: 150px;
}
.values {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 150px));
  gap: 0 26px;
  max-height: 130px;
  overflow-y: auto;
}
.row1 {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 13px;
  line-height: 18px;
  min-height: 24px;
}
.v {
  flex: 1;
}
.c {
  font-size: 12px;
  color: var(--ink-2);
}
</style>
