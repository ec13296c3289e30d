<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useLive, type Live } from '@/api/live'
import type { SessionReport } from '@/api/types'
import { bytes, count, dateAndTime, duration, percent } from '@/ui/format/format'
import ReadRibbon from '@/ui/instruments/ReadRibbon.vue'
import RibbonKey from '@/ui/instruments/RibbonKey.vue'
import CounterPlot from '@/ui/instruments/CounterPlot.vue'
import PatternDefs from '@/ui/instruments/PatternDefs.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { faultsOf, restsOf } from './events'
import { countersOf } from './health'
import { limitWords, passRows, passWords, profileName, profileValues } from './profiles'
import { stateWords } from './progress'

const route = useRoute()
const report: Live<SessionReport> = useLive(
  '/api/imaging/{id}/report',
  () => ({ path: { id: Number(route.params.id) } }),
  (what, c) => what === 'imaging' && c === report.data.value?.session.caseNumber,
)
const s = computed(() => report.data.value?.session)
const counters = computed(() => countersOf(report.data.value?.health, s.value?.limits))
const all = computed(() => [...(report.data.value?.course ?? []), ...(report.data.value?.faults ?? [])])
const until = computed(() =>
  Date.parse(report.data.value?.health.points.at(-1)?.at ?? s.value?.endedAt ?? s.value?.startedAt ?? ''),
)
const before = computed(() => report.data.value?.health.points[0]?.reading)
const after = computed(() => report.data.value?.health.points.at(-1)?.reading)
const ROWS = [
  ['Temperature, °C', 'celsius'],
  ['Reallocated sectors', 'reallocated'],
  ['Pending sectors', 'pending'],
  ['Uncorrectable sectors', 'uncorrectable'],
  ['Power-on hours', 'powerOnHours'],
] as const
const given = (n: number | undefined) => (n === undefined ? 'not given' : count(n))
const print = () => window.print()
</script>

<template>
  <div class="page report">
    <RefusedNote :refused="report.refused.value" />
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
        <b>{{ percent(s.readBytes, s.size) }}</b> of {{ bytes(s.size) }} read. {{ stateWords(s) }}
      </p>
      <ReadRibbon :cells="s.cells" :rates="s.rates" :bytes="s.size" />
      <RibbonKey />
      <div class="two">
        <section>
          <div class="hd"><h2>What was read</h2></div>
          <dl class="kv">
            <dt>Device</dt>
            <dd>
              {{
                `${report.data.value.attachment.identity.make} ${report.data.value.attachment.identity.model}`.trim() ||
                report.data.value.attachment.medium
              }}, <span class="m">{{ report.data.value.attachment.identity.serial || 'no serial' }}</span>
            </dd>
            <dt>Identity</dt>
            <dd>
              {{
                report.data.value.attachment.matched
                  ? 'equal to the case'
                  : `differs; ${report.data.value.attachment.decision}`
              }}
            </dd>
            <dt>Write block</dt>
            <dd>
              {{
                report.data.value.attachment.writeBlock
                  ? `by decision: ${report.data.value.attachment.writeBlock}`
                  : 'opened read-only'
              }}
            </dd>
            <dt>Started</dt>
            <dd>{{ dateAndTime(s.startedAt) }} by {{ s.who }}</dd>
            <dt>Ended</dt>
            <dd>
              {{ s.endedAt ? dateAndTime(s.endedAt) : 'not yet' }}; {{ duration(s.runningMillis / 1000) }} of reading
            </dd>
            <dt>Image</dt>
            <dd class="m xs wrap">{{ s.image }}</dd>
            <template v-if="s.recheck"
              ><dt>Recheck</dt>
              <dd>{{ s.recheck }}</dd></template
            >
            <dt>SHA-256</dt>
            <dd class="m xs wrap">
              {{ s.sha256 ?? 'not yet'
              }}{{ report.data.value.chunks ? `; ${report.data.value.chunks} chunk hashes beside it` : '' }}
            </dd>
          </dl>
        </section>
        <section>
          <div class="hd">
            <h2>How</h2>
            <span class="text-body-secondary xs">profile {{ profileName(s.profile) }}, as it was last</span>
          </div>
          <p class="s">{{ report.data.value.profile.words }}</p>
          <dl class="kv">
            <template v-for="v in profileValues(report.data.value.profile)" :key="v.what"
              ><dt>{{ v.what }}</dt>
              <dd class="m xs">{{ v.value }}</dd></template
            >
            <dt>Stops at</dt>
            <dd class="xs">{{ limitWords(s.limits) }}</dd>
          </dl>
          <table class="rows">
            <thead>
              <tr>
                <th>pass</th>
                <th>came to</th>
                <th class="n">requests</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="p in passRows(s)" :key="p.pass">
                <td>{{ p.pass }}</td>
                <td>{{ passWords(p) }}</td>
                <td class="n">{{ count(p.requests) }}</td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
      <div class="two">
        <section>
          <div class="hd">
            <h2>What stayed unread</h2>
            <span class="text-body-secondary xs"
              >{{ count(report.data.value.unreadRanges) }} ranges, {{ bytes(s.size - s.readBytes) }}</span
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
          <p v-else class="empty">Nothing: every byte was read.</p>
          <p class="xs text-body-secondary">
            <template v-if="report.data.value.unreadRanges > 40">The others stand in the map. </template
            ><a class="link noprint" :href="`/api/imaging/${s.id}/map`" download>Download the map</a>
          </p>
        </section>
        <section>
          <div class="hd">
            <h2>Health</h2>
            <span v-if="report.data.value.health.judgement" class="text-body-secondary xs"
              >{{ report.data.value.health.judgement.grade.toLowerCase() }}: {{ report.data.value.health.words }}</span
            >
          </div>
          <template v-if="before && after"
            ><table class="rows">
              <thead>
                <tr>
                  <th />
                  <th class="n">before</th>
                  <th class="n">after</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="[label, field] in ROWS" :key="field">
                  <td>{{ label }}</td>
                  <td class="n">{{ given(before[field]) }}</td>
                  <td class="n">{{ given(after[field]) }}</td>
                </tr>
              </tbody>
            </table>
            <div class="plots">
              <CounterPlot
                v-for="c in counters"
                :key="c.title"
                v-bind="c"
                :faults="faultsOf(all).map((e) => Date.parse(e.at))"
                :rests="restsOf(all, until)"
                :until="until"
              /></div
          ></template>
          <p v-else class="empty">The device gave no readings.</p>
          <div class="hd course">
            <h2>Course</h2>
            <span class="text-body-secondary xs">{{ count(s.faults) }} faults besides</span>
          </div>
          <table class="rows">
            <tbody>
              <tr v-for="(e, i) in report.data.value.course" :key="i">
                <td class="m xs">{{ dateAndTime(e.at) }}</td>
                <td>{{ e.kind === 'pass' ? `${e.words} pass` : e.words }}</td>
              </tr>
            </tbody>
          </table>
        </section>
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
.wrap {
  overflow-wrap: anywhere;
}
.plots {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 16px;
}
.course {
  margin-top: 12px;
}
@media (width <= 900px) {
  .two {
    grid-template-columns: 1fr;
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
