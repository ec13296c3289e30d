<script setup lang="ts">
import { Pause, Play } from 'lucide-vue-next'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api, withQuery } from '@/api/client'
import type { ImagingView, Lens } from '@/api/types'
import { bytes, dayAndTime, percent, shortHash, size } from '@/format/format'
import LensBand from '@/instruments/LensBand.vue'
import ReadRibbon from '@/instruments/ReadRibbon.vue'
import RibbonKey from '@/instruments/RibbonKey.vue'
import RefusedNote from '@/shell/RefusedNote.vue'
import { useKeys } from '@/shell/keys'
import { around, FIRST, magnified, moved, type Stretch } from './lens'
import { PROFILES, passesOf } from './profiles'
import { leftWords, stateWords } from './progress'

const props = defineProps<{ session: ImagingView }>()
const emit = defineEmits<{ changed: [] }>()

const acting = useAction()
const lens = ref<Stretch>(FIRST)
const lensCells = ref('')
const running = computed(() => props.session.state === 'running' || props.session.state === 'waiting')
const profile = computed(() => PROFILES.find((p) => p.code === props.session.profile))
const passes = computed(() => passesOf(props.session.pass, props.session.state))
const from = computed(() => Math.floor(lens.value.from * props.session.size))
const length = computed(() => Math.max(1, Math.floor((lens.value.to - lens.value.from) * props.session.size)))

watch([from, length, () => props.session.cells], async () => {
  try {
    lensCells.value = (await api.get<Lens>(withQuery(`/api/imaging/${props.session.id}/lens`, { from: String(from.value), length: length.value }))).cells
  } catch {
    lensCells.value = '' // the ribbon above still shows the state; the lens comes back with the next change
  }
}, { immediate: true })

async function toggle(): Promise<void> {
  if (props.session.state === 'done') return
  if (await acting.run(() => api.post(`/api/imaging/${props.session.id}/${running.value ? 'pause' : 'resume'}`))) emit('changed')
}
useKeys([
  { key: ' ', does: 'pause or resume', run: () => void toggle() },
  { key: 'ArrowLeft', does: 'lens back', run: () => (lens.value = moved(lens.value, -1)) },
  { key: 'ArrowRight', does: 'lens on', run: () => (lens.value = moved(lens.value, 1)) },
  { key: '+', does: 'nearer', run: () => (lens.value = magnified(lens.value, true)) },
  { key: '-', does: 'farther', run: () => (lens.value = magnified(lens.value, false)) },
])
</script>

<template>
  <div class="stack">
    <div class="figs">
      <div class="fig big"><b>{{ percent(session.readBytes, session.size) }}</b><span :title="bytes(session.size)">read of {{ size(session.size) }}</span></div>
      <div class="fig"><b>{{ leftWords(session) }}</b><span>{{ session.state === 'done' ? 'of reading' : 'left' }}</span></div>
      <div class="fig"><b>{{ session.state === 'running' ? `${(session.rate / 1048576).toFixed(1)}` : '–' }}</b><span>MiB/s now</span></div>
      <div class="fig"><b :title="bytes(session.deferredBytes)">{{ size(session.deferredBytes) }}</b><span>deferred</span></div>
      <div class="fig"><b :title="bytes(session.failedBytes)" :class="{ 'c-stop': session.failedBytes > 0 }">{{ size(session.failedBytes) }}</b><span>failed, {{ session.failedPlaces }} places</span></div>
      <span class="sp" />
      <BButton v-if="session.state !== 'done'" variant="primary" :disabled="acting.busy.value || !!session.asked" @click="toggle">
        <component :is="running ? Pause : Play" class="ic" aria-hidden="true" /> {{ running ? 'Pause' : 'Resume' }} <span class="kbd">Space</span>
      </BButton>
      <RouterLink v-else class="btn btn-primary" :to="`/cases/${session.caseNumber}/scanning`">Scan the image</RouterLink>
    </div>
    <p class="s" role="status"><b>Session {{ session.id }}</b> {{ stateWords(session) }}</p>
    <RefusedNote :refused="acting.refused.value" />
    <ReadRibbon :cells="session.cells" :rates="session.rates" :bytes="session.size" :head="session.state === 'running' && !session.hashedBytes ? session.head : undefined" :lens="lens" @point="(share) => (lens = around(lens, share))" />
    <LensBand :cells="lensCells" :from="from" :length="length" />
    <RibbonKey />
    <div class="two">
      <section aria-labelledby="h-pass">
        <div class="hd"><h2 id="h-pass">Passes</h2></div>
        <ol class="passes"><li v-for="(p, i) in passes" :key="p.pass" :class="p.state"><span class="m">{{ i + 1 }}</span> {{ p.pass }} <span class="sp" /><span class="mu xs">{{ p.state === 'now' ? 'at hand' : p.state === 'done' ? 'done' : 'to come' }}</span></li></ol>
        <p v-if="profile" class="s mu prof"><b>Care profile {{ profile.label }}:</b> {{ profile.words }}</p>
      </section>
      <section aria-labelledby="h-image">
        <div class="hd"><h2 id="h-image">Image</h2></div>
        <dl class="kv">
          <dt>File</dt><dd class="m xs path">{{ session.image.split('/').slice(-2).join('/') || 'not begun' }}</dd>
          <dt>Map</dt><dd class="m xs">beside it, .map</dd>
          <dt>SHA-256</dt><dd class="m xs path" :title="session.sha256">{{ session.sha256 ?? (session.hashedBytes ? `${percent(session.hashedBytes, session.size)} hashed` : 'at the end') }}</dd>
          <dt>Started</dt><dd>{{ dayAndTime(session.startedAt) }} by {{ session.who }}</dd>
          <dt v-if="session.endedAt">Ended</dt><dd v-if="session.endedAt">{{ dayAndTime(session.endedAt) }}{{ session.sha256 ? `, ${shortHash(session.sha256)}` : '' }}</dd>
        </dl>
      </section>
    </div>
  </div>
</template>

<style scoped>
.stack { display: grid; gap: 8px; align-content: start; }
.fig.big b { font-size: 28px; line-height: 30px; }
.two { display: grid; grid-template-columns: 1fr 1.4fr; gap: 24px; border-top: 1px solid var(--line); padding-top: 10px; margin-top: 4px; }
.passes li { display: flex; gap: 8px; padding: 2px 0; border-bottom: 1px solid var(--line); font-size: 13px; }
.passes .now { font-weight: 650; }
.passes .next { color: var(--ink-2); }
.prof { margin-top: 8px; }
.path { overflow-wrap: anywhere; }
@media (max-width: 900px) { .two { grid-template-columns: 1fr; } .figs { flex-wrap: wrap; } }
</style>
