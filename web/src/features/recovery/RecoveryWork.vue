<script setup lang="ts">
import { Pause, Play } from 'lucide-vue-next'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { bytes, count, dayAndTime, shortHash, size } from '@/ui/format/format'
import FillGauge from '@/ui/instruments/FillGauge.vue'
import HashLadder from '@/ui/instruments/HashLadder.vue'
import PageSteps from '@/ui/PageSteps.vue'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import { asFound } from '@/ui/format/names'
import { systemName } from '@/features/cases'
import { outcomeWords, runWords } from './outcome'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const emit = defineEmits<{ changed: [] }>()

const router = useRouter()
const runs = useLive(
  '/api/cases/{number}/recovery',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => c === props.docket.number && what === 'recovery',
)
const acting = useAction()
const run = computed(() => runs.data.value?.[0])
const running = computed(() => run.value?.state === 'running' || run.value?.state === 'waiting')
const page = ref(0)
const files = useLive(
  '/api/recovery/{id}/files',
  () => (run.value ? { path: { id: run.value.id }, query: { page: page.value } } : undefined),
  (what, c) => c === props.docket.number && what === 'recovery',
)
const shown = computed(() => files.data.value?.items ?? [])

watch(
  () => run.value?.id,
  () => (page.value = 0),
)

async function toggle(): Promise<void> {
  if (!run.value || run.value.state === 'done') return
  if (
    await acting.run(() =>
      api.post(`/api/recovery/{id}/${running.value ? 'pause' : 'resume'}`, { path: { id: run.value!.id } }),
    )
  )
    await runs.refresh()
}
async function seal(): Promise<void> {
  if (run.value?.state !== 'done') return
  if (await acting.run(() => api.post('/api/cases/{number}/deliveries', { path: { number: props.docket.number } }))) {
    emit('changed')
    await router.push(`/cases/${props.docket.number}/handover`)
  }
}
useKeys([
  { key: ' ', does: 'pause or resume', run: () => void toggle() },
  { key: 'S', does: 'seal the delivery', run: () => void seal() },
])
</script>

<template>
  <div class="stack">
    <RefusedNote :refused="runs.refused.value ?? files.refused.value" />
    <ComingLines :of="runs" :lines="5" />
    <template v-if="run">
      <div class="figs">
        <div class="fig big">
          <b>{{ count(run.done) }}</b><span>of {{ count(run.total) }} findings</span>
        </div>
        <div class="fig">
          <b :title="bytes(run.bytes)">{{ size(run.bytes) }}</b><span>written and read back</span>
        </div>
        <div class="fig">
          <b>{{ count(run.whole) }}</b><span>whole</span>
        </div>
        <div class="fig">
          <b>{{ count(run.gapped) }}</b><span>with gaps</span>
        </div>
        <div v-if="run.doubtful" class="fig">
          <b>{{ count(run.doubtful) }}</b><span>in doubt</span>
        </div>
        <div class="fig">
          <b :class="{ 'c-stop': run.notWritten }">{{ count(run.notWritten) }}</b><span>not written</span>
        </div>
        <span class="flex-fill" />
        <BButton v-if="run.state === 'done'" variant="primary" :disabled="acting.busy.value" @click="seal"
          >Seal the delivery <span class="kbd">S</span></BButton
        >
        <BButton v-else variant="primary" :disabled="acting.busy.value" @click="toggle"
          ><component :is="running ? Pause : Play" class="ic" aria-hidden="true" /> {{ running ? 'Pause' : 'Resume' }}
          <span class="kbd">Space</span></BButton
        >
      </div>
      <p class="s" role="status">
        <b>Run {{ run.id }}</b> {{ runWords(run) }}
        <span class="text-body-secondary"
          >Started {{ dayAndTime(run.startedAt) }} by {{ run.who }}; laid out {{ run.layout.replaceAll('-', ' ') }}, for
          {{ systemName(run.opensOn) }}.</span
        >
      </p>
      <RefusedNote :refused="acting.refused.value" />
      <section aria-labelledby="h-back">
        <div class="hd">
          <h2 id="h-back">Read back and hashed again</h2>
          <span class="text-body-secondary">a rung is a file whose two hashes are equal</span>
        </div>
        <HashLadder
          :equal="run.whole + run.gapped + run.doubtful"
          :differing="run.notWritten"
          :waiting="run.total - run.done"
          upper="as written"
          lower="read back"
        />
      </section>
      <section aria-labelledby="h-files">
        <div class="hd">
          <h2 id="h-files">Result by file</h2>
          <span class="text-body-secondary">what needs a look first</span>
        </div>
        <table v-if="shown.length" class="rows">
          <thead>
            <tr>
              <th>result</th>
              <th>file in the lab store</th>
              <th class="n">size</th>
              <th>SHA-256</th>
              <th>why</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="f in shown" :key="f.line">
              <td class="text-nowrap">
                <span class="d-flex align-items-center gap-2"
                  ><FillGauge
                    :prognosis="f.outcome === 'not-written' ? 'overwritten' : f.outcome"
                    :share="f.outcome === 'gapped' ? 0.7 : 1"
                  />
                  {{ outcomeWords(f) }}</span
                >
              </td>
              <td class="path">{{ asFound(f.path ?? f.name) }}</td>
              <td class="n" :title="bytes(f.size)">{{ size(f.size) }}</td>
              <td class="m xs" :title="f.sha256">{{ f.sha256 ? shortHash(f.sha256) : '–' }}</td>
              <td class="s text-body-secondary">{{ f.why ?? '' }}</td>
            </tr>
          </tbody>
        </table>
        <p v-else-if="files.data.value" class="empty">Nothing is written yet.</p>
        <PageSteps v-if="files.data.value" :of="files.data.value" label="Pages of files" @go="page = $event" />
      </section>
    </template>
    <p v-else-if="runs.data.value" class="empty">
      Nothing has been recovered yet.
      <RouterLink class="link" :to="`/cases/${docket.number}/selection`">Choose findings in the catalogue</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 12px;
  align-content: start;
}
.fig.big b {
  font-size: 28px;
  line-height: 30px;
}
.path {
  overflow-wrap: anywhere;
}
@media (width <= 900px) {
  .figs {
    flex-wrap: wrap;
  }
}
</style>
