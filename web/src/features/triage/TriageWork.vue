<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket, Ranking, Vocabulary } from '@/api/types'
import { words } from '@/ui/format/format'
import { pathOf, whichOf } from '@/features/devices'
import RankingScale from '@/ui/instruments/RankingScale.vue'
import { countingFor, formOf, toggleFact } from '@/features/cases'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import AskNext from './AskNext.vue'
import BenchCheck from './BenchCheck.vue'
import DecideForm from './DecideForm.vue'
import EstimateStrip from './EstimateStrip.vue'
import FactMatrix from './FactMatrix.vue'
import MovementNote from './MovementNote.vue'
import type { Pick } from './decision'
import { isFar } from './movement'
import { sayStated } from './say'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** The device that is shown. */
  device?: number
  /** As the facts of that device have it now. */
  ranking: Ranking | undefined
  /** The words of facts. */
  vocabulary: Vocabulary | undefined
}>()
const emit = defineEmits<{ changed: [] }>()

const mine = (what: string, c: string) => c === props.docket.number && (what === 'case' || what === '*')
/** What this person picked; it never moves by itself. */
const chosen = ref<Pick>()
const checking = ref(false)
const answering = useAction()
const shown = computed(() => props.docket.devices.find((d) => d.id === props.device) ?? props.docket.devices[0])
const several = computed(() => props.docket.devices.length > 1)
/** Of one device of several, or of the case. */
const asked = computed(() => (several.value ? shown.value?.id : undefined))
const stands = computed(() => pathOf(props.docket, shown.value))
const leads = computed(() => props.ranking?.ranking[0])
/** A device that goes the way of its case although its own facts lead elsewhere. */
const astray = computed(
  () =>
    several.value &&
    shown.value?.ownPath === undefined &&
    props.docket.path !== undefined &&
    leads.value !== undefined &&
    leads.value.path !== props.docket.path,
)
const path = computed(
  () => chosen.value?.path ?? (astray.value ? leads.value?.path : stands.value) ?? leads.value?.path,
)
const facts = computed(() => countingFor(props.docket, shown.value?.id))
watch(
  () => props.device,
  () => (chosen.value = undefined),
)
const history = useLive(
  '/api/cases/{number}/triage/history',
  () => ({ path: { number: props.docket.number }, query: { device: asked.value } }),
  mine,
)
const estimate = useLive(
  '/api/cases/{number}/triage/estimate',
  () => ({ path: { number: props.docket.number }, query: { device: asked.value, path: path.value } }),
  mine,
)
const far = computed(() => isFar(history.data.value?.moved))
const label = (code: string) => props.vocabulary?.paths.find((p) => p.code === code)?.label ?? words(code)
async function answer(code: string, value: string): Promise<void> {
  const form = formOf(props.docket)
  form.facts = toggleFact(
    form.facts,
    code,
    value,
    props.vocabulary?.facts.find((f) => f.code === code)?.many === true,
    several.value ? shown.value?.position : undefined,
  )
  if (await answering.run(() => api.put('/api/cases/{number}', { path: { number: props.docket.number }, body: form })))
    emit('changed')
}
function checked(): void {
  checking.value = false
  emit('changed')
}
useKeys([{ key: 'B', does: 'bench check', run: () => (checking.value = !checking.value) }])
</script>

<template>
  <div v-if="ranking" class="stack">
    <div class="hd">
      <h2>
        Ranking<template v-if="several && shown"> for {{ whichOf(shown) }}</template>
      </h2>
      <span class="text-body-secondary">{{ facts }} facts, {{ ranking.protocol }}</span
      ><span class="flex-fill" /> <span class="key"><i class="told" /> told by the customer</span
      ><span class="key"><i /> observed on the bench</span>
      <button type="button" class="btn btn-quiet btn-sm" :aria-expanded="checking" @click="checking = !checking">
        Bench check <span class="kbd">B</span>
      </button>
    </div>
    <BenchCheck
      v-if="checking && shown"
      :key="shown.id"
      :docket="docket"
      :device="shown.id"
      :vocabulary="vocabulary"
      @checked="checked"
    />
    <div v-if="history.data.value?.moved && stands" :class="far ? 'warnbox' : 'sheet calm'">
      <b>Moved since it was decided{{ far ? '' : ', and the decision stands' }}.</b>
      <MovementNote :movement="history.data.value.moved" :vocabulary="vocabulary" />
    </div>
    <p v-if="astray && docket.path && leads" class="warnbox">
      <b
        >The case goes {{ label(docket.path).toLowerCase() }}; by its own facts this device leads to
        {{ leads.label.toLowerCase() }}.</b
      >
      Decide whether it goes a way of its own.
    </p>
    <RankingScale :ranking="ranking.ranking" :say="(f) => sayStated(vocabulary, f)" />
    <p v-for="c in ranking.conflicts" :key="c" class="warnbox"><b>The bench saw something else:</b> {{ c }}</p>
    <EstimateStrip
      v-if="estimate.data.value"
      :estimate="estimate.data.value"
      :label="label(estimate.data.value.path)"
    />
    <RefusedNote :refused="answering.refused.value" />
    <div class="two">
      <div>
        <AskNext
          v-if="ranking.nextQuestion"
          :question="ranking.nextQuestion"
          :vocabulary="vocabulary"
          @answer="(v) => answer(ranking!.nextQuestion!.fact, v)"
        />
        <p v-else class="s text-body-secondary">No open question would change the ranking.</p>
        <p v-if="ranking.meanwhile.length" class="s text-body-secondary meanwhile">
          <b>Meanwhile</b> {{ ranking.meanwhile.join(' ') }}
        </p>
      </div>
      <DecideForm
        v-if="path && shown"
        :key="shown.id"
        v-model="chosen"
        :docket="docket"
        :device="shown"
        :ranking="ranking"
        :path="path"
        :history="history.data.value?.decisions ?? []"
        :label="label"
        :moved="history.data.value?.moved !== undefined"
        @decided="emit('changed')"
      />
    </div>
    <FactMatrix :ranking="ranking.ranking" />
  </div>
  <p v-else class="text-body-secondary">Ranking the paths …</p>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
  align-content: start;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  gap: 16px;
  align-items: start;
}
.calm {
  padding: 7px 10px;
  font-size: 13px;
}
.meanwhile {
  margin-top: 8px;
}
.key {
  font-size: 12px;
  display: inline-flex;
  gap: 5px;
  align-items: center;
  color: var(--ink-2);
}
.key i {
  width: 14px;
  height: 9px;
  border: 1px solid var(--ink);
  background: var(--wash);
}
.key i.told {
  border: 1px dashed var(--heather);
  background: var(--heather-wash);
}
@media (width <= 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
