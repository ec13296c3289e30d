<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import PatternDefs from '@/ui/instruments/PatternDefs.vue'
import { tellWhole } from '@/ui/whole'
import AppShell from './AppShell.vue'
import LostPart from './LostPart.vue'

const route = useRoute()
useEventListener(document, 'pointerover', tellWhole)
const bare = computed(() => route.meta.bare === true)
</script>

<template>
  <PatternDefs />
  <LostPart />
  <RouterView v-if="bare" />
  <AppShell v-else-if="route.matched.length"><RouterView :key="String(route.params.number ?? route.path)" /></AppShell>
</template>
