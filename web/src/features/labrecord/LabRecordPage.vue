<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useLive } from '@/api/live'
import ComingLines from '@/ui/ComingLines.vue'
import PatternDefs from '@/ui/instruments/PatternDefs.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { count } from '@/ui/format/format'
import EndedGroups from './EndedGroups.vue'
import EndedKey from './EndedKey.vue'
import HoldingPlot from './HoldingPlot.vue'
import { isMonth, lastYear } from './labRecord'
import MonthPlot from './MonthPlot.vue'
import StagesPlot from './StagesPlot.vue'

const route = useRoute()
const router = useRouter()
const usual = lastYear(new Date().toISOString())
const asked = (key: 'from' | 'to') => {
  const month = route.query[key]
  return isMonth(month) ? month : usual[key]
}
/** The address holds the months, so that they can be given on. */
const months = (key: 'from' | 'to') =>
  computed({
    get: () => asked(key),
    set: (month: string) => {
      if (isMonth(month)) void router.replace({ query: { ...route.query, [key]: month } })
    },
  })
const from = months('from')
const to = months('to')
const told = useLive(
  '/api/lab-record',
  () => ({ query: { from: from.value, to: to.value } }),
  (what) => what === 'case',
)
const past = computed(() => told.data.value?.past)
const print = () => window.print()
</script>

<template>
  <div class="page">
    <PatternDefs />
    <div class="pagehead">
      <h1>The lab’s own record</h1>
      <p v-if="told.data.value" class="text-body-secondary">
        {{ count(told.data.value.past.cases) }} {{ told.data.value.past.cases === 1 ? 'case' : 'cases' }} ended,
        {{ told.data.value.from }} to {{ told.data.value.to }}
      </p>
      <span class="flex-fill" />
      <label class="s noprint" for="from">from</label>
      <BFormInput id="from" v-model.lazy="from" type="month" size="sm" class="month noprint" />
      <label class="s noprint" for="to">to</label>
      <BFormInput id="to" v-model.lazy="to" type="month" size="sm" class="month noprint" />
      <BButton class="btn-quiet noprint" @click="print">Print</BButton>
    </div>
    <RefusedNote :refused="told.refused.value" />
    <ComingLines :of="told" :lines="8" />
    <template v-if="told.data.value && past">
      <template v-if="past.cases">
        <section aria-label="By month" class="stack">
          <MonthPlot :months="past.months" />
          <EndedKey :how="past.how" />
        </section>
        <div class="three">
          <EndedGroups title="By path" none="no path decided" :groups="past.paths" />
          <EndedGroups
            title="By medium"
            none="not on record"
            :groups="past.media"
            note="A case with devices of two types counts twice."
          />
          <EndedGroups
            title="By what happened"
            none="not on record"
            :groups="past.losses"
            note="A case to which two things happened counts twice."
          />
        </div>
      </template>
      <p v-else class="empty">No case was closed or declined in these months; choose others above.</p>
      <div class="two">
        <StagesPlot :stages="past.stages" :now="told.data.value.now" />
        <HoldingPlot :foretold="past.foretold" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 18px;
  align-content: start;
}
.stack {
  display: grid;
  gap: 8px;
}
.month {
  width: 150px;
}
.three {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 32px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 32px;
}
@media (width <= 900px) {
  .three,
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .pagehead {
    flex-wrap: wrap;
  }
}
@media print {
  .noprint {
    display: none;
  }
  section {
    break-inside: avoid;
  }
}
</style>
