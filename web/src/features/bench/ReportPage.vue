<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useLive, type Live } from '@/api/live'
import type { SessionReport } from '@/api/types'
import { bytes, count, percent } from '@/ui/format/format'
import ReadRibbon from '@/ui/instruments/ReadRibbon.vue'
import RibbonKey from '@/ui/instruments/RibbonKey.vue'
import PatternDefs from '@/ui/instruments/PatternDefs.vue'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import ReportFacts from './ReportFacts.vue'
import ReportHealth from './ReportHealth.vue'
import ReportManner from './ReportManner.vue'
import { stateWords, unlistedWords } from './progress'

const route = useRoute()
const report: Live<SessionReport> = useLive(
  '/api/imaging/{id}/report',
  () => ({ path: { id: Number(route.params.id) } }),
  (what, c) => what === 'imaging' && c === report.data.value?.session.caseNumber,
)
const s = computed(() => report.data.value?.session)
const print = () => window.print()
</script>

<template>
  <div class="page report">
    <RefusedNote :refused="report.refused.value" />
    <ComingLines :of="report" :lines="8" />
    <template v-if="report.data.value && s">
      <PatternDefs />
      <div class="pagehead">
        <h1>Imaging report</h1>
        <p class="text-body-secondary">
          session {{ s.id }} of
          <RouterLink class="m link" :to="`/cases/${s.caseNumber}/imaging`">{{ s.caseNumber }}</RouterLink>
        </p>
        <span class="flex-fill" /><BButton class="btn-quiet noprint" @click="print">Print</BButton>
      </div>
      <p>
        <b>{{ percent(s.readBytes, s.size) }}</b> of {{ bytes(s.size) }} read{{ s.files ? ' as a straight copy' : '' }}.
        {{ stateWords(s) }}
      </p>
      <ReadRibbon :cells="s.cells" :rates="s.rates" :bytes="s.size" />
      <RibbonKey />
      <div class="two">
        <ReportFacts :report="report.data.value" />
        <ReportManner :report="report.data.value" />
      </div>
      <div class="two">
        <section>
          <div class="hd">
            <h2>What stayed unread</h2>
            <span class="text-body-secondary xs"
              ><template v-if="!report.data.value.wentOn">{{ count(report.data.value.unreadRanges) }} ranges, </template
              >{{ bytes(s.size - s.readBytes) }}</span
            >
          </div>
          <table v-if="report.data.value.unread.length" class="rows">
            <thead>
              <tr>
                <th class="n">from byte</th>
                <th class="n">bytes</th>
                <th>why</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="u in report.data.value.unread.slice(0, 40)" :key="u.off">
                <td class="n">{{ count(u.off) }}</td>
                <td class="n">{{ count(u.len) }}</td>
                <td>{{ u.state }}</td>
              </tr>
            </tbody>
          </table>
          <p v-else class="empty">{{ unlistedWords(report.data.value) }}</p>
          <p v-if="!report.data.value.wentOn" class="xs text-body-secondary">
            <template v-if="report.data.value.unreadRanges > 40">The others stand in the map. </template
            ><a class="link noprint" :href="`/api/imaging/${s.id}/map`" download>Download the map</a>
          </p>
        </section>
        <ReportHealth :report="report.data.value" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.report {
  display: grid;
  gap: 10px;
  max-width: 1080px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
  align-items: start;
}
section {
  display: grid;
  gap: 6px;
  min-width: 0;
}
@media (width <= 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .noprint {
    display: none;
  }
  .report {
    max-width: none;
  }
}
</style>
