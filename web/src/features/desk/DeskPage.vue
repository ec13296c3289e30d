<script setup lang="ts">
import { Phone } from 'lucide-vue-next'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useLive } from '@/api/live'
import DayStaff from '@/ui/instruments/DayStaff.vue'
import { useNow } from '@/ui/instruments/now'
import { day, dayAndTime, time, words } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import DecisionQueue from './DecisionQueue.vue'
import OpenCases from './OpenCases.vue'
import { todayWords } from './today'
import { useDesk } from './useDesk'

const router = useRouter()
const { desk, running, refused, refresh, showAll } = useDesk()
const coming = { data: desk, refused: computed(() => refused.value) }
const drafts = useLive(
  '/api/drafts',
  () => ({}),
  (what) => what === 'draft',
)
const decisions = computed(() => desk.value?.decisions ?? [])
const now = useNow()
const today = computed(() => new Date(now.value).toISOString())

useKeys([{ key: 'N', does: 'new intake', run: () => void router.push('/intake') }])
const headline = computed(() => {
  const n = desk.value?.waiting ?? 0
  return n === 0 ? 'Nothing waits for a decision.' : n === 1 ? 'One decision waits.' : `${n} decisions wait.`
})
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>{{ day(today) }}</h1>
      <p v-if="desk">
        <b>{{ headline }}</b><span v-if="desk.overdue" class="text-body-secondary">
          <RouterLink class="link" to="/day">{{
            desk.overdue === 1 ? 'One is overdue.' : `${desk.overdue} are overdue.`
          }}</RouterLink></span
        >
      </p>
      <span class="flex-fill" />
      <RouterLink to="/outbox" class="btn btn-quiet">Outbox</RouterLink>
      <RouterLink to="/intake" class="btn btn-primary"
        ><Phone class="ic" aria-hidden="true" /> New intake <span class="kbd">N</span></RouterLink
      >
    </div>
    <RefusedNote :refused="refused" />
    <ComingLines :of="coming" :lines="8" />
    <div class="cols">
      <div>
        <section aria-labelledby="h-now">
          <div class="hd">
            <h2 id="h-now">Needs a decision now</h2>
            <span class="text-body-secondary"
              >most pressing first<template v-if="desk && desk.waiting > decisions.length"
                >, {{ decisions.length }} of {{ desk.waiting }}
                <button type="button" class="linkish" @click="showAll">show all</button></template
              ></span
            >
          </div>
          <DecisionQueue v-if="decisions.length" :decisions="decisions" @acted="refresh" />
          <p v-else-if="desk" class="empty">Nothing waits. Log the next device with <b>New intake</b>.</p>
        </section>
        <OpenCases />
      </div>
      <aside>
        <section v-if="drafts.data.value?.length" aria-labelledby="h-drafts">
          <div class="hd"><h2 id="h-drafts">Calls not logged yet</h2></div>
          <ul class="drafts">
            <li v-for="d in drafts.data.value" :key="d.key">
              <RouterLink class="link text-truncate" :to="`/intake?draft=${d.key}`">{{ d.title }}</RouterLink><span
                class="xs text-body-secondary text-nowrap"
                >{{ d.ownerName }}, {{ dayAndTime(d.updatedAt) }}</span
              >
            </li>
          </ul>
        </section>
        <section aria-labelledby="h-run">
          <div class="hd"><h2 id="h-run">Running work</h2></div>
          <ul v-if="running?.length">
            <li v-for="w in running" :key="w.caseNumber + w.what" class="run">
              <p class="d-flex align-items-center gap-2 s">
                <b>{{ w.what }}</b>
                <RouterLink class="m link" :to="`/cases/${w.caseNumber}/${w.place}`">{{
                  w.caseNumber.slice(-4)
                }}</RouterLink><span class="text-truncate">{{ w.customer }}</span
                ><span class="flex-fill" /><span class="text-nowrap" :class="{ 'c-warn': w.state === 'paused' }">{{
                  w.ends ? `until ${time(w.ends)}` : words(w.state)
                }}</span>
              </p>
              <div
                class="bar"
                :class="{ verd: w.place !== 'imaging' }"
                role="progressbar"
                :aria-label="`${w.what} ${w.caseNumber}`"
                :aria-valuenow="Math.round(100 * w.share)"
                aria-valuemin="0"
                aria-valuemax="100"
              >
                <i :style="{ width: `${100 * w.share}%` }" />
              </div>
            </li>
          </ul>
          <p v-else-if="desk" class="empty s">Nothing is being read, scanned or written.</p>
        </section>
        <section v-if="desk" aria-labelledby="h-today">
          <div class="hd">
            <h2 id="h-today">Today</h2>
            <span class="text-body-secondary">{{ todayWords(desk) }}</span>
          </div>
          <DayStaff :events="desk.today" />
        </section>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 312px;
  gap: 26px;
}
aside {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
  align-content: start;
}
.drafts li {
  display: flex;
  gap: 8px;
  justify-content: space-between;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
  font-size: 13px;
}
.run {
  padding: 6px 0;
  display: grid;
  gap: 4px;
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
