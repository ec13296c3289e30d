<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket, ScanView } from '@/api/types'
import { count, dayAndTime, duration } from '@/format/format'
import SessionBraid from '@/instruments/SessionBraid.vue'
import RefusedNote from '@/shell/RefusedNote.vue'
import { useKeys } from '@/shell/keys'
import SessionCompare from './SessionCompare.vue'
import VolumeFacts from './VolumeFacts.vue'
import VolumeStrata from './VolumeStrata.vue'
import { isSound, kindRows, phaseWords, scopeWords, shareDone } from './counts'

const props = defineProps<{ docket: Docket }>()
const emit = defineEmits<{ changed: [] }>()

const METHODS = [
  { code: 'quick', method: 'structure', search: false, label: 'quick scan', words: 'what the records say of what stands; also while the image is still written' },
  { code: 'structure', method: 'structure', search: true, label: 'structure', words: 'records, and a search of what is free: lost volumes, before a format' },
  { code: 'deep', method: 'both', search: true, label: 'deep scan', words: 'all records, then content; finds most' },
  { code: 'carve', method: 'carve', search: false, label: 'carve', words: 'content alone; adds only what is new' },
]
const scans = useLive(() => api.get<ScanView[]>(`/api/cases/${props.docket.number}/scans`), (what, c) => c === props.docket.number && what === 'scan')
const chosen = ref<string>()
const volume = ref<number>()
const openVolume = ref<number>()
/** Asked for: once there is a session, what it found comes first. */
const another = ref(false)
const comparing = ref(false)
const tabled = ref(false)
const acting = useAction()
const sessions = computed(() => scans.data.value ?? [])
const ended = computed(() => sessions.value.filter((s) => s.state === 'done' || s.state === 'stopped'))
const scopes = computed(() => Object.fromEntries(sessions.value.map((s) => [s.id, scopeWords(s)])))
const latest = computed(() => sessions.value.at(-1))
const running = computed(() => latest.value?.state === 'running' || latest.value?.state === 'waiting')
const paused = computed(() => running.value && latest.value?.asked === 'pause')
/** A first session is quick; the next one goes deeper. */
const method = computed({ get: () => chosen.value ?? (sessions.value.length ? 'deep' : 'quick'), set: (code) => (chosen.value = code) })
const reported = computed(() => [...sessions.value].reverse().find((s) => s.report))
const report = computed(() => reported.value?.report)
const shown = computed(() => report.value?.volumes.find((v) => v.index === openVolume.value))
const prognoses = computed(() => Object.entries((running.value ? latest.value?.counts.prognoses : report.value?.prognoses) ?? {}))
const kinds = computed(() => kindRows(running.value ? (latest.value?.counts.kinds ?? {}) : (report.value?.kinds ?? {})))
const origins = computed(() => Object.entries(running.value ? (latest.value?.counts.origins ?? {}) : (report.value?.origins ?? {})))

async function start(): Promise<void> {
  const order = METHODS.find((m) => m.code === method.value)!
  if (await acting.run(() => api.post(`/api/cases/${props.docket.number}/scans`, { method: order.method, volume: volume.value, search: order.search }))) {
    another.value = false
    await scans.refresh()
    emit('changed')
  }
}
async function ask(what: 'stop' | 'pause' | 'resume'): Promise<void> {
  if (latest.value && (await acting.run(() => api.post(`/api/scans/${latest.value!.id}/${what}`)))) await scans.refresh()
}
function scanAlone(index: number): void {
  volume.value = index
  chosen.value = 'structure'
  void start()
}
useKeys([
  { key: 'N', does: 'new session', run: () => void (!scans.data.value || running.value || (latest.value && !another.value ? (another.value = true) : start())) },
  { key: 'C', does: 'compare', run: () => void (ended.value.length > 1 && (comparing.value = !comparing.value)) },
  { key: ' ', does: 'pause, go on', run: () => void (running.value && ask(paused.value ? 'resume' : 'pause')) },
])
</script>

<template>
  <div class="stack">
    <RefusedNote :refused="scans.refused.value" />
    <template v-if="latest">
      <div class="figs">
        <div class="fig big"><b>{{ Math.floor(100 * shareDone(latest)) }} %</b><span>{{ phaseWords(latest) }}</span></div>
        <div class="fig"><b>{{ count(running ? latest.counts.findings : (latest.report?.findings ?? 0)) }}</b><span>findings {{ running ? 'so far' : '' }}</span></div>
        <div class="fig"><b>{{ count(latest.added) }}</b><span>new in the catalogue</span></div>
        <div class="fig"><b>{{ count(latest.shared) }}</b><span>known before</span></div>
        <div v-if="latest.report" class="fig"><b>{{ duration(latest.report.seconds) }}</b><span>taken</span></div>
        <span class="sp" />
        <template v-if="running">
          <button type="button" class="btn btn-quiet" :disabled="acting.busy.value || latest.asked === 'stop'" @click="ask(paused ? 'resume' : 'pause')">{{ paused ? 'Go on' : 'Pause' }}</button>
          <button type="button" class="btn btn-stop" :disabled="acting.busy.value || latest.asked === 'stop'" @click="ask('stop')">Stop</button>
        </template>
        <RouterLink v-else-if="latest.state === 'done' || latest.state === 'stopped'" class="btn btn-primary" :to="`/cases/${docket.number}/selection`">Open catalogue</RouterLink>
      </div>
      <div class="bar verd" role="progressbar" aria-label="Scan" :aria-valuenow="Math.floor(100 * shareDone(latest))" aria-valuemin="0" aria-valuemax="100"><i :style="{ width: `${100 * shareDone(latest)}%` }" /></div>
      <p v-if="running && latest.counts.folder" class="xs mu m folder">{{ latest.counts.folder }}</p>
      <p v-if="reported === latest && report && isSound(report)" class="sheet sound s"><b>Nothing is lost here.</b> Every volume is sound and every file is listed and whole: copy them straight.</p>
      <p v-if="latest.trouble" class="refused" role="alert">{{ latest.trouble }} The image is untouched; start another session.</p>
    </template>
    <form v-if="!running && scans.data.value && (!latest || another)" class="sheet new" @submit.prevent="start">
      <b>{{ latest ? 'Another session' : 'Scan the image' }}</b>
      <label v-for="m in METHODS" :key="m.code" class="s"><input v-model="method" type="radio" name="method" class="form-check-input" :value="m.code" /> <b>{{ m.label }}</b> <span class="mu">{{ m.words }}</span></label>
      <label v-if="report && report.volumes.length > 1" class="s">in <select v-model="volume" class="form-select form-select-sm inline"><option :value="undefined">the whole medium</option><option v-for="v in report.volumes.filter((v) => v.state !== 'earlier' && !v.unread)" :key="v.index" :value="v.index">{{ v.label || `volume ${v.index}` }}</option></select></label>
      <BButton type="submit" :variant="latest ? undefined : 'primary'" :class="latest ? 'btn-quiet' : ''" :disabled="acting.busy.value">Start scanning <span class="kbd">N</span></BButton>
    </form>
    <RefusedNote :refused="acting.refused.value" />
    <section v-if="sessions.length" aria-labelledby="h-sessions">
      <div class="hd"><h2 id="h-sessions">Sessions</h2><span class="mu">each joins the one catalogue: filled added, outlined shared</span><span class="sp" /><button v-if="ended.length > 1" type="button" class="linkish s nw" :aria-expanded="comparing" @click="comparing = !comparing">{{ comparing ? 'Hide comparison' : 'Compare two' }} <span class="kbd">C</span></button><button type="button" class="linkish s" :aria-expanded="tabled" @click="tabled = !tabled">{{ tabled ? 'Hide the list' : 'List' }}</button><button v-if="!running" type="button" class="linkish s" :aria-expanded="another" @click="another = !another">{{ another ? 'Not now' : 'New session' }} <span class="kbd">N</span></button></div>
      <SessionBraid :sessions="sessions" :words="scopes" />
      <SessionCompare v-if="comparing && ended.length > 1" :number="docket.number" :sessions="ended" />
      <table v-if="tabled" class="rows">
        <thead><tr><th>session</th><th>method</th><th>where</th><th>state</th><th class="n">findings</th><th class="n">added</th><th class="n">shared</th><th class="n">problems</th><th>started</th></tr></thead>
        <tbody><tr v-for="s in sessions" :key="s.id"><td class="m">{{ s.id }}</td><td>{{ s.method }}</td><td>{{ scopeWords(s) }}</td><td>{{ s.state }}</td><td class="n">{{ count(s.report?.findings ?? s.counts.findings) }}</td><td class="n">+{{ count(s.added) }}</td><td class="n">{{ count(s.shared) }}</td><td class="n">{{ s.report?.problems.length ?? '–' }}</td><td class="mu nw">{{ dayAndTime(s.startedAt) }} by {{ s.who }}</td></tr></tbody>
      </table>
    </section>
    <section v-if="report" aria-labelledby="h-volumes">
      <div class="hd"><h2 id="h-volumes">Volumes</h2><span class="mu">what lies under what; the bar is the share that is whole</span></div>
      <VolumeStrata :report="report" :open="openVolume" @open="(index) => (openVolume = index)" />
      <VolumeFacts v-if="shown" :volume="shown" :report="report" :busy="running || acting.busy.value" @scan="scanAlone(shown.index)" />
    </section>
    <div v-if="report || kinds.length" class="two">
      <section :aria-label="report?.problems.length ? 'Problems' : 'What was passed over'">
        <template v-if="report?.problems.length">
          <div class="hd"><h2>Problems</h2><span class="mu">what was malformed, and where</span></div>
          <ul class="s"><li v-for="p in report.problems.slice(0, 20)" :key="p">{{ p }}</li></ul>
        </template>
        <p v-if="report && !report.problems.length" class="s mu">Nothing that was read is malformed.</p>
        <p v-if="report?.rejected" class="xs mu problems">{{ count(report.rejected) }} starts looked like a kind but failed its check; they are not findings.</p>
      </section>
      <section aria-labelledby="h-kinds">
        <div class="hd"><h2 id="h-kinds">Kinds</h2><span class="mu">{{ [...origins, ...prognoses].map(([o, n]) => `${count(n)} ${o}`).join(', ') }}</span></div>
        <table class="rows"><tbody><tr v-for="k in kinds" :key="k.kind"><td>{{ k.kind }}</td><td class="n">{{ count(k.count) }}</td><td class="share"><i :style="{ width: `${100 * k.share}%` }" /></td></tr></tbody></table>
        <p v-if="!kinds.length" class="empty">{{ running ? 'Nothing yet.' : 'Nothing was found. That is a result: the medium holds no file that the engine knows.' }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.stack { display: grid; gap: 12px; align-content: start; }
.fig.big b { font-size: 28px; line-height: 30px; }
.new { display: flex; flex-wrap: wrap; gap: 6px 18px; align-items: center; padding: 9px 12px; }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 24px; }
.new > b { flex-basis: 100%; }
.inline { display: inline-block; width: auto; padding-right: 30px; }
.folder { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; margin: -8px 0 0; }
.sound { padding: 9px 12px; border-left: 4px solid var(--verd); }
.problems { margin-top: 12px; }
.share { width: 55%; }
.share i { display: block; height: 10px; background: var(--tint); border-left: 2px solid var(--ink); }
@media (max-width: 900px) { .two { grid-template-columns: 1fr; } .figs { flex-wrap: wrap; } }
</style>
