<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import Patterns from './instruments/Patterns.vue'
import AppShell from './shell/AppShell.vue'

const route = useRoute()
const bare = computed(() => route.meta.bare === true)
</script>

<template>
  <Patterns />
  <RouterView v-if="bare" />
  <AppShell v-else-if="route.matched.length"><RouterView :key="String(route.params.number ?? route.path)" /></AppShell>
</template>
