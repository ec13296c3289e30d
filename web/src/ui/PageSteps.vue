<script setup lang="ts">
import { ChevronLeft, ChevronRight } from 'lucide-vue-next'
import { computed } from 'vue'
import { count } from './format/format'
import { stretchOf } from './pages'

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
    <button
      type="button"
      class="btn btn-quiet btn-sm"
      aria-label="Page before"
      :disabled="of.page === 0"
      @click="emit('go', of.page - 1)"
    >
      <ChevronLeft class="ic s14" aria-hidden="true" />
    </button>
    <span class="m" role="status"
      >{{ count(stretch.first) }}–{{ count(stretch.last) }}
      <span class="text-body-secondary">of {{ count(of.total) }}</span></span
    >
    <button
      type="button"
      class="btn btn-quiet btn-sm"
      aria-label="Page after"
      :disabled="stretch.last >= of.total"
      @click="emit('go', of.page + 1)"
    >
      <ChevronRight class="ic s14" aria-hidden="true" />
    </button>
  </nav>
</template>
