<script setup lang="ts">
import type { Refused } from '@/api/client'

defineProps<{ /** What was refused; nothing is shown without. */ refused: Refused | undefined }>()
</script>

<template>
  <p v-if="refused" class="refused" role="alert">{{ refused.message }}</p>
</template>
