<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Docket, Ranking, Vocabulary } from '@/api/types'
import { dayAndTime, words } from '@/format/format'
import RankingScale from '@/instruments/RankingScale.vue'
import { formOf, toggleFact } from '@/intake/form'
import RefusedNote from '@/shell/RefusedNote.vue'
import { useKeys } from '@/shell/keys'
import AskNext from './AskNext.vue'
import FactMatrix from './FactMatrix.vue'
import { needOf } from './decision'

const props = defineProps<{ docket: Docket; ranking: Ranking | undefined; vocabulary: Vocabulary | undefined }>()
const emit = defineEmits<{ changed: [] }>()

const chosen = ref<string>()
const reason = ref('')
const deciding = useAction()
const answering = useAction()
const path = computed(() => chosen.value ?? props.docket.path ?? props.ranking?.ranking[0]?.path ?? '')
const need = computed(() => (props.ranking ? needOf(props.ranking, path.value) : undefined))
const decided = computed(() => props.docket.stages.filter((s) => s.stage === 'triaged' || s.stage === 'declined').at(-1))
const label = (code: string) => props.vocabulary?.paths.find((p) => p.code === code)?.label ?? words(code)
watch(() => props.docket.version, () => (chosen.value = undefined))

async function decide(): Promise<void> {
  if (await deciding.run(() => api.post(`/api/cases/${props.docket.number}/triage/decision`, { path: path.value, reason: reason.value, version: props.docket.version }))) {
    reason.value = ''
    emit('changed')
  }
}
async function answer(code: string, value: string): Promise<void> {
  const form = formOf(props.docket)
  form.facts = toggleFact(form.facts, code, value, props.vocabulary?.facts.find((f) => f.code === code)?.many === true)
  if (await answering.run(() => api.put(`/api/cases/${props.docket.number}`, form))) emit('changed')
}
useKeys([{ key: 'D', does: 'decide', run: () => void decide() }])
</script>

<template>
  <div v-if="ranking" class="stack">
    <div class="hd"><h2>Ranking</h2><span class="mu">{{ docket.facts.length }} facts, {{ ranking.protocol }}</span><span class="sp" />
      <span class="key"><i class="told" /> told by the customer</span><span class="key"><i /> observed on the bench</span></div>
    <RankingScale :ranking="ranking.ranking" />
    <p v-for="c in ranking.conflicts" :key="c" class="warnbox"><b>The bench saw something else:</b> {{ c }}</p>
    <FactMatrix :ranking="ranking.ranking" />
    <RefusedNote :refused="answering.refused.value" />
    <div class="two">
      <div>
        <AskNext v-if="ranking.nextQuestion" :question="ranking.nextQuestion" :vocabulary="vocabulary" @answer="(v) => answer(ranking!.nextQuestion!.fact, v)" />
        <p v-else class="s mu">No open question would change the ranking.</p>
        <p v-if="ranking.meanwhile.length" class="s mu meanwhile"><b>Meanwhile</b> {{ ranking.meanwhile.join(' ') }}</p>
      </div>
      <form class="sheet decide" @submit.prevent="decide">
        <div class="hd"><h2>Decide</h2><span v-if="docket.path && decided" class="mu">now: <b>{{ label(docket.path) }}</b>, {{ dayAndTime(decided.at) }} by {{ decided.who }}</span></div>
        <p v-if="docket.pathReason" class="s quote">“{{ docket.pathReason }}”</p>
        <div class="paths" role="radiogroup" aria-label="Recovery path">
          <button v-for="p in ranking.ranking" :key="p.path" type="button" role="radio" class="opt pick" :class="{ taken: p.path === path, barred: p.barred }" :aria-checked="p.path === path" @click="chosen = p.path">
            <Check v-if="p.path === path" class="ic s14" aria-hidden="true" /> {{ p.label }}<span v-if="p.barred" class="xs"> barred</span>
          </button>
        </div>
        <p v-if="need?.kind === 'reason'" class="xs c-warn">{{ need.why }}</p>
        <div class="f g8">
          <BFormInput v-model="reason" aria-label="Reason" :placeholder="need?.kind === 'reason' ? 'Reason, needed' : 'Reason, if you like'" />
          <BButton type="submit" variant="primary" :disabled="deciding.busy.value || (need?.kind === 'reason' && !reason.trim())">Decide <span class="kbd">D</span></BButton>
        </div>
        <RefusedNote :refused="deciding.refused.value" />
      </form>
    </div>
  </div>
  <p v-else class="mu">Ranking the paths …</p>
</template>

<style scoped>
.stack { display: grid; gap: 10px; align-content: start; }
.two { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr); gap: 16px; align-items: start; }
.decide { padding: 10px 12px 12px; display: grid; gap: 8px; }
.paths { display: flex; flex-wrap: wrap; gap: 6px; }
.pick.taken { background: var(--verd); border-color: var(--verd); color: var(--on-verd); font-weight: 600; }
.pick.barred:not(.taken) { color: var(--ink-2); border-style: dashed; }
.meanwhile { margin-top: 8px; }
.key { font-size: 12px; display: inline-flex; gap: 5px; align-items: center; color: var(--ink-2); }
.key i { width: 14px; height: 9px; border: 1px solid var(--ink); background: var(--wash); }
.key i.told { border-color: var(--heather); background: var(--heather-wash); }
@media (max-width: 900px) { .two { grid-template-columns: 1fr; } }
</style>
