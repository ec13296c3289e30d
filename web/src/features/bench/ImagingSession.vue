<script setup lang="ts">
import { Moon, Pause, Play } from 'lucide-vue-next'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import { offerUndo } from '@/api/undo'
import type { ImagingEvents, CareProfile, ImagingView } from '@/api/types'
import { bytes, dayAndTime, percent, size } from '@/ui/format/format'
import LensBand from '@/ui/instruments/LensBand.vue'
import ReadRibbon from '@/ui/instruments/ReadRibbon.vue'
import RibbonKey from '@/ui/instruments/RibbonKey.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import CareTrack from './CareTrack.vue'
import CopyNote from './CopyNote.vue'
import FaultList from './FaultList.vue'
import HealthPanel from './HealthPanel.vue'
import { around, FIRST, magnified, moved, type Stretch } from './lens'
import ImageFacts from './ImageFacts.vue'
import PassList from './PassList.vue'
import SessionLimits from './SessionLimits.vue'
import { profileName } from './profiles'
import { inAll, inBadParts, leftWords, placesWords, stateWords, sumWords, unasked } from './progress'

const props = defineProps<{
  /** As the server said last. */
  session: ImagingView
  /** All that there are, gentlest first. */
  profiles: CareProfile[]
  /** A medium stands attached to its case. */
  attached: boolean
}>()
const emit = defineEmits<{ changed: [] }>()

const acting = useAction()
const lens = ref<Stretch>(FIRST)
const events = ref<ImagingEvents>({ events: [], faults: 0 })
const path = computed(() => ({ id: props.session.id }))
const running = computed(() => props.session.state === 'running' || props.session.state === 'waiting')
const done = computed(() => props.session.state === 'done')
const resting = computed(() => running.value && (props.session.resting !== undefined || props.session.restAsked))
/** What a new session would ask for; what failed is asked for again only where another profile allows more tries. */
const left = computed(() => unasked(props.session) + props.session.deferredBytes)
const from = computed(() => Math.floor(lens.value.from * props.session.size))
const length = computed(() => Math.max(1, Math.floor((lens.value.to - lens.value.from) * props.session.size)))

const magnifying = useLive(
  '/api/imaging/{id}/lens',
  () => ({ path: path.value, query: { from: from.value, length: length.value } }),
  (what, c) => what === 'imaging' && c === props.session.caseNumber,
)

/** Events change with these; the numbers in between do not need them. */
watch(
  [() => props.session.state, () => props.session.faults, () => props.session.resting, () => props.session.pass],
  async () => {
    events.value = await api.get('/api/imaging/{id}/events', { path: path.value })
  },
  { immediate: true },
)

async function tell(request: () => Promise<unknown>): Promise<boolean> {
  const through = await acting.run(request)
  if (through) emit('changed')
  return through
}
function ask(what: 'pause' | 'resume' | 'rest' | 'work' | 'enough' | 'recheck'): Promise<boolean> {
  return tell(() => api.post(`/api/imaging/{id}/${what}`, { path: path.value }))
}
function profile(code: string): Promise<unknown> {
  return api.post('/api/imaging/{id}/profile', { path: path.value, body: { profile: code } })
}
/** From the map of this session; the server compares the device's identity first. */
function readOn(): Promise<boolean> {
  const body = { device: props.session.device, profile: props.session.profile }
  return tell(() => api.post('/api/cases/{number}/imaging', { path: { number: props.session.caseNumber }, body }))
}
async function toggle(): Promise<void> {
  if (!done.value) await ask(running.value ? 'pause' : 'resume')
}
async function rest(): Promise<void> {
  if (running.value) await ask(resting.value ? 'work' : 'rest')
}
async function choose(code: string): Promise<void> {
  const before = props.session.profile
  if (await tell(() => profile(code)))
    offerUndo(`Session ${props.session.id} is read as ${profileName(code)}.`, () => profile(before))
}
useKeys([
  {
    key: ' ',
    does: () => (done.value ? undefined : running.value ? 'pause' : 'resume'),
    run: () => void toggle(),
  },
  { key: 'R', does: () => (running.value ? (resting.value ? 'read on' : 'rest') : undefined), run: () => void rest() },
  { key: 'ArrowLeft', does: 'lens back', run: () => (lens.value = moved(lens.value, -1)) },
  { key: 'ArrowRight', does: 'lens on', run: () => (lens.value = moved(lens.value, 1)) },
  { key: '+', does: 'nearer', run: () => (lens.value = magnified(lens.value, true)) },
  { key: '-', does: 'farther', run: () => (lens.value = magnified(lens.value, false)) },
])
</script>

<template>
  <div class="stack">
    <div class="figs">
      <div class="fig big">
        <template v-if="inAll(session) !== undefined"
          ><b>{{ percent(session.readBytes, inAll(session)!) }}</b
          ><span :title="bytes(inAll(session)!)">read of {{ size(inAll(session)!) }}</span></template
        ><template v-else
          ><b>{{ size(session.readBytes) }}</b
          ><span>read of its records</span></template
        >
      </div>
      <div class="fig">
        <b>{{ leftWords(session) }}</b><span>{{
          done ? 'of reading' : inBadParts(session) ? 'in bad parts' : 'left'
        }}</span>
      </div>
      <div v-if="!done" class="fig">
        <b>{{
          session.state === 'running' && !session.resting ? `${(session.rate / 1048576).toFixed(1)}` : '–'
        }}</b><span>MiB/s{{ session.rateLimit ? ` of ${session.rateLimit / 1048576}` : ' now' }}</span>
      </div>
      <div class="fig">
        <b :title="bytes(session.deferredBytes)">{{ size(session.deferredBytes) }}</b><span>deferred</span>
      </div>
      <div class="fig">
        <b :title="bytes(session.failedBytes)" :class="{ 'c-stop': session.failedBytes > 0 }">{{
          size(session.failedBytes)
        }}</b><span>failed, {{ placesWords(session.failedPlaces) }}</span>
      </div>
      <div class="fig">
        <b :title="bytes(unasked(session))">{{ size(unasked(session)) }}</b><span>not asked for</span>
      </div>
      <span class="flex-fill" />
      <template v-if="!done">
        <BButton v-if="running" class="btn-quiet" :disabled="acting.busy.value" @click="rest"
          ><component :is="resting ? Play : Moon" class="ic" aria-hidden="true" />
          {{ resting ? 'Read on' : 'Rest' }}</BButton
        >
        <BButton
          :variant="session.files?.unsound ? undefined : 'primary'"
          :class="{ 'btn-quiet': session.files?.unsound }"
          :disabled="acting.busy.value || !!session.asked"
          @click="toggle"
        >
          <component :is="running ? Pause : Play" class="ic" aria-hidden="true" /> {{ running ? 'Pause' : 'Resume' }}
          <span class="kbd">Space</span>
        </BButton>
      </template>
      <template v-else>
        <BButton v-if="left > 0" class="btn-quiet" :disabled="acting.busy.value || !attached" @click="readOn">{{
          session.files ? 'Image the rest' : `Read on, ${size(left)} left`
        }}</BButton>
        <RouterLink class="btn btn-primary" :to="`/cases/${session.caseNumber}/scanning`">{{
          session.files ? 'See its files' : 'Scan the image'
        }}</RouterLink>
      </template>
    </div>
    <p class="s" role="status" :class="{ warnbox: session.reached || session.resting }">
      <b>Session {{ session.id }}</b> {{ stateWords(session)
      }}<template v-if="session.vanishedAt">
        It went away on {{ dayAndTime(session.vanishedAt) }} and was not seen since; it is looked for every other
        second, and reading goes on by itself when the same device is seen again.</template
      >
    </p>
    <CopyNote v-if="session.files" :session="session" :files="session.files" />
    <p class="xs m text-body-secondary">{{ sumWords(session) }}</p>
    <p v-if="done && left > 0 && !attached" class="s">
      Attach the same device again to read on: what is read stays, and only the {{ size(left) }} that are missing are
      asked for.
    </p>
    <RefusedNote :refused="acting.refused.value" />
    <ReadRibbon
      :cells="session.cells"
      :rates="session.rates"
      :bytes="session.size"
      :head="session.state === 'running' && session.pass !== 'hashing' ? session.head : undefined"
      :lens="lens"
      @point="(share) => (lens = around(lens, share))"
    />
    <LensBand :cells="magnifying.data.value?.cells ?? ''" :from="from" :length="length" />
    <RibbonKey />
    <div class="two">
      <div class="stack">
        <CareTrack :profiles="profiles" :current="session.profile" :locked="done" @choose="choose" />
        <SessionLimits :session="session" @changed="emit('changed')" @enough="ask('enough')" />
        <PassList :session="session" />
        <ImageFacts :session="session" @recheck="ask('recheck')" />
      </div>
      <div class="stack">
        <HealthPanel
          :number="session.caseNumber"
          :device="session.device"
          :limits="session.limits"
          :events="events.events"
          :ask="!running"
        />
        <FaultList :events="events.events" :faults="session.faults" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
}

/* What does not fit beside the figures goes below them, never over the edge. */
.figs {
  gap: 8px 15px;
  flex-wrap: wrap;
}
.fig.big b {
  font-size: 28px;
  line-height: 30px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 24px;
  border-top: 1px solid var(--line);
  padding-top: 10px;
  margin-top: 4px;
}
@media (width <= 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
