<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { useId } from 'vue'
import type { StopLimits } from '@/api/types'
import { LIMITS } from './profiles'

const limits = defineModel<StopLimits>('limits', { required: true })
const rate = defineModel<number>('rate', { required: true })
const id = useId()
const set = (field: keyof StopLimits, value: unknown) =>
  (limits.value = { ...limits.value, [field]: Math.max(0, Math.round(Number(value) || 0)) })
</script>

<template>
  <div class="grid">
    <div v-for="l in LIMITS" :key="l.field">
      <label class="lab" :for="`${id}-${l.field}`">{{ l.label }}</label><BFormInput
        :id="`${id}-${l.field}`"
        type="number"
        min="0"
        size="sm"
        :model-value="limits[l.field]"
        @update:model-value="set(l.field, $event)"
      />
    </div>
    <div>
      <label class="lab" :for="`${id}-rate`">Most MiB/s</label
      ><BFormInput :id="`${id}-rate`" v-model.number="rate" type="number" min="0" size="sm" />
    </div>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px;
  align-items: end;
}
</style>
