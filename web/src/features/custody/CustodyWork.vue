<script setup lang="ts">
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import CustodyRecord from './CustodyRecord.vue'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const tape = useLive(
  '/api/cases/{number}/custody',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => c === props.docket.number && what === 'custody',
)
</script>

<template>
  <RefusedNote :refused="tape.refused.value" />
  <ComingLines :of="tape" :lines="6" />
  <CustodyRecord v-if="tape.data.value" :tape="tape.data.value" @check="tape.refresh" />
</template>
