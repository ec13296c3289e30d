<script setup lang="ts">
import { ref } from 'vue'
import { useLive } from '@/api/live'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import RecordLines from './RecordLines.vue'

const page = ref(0)
const record = useLive(
  '/api/staff/me/record',
  () => ({ query: { page: page.value } }),
  () => false,
)
</script>

<template>
  <section aria-labelledby="h-own-record">
    <div class="hd">
      <h2 id="h-own-record">What concerns your account</h2>
      <span class="text-body-secondary">tell a manager of what you do not know</span>
    </div>
    <RefusedNote :refused="record.refused.value" />
    <ComingLines :of="record" :lines="4" />
    <RecordLines v-if="record.data.value" :page="record.data.value" label="your account" @go="page = $event" />
  </section>
</template>
