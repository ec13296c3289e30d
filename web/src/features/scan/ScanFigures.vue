<script setup lang="ts">
import { computed } from 'vue'
import type { ScanView } from '@/api/types'
import { count, duration } from '@/ui/format/format'
import { canBeAsked, phaseWords, shareDone } from './counts'

const props = defineProps<{
  /** The newest one. */
  session: ScanView
  /** A wish of it is on its way to the server. */
  busy: boolean
  /** It found every file listed and whole. */
  sound: boolean
}>()
const emit = defineEmits<{ /** What it is asked to do. */ ask: [what: 'stop' | 'pause' | 'resume'] }>()
const running = computed(() => props.session.state === 'running' || props.session.state === 'waiting')
const paused = computed(() => running.value && props.session.asked === 'pause')
</script>

<template>
  <div class="figs">
    <div class="fig big">
      <b>{{ Math.floor(100 * shareDone(session)) }} %</b><span>{{ phaseWords(session) }}</span>
    </div>
    <div class="fig">
      <b>{{ count(running ? session.counts.findings : (session.report?.findings ?? 0)) }}</b><span
        >findings {{ running ? 'so far' : '' }}</span
      >
    </div>
    <div class="fig">
      <b>{{ count(session.added) }}</b><span>new in the catalogue</span>
    </div>
    <div class="fig">
      <b>{{ count(session.shared) }}</b><span>in the catalogue already</span>
    </div>
    <div v-if="running && !paused && session.secondsLeft" class="fig">
      <b>{{ duration(session.secondsLeft) }}</b><span>left, about</span>
    </div>
    <div v-if="session.report" class="fig">
      <b>{{ duration(session.report.seconds) }}</b><span>taken</span>
    </div>
    <span class="flex-fill" />
    <template v-if="running">
      <RouterLink v-if="session.added" class="btn btn-quiet" :to="`/cases/${session.caseNumber}/selection`"
        >Open what is there</RouterLink
      >
      <template v-if="canBeAsked(session)">
        <button
          type="button"
          class="btn btn-quiet"
          :disabled="busy || session.asked === 'stop'"
          @click="emit('ask', paused ? 'resume' : 'pause')"
        >
          {{ paused ? 'Go on' : 'Pause' }}
        </button>
        <button
          type="button"
          class="btn btn-stop"
          :disabled="busy || session.asked === 'stop'"
          @click="emit('ask', 'stop')"
        >
          Stop
        </button>
      </template>
    </template>
    <RouterLink
      v-else-if="session.state === 'done' || session.state === 'stopped'"
      class="btn btn-primary"
      :to="`/cases/${session.caseNumber}/selection`"
      >Open catalogue</RouterLink
    >
  </div>
  <div
    class="bar verd"
    role="progressbar"
    aria-label="Scan"
    :aria-valuenow="Math.floor(100 * shareDone(session))"
    aria-valuemin="0"
    aria-valuemax="100"
  >
    <i :style="{ width: `${100 * shareDone(session)}%` }" />
  </div>
  <p v-if="running && session.counts.folder" class="xs text-body-secondary m folder">{{ session.counts.folder }}</p>
  <p v-if="sound" class="sheet sound s">
    <b>Nothing is lost here.</b> Every volume is sound and every file is listed and whole: copy them straight.
  </p>
  <p v-if="session.trouble" class="refused" role="alert">
    {{ session.trouble }} The image is untouched; start another session.
  </p>
</template>

<style scoped>
.fig.big b {
  font-size: 28px;
  line-height: 30px;
}
.folder {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  margin: -8px 0 0;
}
.sound {
  padding: 9px 12px;
  border-left: 4px solid var(--verd);
}
@media (width <= 900px) {
  .figs {
    flex-wrap: wrap;
  }
}
</style>
