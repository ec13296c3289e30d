<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { useWhich } from '@/features/devices'
import SessionBraid from '@/ui/instruments/SessionBraid.vue'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import FailedStarts from './FailedStarts.vue'
import KindsFound from './KindsFound.vue'
import NewSession from './NewSession.vue'
import ScanFigures from './ScanFigures.vue'
import SessionCompare from './SessionCompare.vue'
import SessionList from './SessionList.vue'
import VolumeFacts from './VolumeFacts.vue'
import VolumeStrata from './VolumeStrata.vue'
import { whyMore } from './more'
import { canBeAsked, isSound, methodWords, scopeWords } from './counts'

const props = defineProps<{
  /** The case whose image is scanned. */
  docket: Docket
  /** The device that is shown. */
  device: number
}>()
const emit = defineEmits<{ changed: [] }>()

const scans = useLive(
  '/api/cases/{number}/scans',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => c === props.docket.number && what === 'scan',
)
const form = ref<InstanceType<typeof NewSession>>()
const openVolume = ref<number>()
/** Asked for: once there is a session, what it found comes first. */
const another = ref(false)
const comparing = ref(false)
const tabled = ref(false)
const acting = useAction()
const sessions = computed(() => (scans.data.value ?? []).filter((s) => s.device === props.device))
const of = useWhich()
const which = computed(() => (of(props.device) ? ` of ${of(props.device)}` : ''))
watch(
  () => props.device,
  () => ((another.value = false), (openVolume.value = undefined)),
)
const ended = computed(() => sessions.value.filter((s) => s.state === 'done' || s.state === 'stopped'))
/** Sessions of all devices join the one catalogue; each says which it looked into. */
const all = computed(() => scans.data.value ?? [])
const others = computed(() => all.value.length > sessions.value.length)
const scopes = computed(() =>
  Object.fromEntries(
    all.value.map((s) => [s.id, [of(s.device), methodWords(s), scopeWords(s)].filter(Boolean).join(', ')]),
  ),
)
const latest = computed(() => sessions.value.at(-1))
const image = useLive(
  '/api/cases/{number}/scans/carved',
  () =>
    sessions.value.length ? { path: { number: props.docket.number }, query: { device: props.device } } : undefined,
  (what, c) => c === props.docket.number && (what === 'scan' || what === 'imaging'),
)
const running = computed(() => latest.value?.state === 'running' || latest.value?.state === 'waiting')
const paused = computed(() => running.value && latest.value?.asked === 'pause')
const reported = computed(() => [...sessions.value].reverse().find((s) => s.report))
const report = computed(() => reported.value?.report)
const shown = computed(() => report.value?.volumes.find((v) => v.index === openVolume.value))
const found = computed(() => Object.keys((running.value ? latest.value?.counts.kinds : report.value?.kinds) ?? {}))
const more = computed(() => (report.value ? whyMore(report.value) : []))
async function started(): Promise<void> {
  another.value = false
  await scans.refresh()
  emit('changed')
}
async function ask(what: 'stop' | 'pause' | 'resume'): Promise<void> {
  if (latest.value && (await acting.run(() => api.post(`/api/scans/{id}/${what}`, { path: { id: latest.value!.id } }))))
    await scans.refresh()
}
async function scanAlone(index: number): Promise<void> {
  another.value = true
  await nextTick()
  form.value?.scanAlone(index)
}
useKeys([
  {
    key: 'N',
    does: 'new session',
    run: () =>
      void (
        !scans.data.value ||
        running.value ||
        (latest.value && !another.value ? (another.value = true) : form.value?.start())
      ),
  },
  { key: 'C', does: 'compare', run: () => void (ended.value.length > 1 && (comparing.value = !comparing.value)) },
  {
    key: ' ',
    does: 'pause, go on',
    run: () => void (latest.value && canBeAsked(latest.value) && ask(paused.value ? 'resume' : 'pause')),
  },
])
</script>

<template>
  <div class="stack">
    <RefusedNote :refused="scans.refused.value" />
    <ComingLines :of="scans" :lines="5" />
    <template v-if="latest">
      <ScanFigures
        :session="latest"
        :busy="acting.busy.value"
        :sound="reported === latest && !latest.ofFiles && report !== undefined && isSound(report)"
        @ask="ask"
      />
    </template>
    <NewSession
      v-if="!running && scans.data.value && (!latest || another)"
      ref="form"
      :key="device"
      :number="docket.number"
      :device="device"
      :sessions="sessions"
      :report="report"
      :image="image.data.value"
      @started="started"
    />
    <RefusedNote :refused="acting.refused.value" />
    <section v-if="sessions.length" aria-labelledby="h-sessions">
      <div class="hd">
        <h2 id="h-sessions">Sessions{{ which }}{{ others ? ' and the others' : '' }}</h2>
        <span class="text-body-secondary">each joins the one catalogue: filled added, outlined shared</span
        ><span class="flex-fill" /><button
          v-if="ended.length > 1"
          type="button"
          class="linkish s text-nowrap"
          :aria-expanded="comparing"
          @click="comparing = !comparing"
        >
          {{ comparing ? 'Hide comparison' : 'Compare two' }} <span class="kbd">C</span></button
        ><button type="button" class="linkish s" :aria-expanded="tabled" @click="tabled = !tabled">
          {{ tabled ? 'Hide the list' : 'List' }}</button
        ><button v-if="!running" type="button" class="linkish s" :aria-expanded="another" @click="another = !another">
          {{ another ? 'Not now' : 'New session' }} <span class="kbd">N</span>
        </button>
      </div>
      <SessionBraid :sessions="all" :words="scopes" />
      <SessionCompare v-if="comparing && ended.length > 1" :number="docket.number" :sessions="ended" />
      <SessionList v-if="tabled" :sessions="sessions" :idle="!running" :image="image.data.value" @started="started" />
    </section>
    <section v-if="report" aria-labelledby="h-volumes">
      <div class="hd">
        <h2 id="h-volumes">Volumes</h2>
        <span class="text-body-secondary">what lies under what; the bar is the share that is whole</span>
      </div>
      <VolumeStrata :report="report" :open="openVolume" @open="(index) => (openVolume = index)" />
      <VolumeFacts
        v-if="shown"
        :volume="shown"
        :report="report"
        :number="docket.number"
        :sessions="sessions"
        :busy="running || acting.busy.value"
        @scan="scanAlone(shown.index)"
      />
    </section>
    <div v-if="report || found.length" class="two">
      <section :aria-label="report?.problems.length ? 'Problems' : 'What was passed over'">
        <template v-if="report?.problems.length">
          <div class="hd">
            <h2>Problems</h2>
            <span class="text-body-secondary">what was malformed, and where</span>
          </div>
          <ul class="s">
            <li v-for="p in report.problems.slice(0, 20)" :key="p">{{ p }}</li>
          </ul>
        </template>
        <p v-if="report && !report.problems.length" class="s text-body-secondary">
          Nothing that was read is malformed.
        </p>
        <FailedStarts
          v-if="reported && report?.rejected"
          :key="reported.id"
          :session="reported.id"
          :rejected="report.rejected"
        />
        <div v-if="more.length" class="more s">
          <b>Why is there more than the device holds?</b>
          <p v-for="line in more" :key="line" class="text-body-secondary">{{ line }}</p>
        </div>
      </section>
      <KindsFound :found="running ? latest?.counts : report" :running="running" />
    </div>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  align-content: start;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
}
.more {
  margin-top: 12px;
}
.more p {
  margin: 2px 0;
}
@media (width <= 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
