<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { Decision, DeskAction } from '@/api/types'
import { placeFor } from './queue'

defineProps<{
  /** Whose answers are offered. */
  question: Decision
  /** Those of its actions that are offered here. */
  actions: readonly DeskAction[]
  /** Keys answer this one. */
  chosen?: boolean
  /** A request is on its way. */
  busy: boolean
}>()
const emit = defineEmits<{ /** A button that makes a request was pressed. */ act: [action: DeskAction] }>()

const router = useRouter()
async function run(question: Decision, action: DeskAction): Promise<void> {
  if (action.opens) await router.push(placeFor(question, action.opens))
  else emit('act', action)
}
</script>

<template>
  <div class="act">
    <button
      v-for="(a, n) in actions"
      :key="a.label"
      type="button"
      class="btn"
      :class="n === 0 && !a.opens && chosen ? 'btn-primary' : 'btn-quiet'"
      :disabled="busy"
      @click="run(question, a)"
    >
      {{ a.label }}
    </button>
    <slot />
  </div>
</template>

<style scoped>
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  justify-content: flex-end;
}
@media (width <= 900px) {
  .act {
    justify-content: flex-start;
  }
}
</style>
