<script setup lang="ts">
import type { PartnerState } from '@/api/types'
import { day } from '@/ui/format/format'
import { amount, type Job } from './partner'

defineProps<{
  /** One device's way there and back. */
  job: Job
  /** Of amounts. */
  currency: PartnerState['currency']
}>()
</script>

<template>
  <!-- Out along the upper line, back along the lower one; what is still to come is dashed. -->
  <div class="loop" :class="{ home: job.back }">
    <p class="out">
      <b>sent {{ day(job.sent.on) }}</b> <span class="m xs">{{ job.sent.parcel }}</span>
      <span class="s said">{{ job.sent.condition }}</span>
    </p>
    <div class="there">
      <b>{{ job.partner }}</b>
      <p v-if="job.quote" class="s">
        quoted <span class="m">{{ amount(job.quote.hundredths, currency) }}</span>, {{ day(job.quote.on)
        }}<template v-if="job.quote.words">: {{ job.quote.words }}</template>
      </p>
      <p v-if="job.answer" class="s">
        {{ job.answer.approved ? 'approved' : 'refused' }} by {{ job.answer.by }}, {{ day(job.answer.on) }}
      </p>
      <p v-if="job.back" class="s">{{ job.back.done }}</p>
    </div>
    <p class="in">
      <template v-if="job.back">
        <b>back {{ day(job.back.on) }}</b> <span class="m xs">{{ amount(job.back.hundredths, currency) }}</span>
        <span class="s said">{{ job.back.condition }}</span>
        <span v-if="job.back.serial" class="s"
          >serial now <span class="m">{{ job.back.serial }}</span></span
        >
      </template>
      <span v-else class="text-body-secondary">not back yet</span>
    </p>
  </div>
</template>

<style scoped>
.loop {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(180px, 38%);
  grid-template-rows: auto auto;
}
.out,
.in {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-content: start;
  min-height: 44px;
  padding: 4px 10px;
}
.out {
  border-top: 3px solid var(--ink);
}
.in {
  grid-row: 2;
  align-content: end;
  border-bottom: 3px dashed var(--edge);
}
.home .in {
  border-bottom: 3px solid var(--ink);
}
.there {
  grid-row: 1 / 3;
  grid-column: 2;
  padding: 8px 12px;
  border: 3px solid var(--ink);
  border-left-width: 1px;
  border-radius: 2px 14px 14px 2px;
  background: var(--sheet);
}
.said,
.there {
  overflow-wrap: anywhere;
}
</style>
