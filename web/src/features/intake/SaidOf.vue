<script setup lang="ts">
import { computed } from 'vue'
import type { DeviceForm, FactForm } from '@/api/types'
import { calledOf } from '@/features/devices'

const props = defineProps<{
  /** The devices of the form. */
  devices: DeviceForm[]
  /** What was said so far. */
  facts: FactForm[]
}>()
const of = defineModel<number | undefined>({ required: true })

const choices = computed(() => [
  { device: undefined, label: 'all devices', said: count(undefined) },
  ...props.devices.map((d, i) => ({
    device: i + 1,
    label: d.slot ? `slot ${d.slot}` : `${i + 1} ${calledOf({ ...d, type: d.type || 'device' })}`,
    said: count(i + 1),
  })),
])
function count(device: number | undefined): number {
  return props.facts.filter((f) => f.device === device).length
}
</script>

<template>
  <div class="said-of" role="radiogroup" aria-label="What follows is said of">
    <span class="s">Said of</span>
    <button
      v-for="c in choices"
      :key="c.device ?? 0"
      type="button"
      role="radio"
      class="opt"
      :class="{ taken: c.device === of }"
      :aria-checked="c.device === of"
      @click="of = c.device"
    >
      {{ c.label }}<span v-if="c.said" class="xs"> · {{ c.said }}</span>
    </button>
  </div>
</template>

<style scoped>
.said-of {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
  max-height: 96px;
  overflow: auto;
  padding: 8px 0 6px 8px;
}
.said-of > span {
  width: 84px;
}
.taken {
  background: var(--verd);
  border-color: var(--verd);
  color: var(--on-verd);
  font-weight: 600;
}
</style>
