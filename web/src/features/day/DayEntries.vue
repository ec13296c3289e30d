<script setup lang="ts">
import { ref } from 'vue'
import { useLive } from '@/api/live'
import { time } from '@/ui/format/format'
import PageSteps from '@/ui/PageSteps.vue'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{
  /** The day. */
  on: string
  /** As custody names them. */
  who: string
}>()
const page = ref(0)
const entries = useLive(
  '/api/ledger/day/entries',
  () => ({ query: { on: props.on, who: props.who, page: page.value } }),
  (what) => what === 'custody',
)
</script>

<template>
  <div class="entries">
    <RefusedNote :refused="entries.refused.value" />
    <ComingLines :of="entries" :lines="3" />
    <ol v-if="entries.data.value">
      <li v-for="e in entries.data.value.items" :key="`${e.caseNumber}-${e.number}`" class="s">
        <span class="m xs text-body-secondary">{{ time(e.at) }}</span>
        <RouterLink class="m link" :to="`/cases/${e.caseNumber}/custody`">{{ e.caseNumber }}</RouterLink>
        <span
          >{{ e.what }} <span class="xs text-body-secondary">{{ e.detail }}</span></span
        >
      </li>
    </ol>
    <PageSteps v-if="entries.data.value" :of="entries.data.value" label="Pages of entries" @go="page = $event" />
  </div>
</template>

<style scoped>
.entries {
  padding: 0 0 8px 12px;
}
li {
  display: grid;
  grid-template-columns: 40px auto minmax(0, 1fr);
  gap: 10px;
  padding: 2px 0;
  overflow-wrap: anywhere;
}
</style>
