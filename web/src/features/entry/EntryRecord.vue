<script setup lang="ts">
import { ref } from 'vue'
import { useLive } from '@/api/live'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import RecordLines from './RecordLines.vue'

const page = ref(0)
const record = useLive(
  '/api/audit',
  () => ({ query: { page: page.value } }),
  (what) => what === 'staff',
)
const check = useLive(
  '/api/audit/check',
  () => ({}),
  () => false,
)
</script>

<template>
  <section aria-labelledby="h-entry-record">
    <div class="hd">
      <h2 id="h-entry-record">Who was let in, and what was changed</h2>
      <span class="flex-fill" />
      <button type="button" class="btn btn-quiet btn-sm" @click="check.refresh">Check again</button>
    </div>
    <RefusedNote :refused="record.refused.value ?? check.refused.value" />
    <div v-if="check.data.value?.tears.length" class="stopbox" role="alert">
      <b>This record is torn.</b>
      <ul>
        <li v-for="t in check.data.value.tears" :key="t.words">{{ t.words }}</li>
      </ul>
    </div>
    <p v-else-if="check.data.value" class="s c-ok" role="status">
      All entries meet; none was changed, none is missing.
    </p>
    <ComingLines :of="record" :lines="6" />
    <RecordLines v-if="record.data.value" :page="record.data.value" label="who was let in" @go="page = $event" />
  </section>
</template>
