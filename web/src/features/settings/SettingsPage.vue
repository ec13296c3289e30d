<script setup lang="ts">
import { computed } from 'vue'
import { useLive } from '@/api/live'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useSession } from '@/features/staff'
import BenchSettings from './BenchSettings.vue'
import ClockSettings from './ClockSettings.vue'
import LetterSettings from './LetterSettings.vue'
import PriceSettings from './PriceSettings.vue'
import ProtocolSettings from './ProtocolSettings.vue'

const session = useSession()
const settings = useLive(
  '/api/settings',
  () => ({}),
  () => false,
)
const mayChange = computed(() => session.person?.role === 'MANAGER')
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>Settings</h1>
      <p class="text-body-secondary">{{ mayChange ? 'of the lab' : 'a manager may change them' }}</p>
    </div>
    <RefusedNote :refused="settings.refused.value" />
    <ComingLines :of="settings" :lines="8" />
    <div v-if="settings.data.value" class="beside">
      <div class="stack">
        <PriceSettings :settings="settings.data.value" :may-change="mayChange" @saved="settings.refresh" />
        <ClockSettings :settings="settings.data.value" :may-change="mayChange" @saved="settings.refresh" />
      </div>
      <div class="stack">
        <LetterSettings :settings="settings.data.value" :may-change="mayChange" @saved="settings.refresh" />
        <BenchSettings :settings="settings.data.value" :may-change="mayChange" @saved="settings.refresh" />
        <ProtocolSettings :may-change="mayChange" />
      </div>
    </div>
  </div>
</template>
