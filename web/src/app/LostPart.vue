<script setup lang="ts">
import { useLink } from '@/api/link'

const { lostPart } = useLink()
</script>

<template>
  <p v-if="lostPart" class="refused lost" role="alert">
    <b>This part could not be loaded from the lab’s server.</b> Nothing was changed.
    <a class="link" :href="lostPart">Load it again</a>
  </p>
</template>

<style scoped>
.lost {
  position: fixed;
  z-index: 40;
  inset: 56px 20px auto;
}
</style>
