<script setup lang="ts">
import { grouped } from '@/ui/format/format'

defineProps<{
  /** Whose key it is. */
  lab: string
  /** SHA-256 of it, hex. */
  fingerprint: string
}>()
</script>

<template>
  <span class="key">
    <span class="xs text-body-secondary">Fingerprint of the key of {{ lab }}, to be read over the phone</span>
    <span class="m s">{{ grouped(fingerprint) }}</span>
  </span>
</template>

<style scoped>
.key {
  display: grid;
  gap: 2px;
  min-width: 0;
}
.m {
  overflow-wrap: anywhere;
}
</style>
