<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { ref } from 'vue'
import { useLive } from '@/api/live'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import BenchFill from './BenchFill.vue'
import { openLacks } from './day'
import EndedCases from './EndedCases.vue'
import LateList from './LateList.vue'
import OpenMoney from './OpenMoney.vue'
import PeopleDay from './PeopleDay.vue'

const days = ref(30)
const answers = useLive(
  '/api/day',
  () => ({ query: { days: days.value } }),
  (what) => what === 'case',
)
/** Clocks run out without anybody telling of it. */
const MINUTE = 60_000
useIntervalFn(() => void answers.refresh(), MINUTE)
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>The day</h1>
      <p class="text-body-secondary">what is late, who did what, how full the bench is, what is open, how it ended</p>
      <span class="flex-fill" />
      <RouterLink to="/lab-record" class="btn btn-quiet">The lab’s own record</RouterLink>
      <RouterLink to="/ledger" class="btn btn-quiet">Custody tapes</RouterLink>
    </div>
    <RefusedNote :refused="answers.refused.value" />
    <ComingLines :of="answers" :lines="3" />
    <div class="cols">
      <div class="stack">
        <p v-if="answers.data.value && openLacks(answers.data.value.open)" class="warnbox s">
          {{ openLacks(answers.data.value.open) }}
        </p>
        <LateList v-if="answers.data.value" :late="answers.data.value.late" />
        <PeopleDay />
      </div>
      <div class="stack">
        <BenchFill />
        <template v-if="answers.data.value">
          <OpenMoney :money="answers.data.value.money" />
          <EndedCases v-model:days="days" :ended="answers.data.value.ended" :total="answers.data.value.over.all" />
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 32px;
}
.stack {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 22px;
  align-content: start;
}
@media (width <= 900px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
  .pagehead {
    flex-wrap: wrap;
  }
}
</style>
