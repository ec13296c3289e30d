<script setup lang="ts">
import { computed } from 'vue'
import { count } from './format/format'
import { stretchOf } from './pages'
import StepThrough from './StepThrough.vue'

const props = defineProps<{
  /** What is shown, and of how many. */
  of: { page: number; size: number; total: number }
  /** What the list is of, for those who hear the page. */
  label: string
}>()
const emit = defineEmits<{ /** Another page is wanted. */ go: [page: number] }>()
const stretch = computed(() => stretchOf(props.of))
</script>

<template>
  <nav v-if="of.total > of.size" class="d-flex align-items-center gap-2 s" :aria-label="label">
    <StepThrough
      before="Page before"
      after="Page after"
      :first="of.page === 0"
      :last="stretch.last >= of.total"
      @step="(by) => emit('go', of.page + by)"
    >
      <span class="m" role="status"
        >{{ count(stretch.first) }}–{{ count(stretch.last) }}
        <span class="text-body-secondary">of {{ count(of.total) }}</span></span
      >
    </StepThrough>
  </nav>
</template>
