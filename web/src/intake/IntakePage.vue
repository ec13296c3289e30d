<script setup lang="ts">
import { Phone } from 'lucide-vue-next'
import { BButton, BFormTextarea } from 'bootstrap-vue-next'
import { computed, onMounted, onUnmounted, ref, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { CaseForm, Docket } from '@/api/types'
import RefusedNote from '@/shell/RefusedNote.vue'
import { useKeys } from '@/shell/keys'
import { useRanking } from '@/triage/useRanking'
import { useVocabulary } from '@/triage/vocabulary'
import ChoiceRow from './ChoiceRow.vue'
import CustomerFields from './CustomerFields.vue'
import DeviceFields from './DeviceFields.vue'
import EditedMeanwhile from './EditedMeanwhile.vue'
import IntakeAdvice from './IntakeAdvice.vue'
import WantedEditor from './WantedEditor.vue'
import { draftKey, dropDraft, keepDraft, readDraft } from './draft'
import { emptyForm, factsForRanking, formOf, hasFact, ROWS, toggleFact } from './form'

const route = useRoute()
const router = useRouter()
const number = computed(() => (route.params.number ? String(route.params.number) : undefined))
const key = draftKey(number.value)
const found = readDraft(key)
const form = ref<CaseForm>(found ?? emptyForm())
const restored = ref(found !== undefined)
const theirs = ref<CaseForm>()
const kinds = ref<string[]>([])
const more = ref(false)
const saving = useAction()
const loading = useAction()
const vocabulary = useVocabulary()
const advice = useTemplateRef<InstanceType<typeof IntakeAdvice>>('advice')
const wantedEditor = useTemplateRef<InstanceType<typeof WantedEditor>>('wantedEditor')
const { ranking } = useRanking(() => factsForRanking(form.value))

const code = (c: string) => vocabulary.value?.facts.find((f) => f.code === c)
const rows = computed(() => [
  ...ROWS,
  ...(more.value
    ? (vocabulary.value?.facts ?? []).filter((f) => !f.number && !f.code.startsWith('bench.') && f.code !== 'medium.type' && !ROWS.some((r) => r.code === f.code))
        .map((f) => ({ code: f.code, label: f.code.split('.').at(-1) ?? f.code, common: [] }))
    : []),
].map((r) => ({ ...r, fact: code(r.code) })))
const told = computed(() => form.value.facts.filter((f) => f.source === 'told').length)

onMounted(() => {
  document.addEventListener('keydown', save)
  void loading.run(async () => {
    kinds.value = await api.get<string[]>('/api/cases/kinds')
    if (number.value && !found) form.value = formOf(await api.get<Docket>(`/api/cases/${number.value}`))
    keepDraft(key, form)
  })
})
onUnmounted(() => document.removeEventListener('keydown', save))
useKeys([
  { key: 'S', does: 'said', run: () => advice.value?.sayNext() },
  { key: 'W', does: 'wanted line', run: () => wantedEditor.value?.add() },
])

function save(event: KeyboardEvent): void {
  if ((event.ctrlKey || event.metaKey) && event.key === 'Enter') {
    event.preventDefault()
    void log()
  }
}
function toggle(c: string, value: string): void {
  form.value.facts = toggleFact(form.value.facts, c, value, code(c)?.many === true)
}
function answer(c: string, value: string): void {
  if (c === 'medium.type') form.value.device.type = value
  else if (!hasFact(form.value.facts, c, value)) toggle(c, value)
}
async function log(): Promise<void> {
  const done = await saving.run(async () => {
    const docket = number.value ? await api.put<Docket>(`/api/cases/${number.value}`, form.value) : await api.post<Docket>('/api/cases', form.value)
    dropDraft(key)
    await router.push(`/cases/${docket.number}/triaged`)
  })
  if (!done && saving.refused.value?.status === 409 && number.value) {
    theirs.value = formOf(await api.get<Docket>(`/api/cases/${number.value}`))
  }
}
async function saveOver(): Promise<void> {
  form.value.version = theirs.value?.version
  theirs.value = undefined
  await log()
}
function take(other: CaseForm): void {
  form.value = other
  theirs.value = undefined
  saving.clear()
}
async function startOver(): Promise<void> {
  dropDraft(key)
  restored.value = false
  form.value = number.value ? formOf(await api.get<Docket>(`/api/cases/${number.value}`)) : emptyForm()
}
</script>

<template>
  <form class="intake" @submit.prevent="log">
    <header class="dk-head">
      <Phone class="ic" aria-hidden="true" />
      <h1>{{ form.customer.contactPerson || form.customer.name || (number ? 'Intake' : 'New intake') }}</h1>
      <span class="mu s el">{{ number ?? 'everything is kept as you type' }}</span>
      <span class="sp" />
      <span v-if="restored" class="s mu">Your draft is here again. <button type="button" class="linkish" @click="startOver">Start over</button></span>
      <RouterLink :to="number ? `/cases/${number}` : '/desk'" class="btn btn-quiet">Hold</RouterLink>
      <BButton type="submit" variant="primary" :disabled="saving.busy.value">{{ number ? 'Save the case' : 'Log the device' }} <span class="kbd">Ctrl ⏎</span></BButton>
    </header>
    <div class="halves">
      <section class="entry" aria-label="What is said">
        <RefusedNote :refused="loading.refused.value" />
        <EditedMeanwhile v-if="theirs" :mine="form" :theirs="theirs" @mine="saveOver" @theirs="take(theirs)" />
        <RefusedNote v-else :refused="saving.refused.value" />
        <CustomerFields v-model="form.customer" :wrong="saving.refused.value?.field" />
        <div class="story"><label for="story" class="lab">What happened, as they tell it</label><BFormTextarea id="story" v-model="form.story" rows="2" max-rows="6" /></div>
        <DeviceFields v-model="form.device" :types="code('medium.type')?.values ?? []" :wrong="saving.refused.value?.field" />
        <ChoiceRow
          v-for="r in rows"
          :key="r.code"
          :label="r.label"
          :ask="r.fact?.ask ?? r.label"
          :values="r.fact?.values ?? []"
          :common="r.common"
          :is-on="(v) => hasFact(form.facts, r.code, v)"
          :asked="ranking?.nextQuestion?.fact === r.code"
          @toggle="(v) => toggle(r.code, v)"
        />
        <p class="morefacts"><button type="button" class="linkish s" :aria-expanded="more" @click="more = !more">{{ more ? 'Fewer facts' : 'More facts: encryption, sets, budget, privacy …' }}</button></p>
        <WantedEditor ref="wantedEditor" v-model="form.wanted" :kinds="kinds" />
      </section>
      <section class="advice" aria-label="What follows" aria-live="polite">
        <IntakeAdvice v-if="ranking" ref="advice" :ranking="ranking" :vocabulary="vocabulary" :told="told" :observed="form.facts.length - told" @answer="answer" />
      </section>
    </div>
  </form>
</template>

<style scoped>
.intake { display: grid; grid-template-rows: 56px 1fr; height: 100%; }
.halves { display: grid; grid-template-columns: 548px minmax(0, 1fr); min-height: 0; }
.entry { overflow: auto; padding: 12px 18px 20px 20px; border-right: 1px solid var(--line); }
.advice { overflow: auto; padding: 14px 20px 20px; display: grid; gap: 14px; align-content: start; }
.story { padding: 6px 0 8px; border-bottom: 1px solid var(--line); }
.morefacts { padding: 8px 0 12px; }
.refused, .warnbox { margin-bottom: 8px; }
@media (max-width: 900px) {
  .intake { height: auto; grid-template-rows: auto auto; }
  .dk-head { flex-wrap: wrap; padding: 8px 14px; gap: 8px; }
  .halves { grid-template-columns: minmax(0, 1fr); }
  .entry { padding: 12px 14px; border-right: 0; }
  .advice { padding: 14px; }
}
</style>
