<script setup lang="ts">
import { computed } from 'vue'
import { useLive } from '@/api/live'
import { useCustomers } from '@/features/cases'
import { bytes, count, percent, shortPath, size } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { profileName } from './profiles'
import { leftWords, stateWords } from './progress'

const KIND: Record<string, string> = { disk: 'disk', box: 'bench box', simulated: 'simulated', inbox: 'inbox' }
const STATE: Record<string, string> = {
  waiting: 'in the queue',
  running: 'being read',
  paused: 'paused',
  failed: 'stopped',
}
const bench = useLive(
  '/api/bench',
  () => ({}),
  (what) => ['bench', 'imaging', 'case'].includes(what),
)
const customer = useCustomers(() => (bench.data.value?.sessions ?? []).map((s) => s.caseNumber))
const queued = computed(() => (bench.data.value?.sessions ?? []).filter((s) => s.state === 'waiting').length)
/** Cases that wait for a device. */
const waiting = computed(() => bench.data.value?.waiting.cases ?? [])
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>Bench</h1>
      <p class="text-body-secondary">what is attached, and what is being read</p>
    </div>
    <RefusedNote :refused="bench.refused.value" />
    <ComingLines :of="bench" :lines="6" />
    <div class="cols">
      <section aria-labelledby="h-reading">
        <div class="hd">
          <h2 id="h-reading">Imaging sessions</h2>
          <span class="text-body-secondary">{{ queued ? `${queued} in the queue` : 'not finished yet' }}</span>
        </div>
        <ul v-if="bench.data.value?.sessions.length">
          <li v-for="s in bench.data.value.sessions" :key="s.id" class="session">
            <p class="d-flex align-items-center gap-2">
              <RouterLink class="m link" :to="`/cases/${s.caseNumber}/imaging`">{{ s.caseNumber }}</RouterLink><b>{{
                customer(s.caseNumber)
              }}</b
              ><span class="flex-fill" /><span class="s">{{ percent(s.readBytes, s.size) }} of {{ size(s.size) }}</span>
            </p>
            <div
              class="bar"
              role="progressbar"
              :aria-label="`Reading ${s.caseNumber}`"
              :aria-valuenow="Math.round((100 * s.readBytes) / s.size)"
              aria-valuemin="0"
              aria-valuemax="100"
            >
              <i :style="{ width: `${(100 * s.readBytes) / s.size}%` }" />
            </div>
            <p class="s d-flex align-items-center gap-2">
              <span :class="s.reached || s.resting || s.vanishedAt ? 'c-warn' : 'text-body-secondary'">{{
                stateWords(s)
              }}</span><span class="flex-fill" /><span class="text-body-secondary text-nowrap"
                >{{ profileName(s.profile)
                }}{{
                  s.state === 'running' && !s.resting
                    ? ` · ${(s.rate / 1048576).toFixed(1)} MiB/s · ${leftWords(s)} left`
                    : ''
                }}</span
              >
            </p>
          </li>
        </ul>
        <p v-else-if="bench.data.value" class="empty">
          Nothing is being read. Open a triaged case and attach its device.
        </p>
        <div class="hd next">
          <h2>Waiting for their device</h2>
          <span v-if="bench.data.value" class="text-body-secondary"
            >{{ count(bench.data.value.waiting.total)
            }}{{
              bench.data.value.waiting.total > waiting.length ? `, the ${waiting.length} longest waits shown` : ''
            }}</span
          >
        </div>
        <table v-if="waiting.length" class="rows">
          <tbody>
            <tr v-for="c in waiting" :key="c.number">
              <td>
                <RouterLink class="m link" :to="`/cases/${c.number}/imaging`">{{ c.number }}</RouterLink>
              </td>
              <td>{{ c.customer }}</td>
              <td class="text-body-secondary">{{ c.device.make }} {{ c.device.model }}</td>
              <td class="m">{{ c.device.serial || 'no serial' }}</td>
            </tr>
          </tbody>
        </table>
        <p v-else-if="bench.data.value" class="empty">No decided case waits for its device.</p>
      </section>
      <section aria-labelledby="h-media">
        <div class="hd">
          <h2 id="h-media">Stations</h2>
          <span class="text-body-secondary">what is attached where, seen as it comes and goes</span>
        </div>
        <p v-for="b in bench.data.value?.silent" :key="b.box" class="warnbox s">
          <b>{{ b.box }}</b> {{ b.sentence }}
        </p>
        <table v-if="bench.data.value?.stations.length" class="rows">
          <thead>
            <tr>
              <th>device</th>
              <th>serial</th>
              <th class="n">size</th>
              <th>so</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ medium: m, caseNumber, state } in bench.data.value.stations" :key="m.key">
              <td>
                <b>{{ `${m.identity.make} ${m.identity.model}`.trim() || m.name }}</b><span
                  class="xs text-body-secondary d"
                  >{{ KIND[m.kind] }}: {{ m.kind === 'disk' || m.kind === 'box' ? m.place : m.name }}</span
                >
              </td>
              <td class="m">{{ m.identity.serial || '–' }}</td>
              <td class="n" :title="bytes(m.identity.size)">{{ size(m.identity.size) }}</td>
              <td class="s">
                <span v-if="m.blocked" class="text-body-secondary xs">not offered: {{ m.blocked }}</span
                ><RouterLink v-else-if="caseNumber" class="text-nowrap link" :to="`/cases/${caseNumber}/imaging`">{{
                  STATE[state ?? ''] ?? 'attached'
                }}</RouterLink
                ><span v-else class="text-body-secondary">free</span>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else-if="bench.data.value" class="empty">No medium is there.</p>
        <p v-if="bench.data.value" class="s text-body-secondary note">
          A raw image becomes a medium when it lies in
          <span class="m" :title="bench.data.value.inbox">{{ shortPath(bench.data.value.inbox) }}</span>; drives of
          other machines come by their bench box (<RouterLink class="link" to="/settings">settings</RouterLink>).
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
  gap: 28px;
}
.session {
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
  display: grid;
  gap: 5px;
}
.next {
  margin-top: 22px;
}
.d {
  display: block;
  white-space: nowrap;
}
.note {
  margin-top: 10px;
  overflow-wrap: anywhere;
}
@media (width <= 900px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
