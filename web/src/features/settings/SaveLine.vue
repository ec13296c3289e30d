<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'

defineProps<{
  /** What the button says. */
  label: string
  /** Something was entered that is not saved. */
  changed: boolean
  /** It was saved just now. */
  done: boolean
  /** It is being saved. */
  busy: boolean
}>()
const emit = defineEmits<{ /** What was entered is not wanted. */ putBack: [] }>()
</script>

<template>
  <p class="d-flex align-items-center gap-2 end">
    <span v-if="changed" class="s c-warn" role="status"
      >Not saved yet; it stays here until you do.
      <button type="button" class="linkish" @click="emit('putBack')">Put it back</button></span
    ><span v-else class="s c-ok" role="status">{{ done ? 'Saved.' : '' }}</span
    ><span class="flex-fill" /><BButton type="submit" variant="primary" :disabled="busy">{{ label }}</BButton>
  </p>
</template>

<style scoped>
.end {
  padding-top: 8px;
}
</style>
