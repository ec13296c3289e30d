<script setup lang="ts">
import { Phone } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Desk } from '@/api/types'
import { day, dayAndTime, words } from '@/format/format'
import RefusedNote from '@/shell/RefusedNote.vue'
import { useKeys } from '@/shell/keys'
import OpenCases from './OpenCases.vue'

const router = useRouter()
const desk = useLive(() => api.get<Desk>('/api/desk'), () => true)
const chosen = ref(0)
const decisions = computed(() => desk.data.value?.decisions ?? [])
const today = new Date().toISOString()

function open(i: number): void {
  const d = decisions.value[i]
  if (d) void router.push(`/cases/${d.caseNumber}/${d.place}`)
}
function move(by: number): void {
  chosen.value = Math.min(decisions.value.length - 1, Math.max(0, chosen.value + by))
}
useKeys([
  { key: 'J', does: 'down', run: () => move(1) },
  { key: 'K', does: 'up', run: () => move(-1) },
  { key: 'Enter', does: 'open', run: () => open(chosen.value) },
  { key: 'N', does: 'new intake', run: () => void router.push('/intake') },
])
const headline = computed(() => {
  const n = decisions.value.length
  return n === 0 ? 'Nothing waits for a decision.' : n === 1 ? 'One case waits for a decision.' : `${n} cases wait for a decision.`
})
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>{{ day(today) }}</h1>
      <p v-if="desk.data.value"><b>{{ headline }}</b></p>
      <span class="sp" />
      <RouterLink to="/intake" class="btn btn-primary"><Phone class="ic" aria-hidden="true" /> New intake <span class="kbd">N</span></RouterLink>
    </div>
    <RefusedNote :refused="desk.refused.value" />
    <div class="cols">
      <section aria-labelledby="h-now">
        <div class="hd"><h2 id="h-now">Needs a decision now</h2><span class="mu">oldest first</span></div>
        <ul v-if="decisions.length" class="sheet queue">
          <li v-for="(d, i) in decisions" :key="d.caseNumber" :class="{ on: i === chosen }" @mouseenter="chosen = i">
            <div class="q"><p class="b">{{ d.question }}</p><p class="s mu">{{ d.reason }}</p></div>
            <div class="w"><p>{{ d.customer }}</p><p class="xs mu"><span class="m">{{ d.caseNumber }}</span> · since {{ dayAndTime(d.since) }}</p></div>
            <RouterLink class="btn btn-quiet act" :to="`/cases/${d.caseNumber}/${d.place}`">{{ d.action }}</RouterLink>
          </li>
        </ul>
        <p v-else-if="desk.data.value" class="empty">Nothing waits. Log the next device with <b>New intake</b>.</p>
        <OpenCases v-if="desk.data.value" :cases="desk.data.value.cases" />
      </section>
      <aside aria-labelledby="h-run">
        <div class="hd"><h2 id="h-run">Running work</h2></div>
        <ul v-if="desk.data.value?.running.length">
          <li v-for="w in desk.data.value.running" :key="w.caseNumber + w.what" class="run">
            <p class="f g6 s"><b>{{ w.what }}</b> <RouterLink class="m link" :to="`/cases/${w.caseNumber}/${w.place}`">{{ w.caseNumber }}</RouterLink><span class="sp" /><span>{{ words(w.state) }}</span></p>
            <div class="bar" :class="{ verd: w.place !== 'imaging' }" role="progressbar" :aria-label="`${w.what} ${w.caseNumber}`" :aria-valuenow="Math.round(100 * w.share)" aria-valuemin="0" aria-valuemax="100"><i :style="{ width: `${100 * w.share}%` }" /></div>
          </li>
        </ul>
        <p v-else-if="desk.data.value" class="empty s">Nothing is being read, scanned or written.</p>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.cols { display: grid; grid-template-columns: minmax(0, 1fr) 320px; gap: 28px; }
.queue { margin: 6px 0 20px; }
.queue li { display: grid; grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr) 132px; gap: 16px; align-items: center; padding: 9px 12px 9px 16px; border-top: 1px solid var(--line); border-left: 4px solid transparent; }
.queue li:first-child { border-top: 0; }
.queue li.on { background: var(--verd-wash); border-left-color: var(--verd); }
.act { justify-self: end; }
.run { padding: 8px 0; display: grid; gap: 4px; }
@media (max-width: 900px) { .cols { grid-template-columns: 1fr; } .queue li { grid-template-columns: 1fr; } }
</style>
