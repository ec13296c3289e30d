<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { CaseForm } from '@/api/types'
import { offerUndo } from '@/api/undo'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import { useSession } from '@/features/staff'
import { sayFact, useEstimate, useRanking, useVocabulary } from '@/features/triage'
import CallClock from './CallClock.vue'
import ConsentFields from './ConsentFields.vue'
import CustomerFields from './CustomerFields.vue'
import DeviceFields from './DeviceFields.vue'
import DraftNote from './DraftNote.vue'
import FactRows from './FactRows.vue'
import EditedMeanwhile from './EditedMeanwhile.vue'
import FreeLine from './FreeLine.vue'
import IntakeHead from './IntakeHead.vue'
import IntakeAdvice from './IntakeAdvice.vue'
import SaidOf from './SaidOf.vue'
import WantedEditor from './WantedEditor.vue'
import { caseDraftKey, keepLocal, newDraftKey, readLocal, readServer, useKeptDraft, type Draft } from './draft'
import { fieldId, loggedWords } from './logged'
import { emptyForm, factsForRanking, factsWithDevices, formOf, hasFact, toggleFact } from '@/features/cases'
import { byHand, nothingHeard } from './heard'
import { useHeard } from './useHeard'
import { useSaving } from './useSaving'

const route = useRoute()
const router = useRouter()
const number = computed(() => (route.params.number ? String(route.params.number) : undefined))
const key = number.value
  ? caseDraftKey(number.value, useSession().person?.login ?? '')
  : String(route.query.draft ?? newDraftKey())
const begunElsewhere = number.value !== undefined || route.query.draft !== undefined
const found = readLocal(key)
const draft = ref<Draft>(found ?? { form: emptyForm(), heard: nothingHeard() })
const form = computed({ get: () => draft.value.form, set: (f: CaseForm) => (draft.value.form = f) })
const restored = ref(found !== undefined)
const ready = ref(found !== undefined || !number.value)
const began = ref(0)
const kinds = ref<string[]>([])
const loading = useAction()
const vocabulary = useVocabulary()
const code = (c: string) => vocabulary.value?.facts.find((f) => f.code === c)
const kept = useKeptDraft(key, draft, number.value)
const { saving, theirs, log, saveOver, take } = useSaving(form, number, async (logged) => {
  const as = draft.value
  // Asked before the page is left: then its address is the case's.
  const fresh = number.value === undefined
  await kept.drop()
  await router.push(`/cases/${logged}/triaged`)
  if (fresh) offerUndo(loggedWords(logged, as.form), () => unlog(logged, as))
})
/** Back to what was typed: the case is taken back, and its form is a draft again. */
async function unlog(logged: string, as: Draft): Promise<void> {
  await api.delete('/api/cases/{number}', { path: { number: logged } })
  const again = newDraftKey()
  keepLocal(again, { ...as, version: undefined })
  await router.push(`/intake?draft=${again}`)
}
const hearing = useHeard(
  draft,
  (c) => code(c)?.many === true,
  () => number.value !== undefined && !restored.value,
  (c, v) => sayFact(vocabulary.value, c, v),
)
const advice = useTemplateRef<InstanceType<typeof IntakeAdvice>>('advice')
const wantedEditor = useTemplateRef<InstanceType<typeof WantedEditor>>('wantedEditor')
const customerFields = useTemplateRef<InstanceType<typeof CustomerFields>>('customerFields')
const line = useTemplateRef<InstanceType<typeof FreeLine>>('line')
const deviceRow = useTemplateRef<InstanceType<typeof DeviceFields>>('deviceRow')
const factRows = useTemplateRef<InstanceType<typeof FactRows>>('factRows')
/** The device that facts are said of, counted from 1; undefined for all of them. */
const sayingOf = ref<number>()
const ofWhich = computed(() => (form.value.devices.length > 1 ? sayingOf.value : undefined))
const devices = computed({
  get: () => form.value.devices,
  set: (after) =>
    (form.value = {
      ...form.value,
      devices: after,
      facts: factsWithDevices(form.value.facts, form.value.devices, after),
    }),
})
watch(
  () => form.value.devices.length,
  (n) => (sayingOf.value ?? 0) > n && (sayingOf.value = undefined),
)
const { ranking } = useRanking(() => factsForRanking(form.value, ofWhich.value))
const estimate = useEstimate(() => form.value)

const lost = computed(() => Number(form.value.facts.find((f) => f.code === 'since.hours')?.value ?? NaN))
const told = computed(() => form.value.facts.filter((f) => f.source === 'told').length)
const asked = computed(() => ranking.value?.nextQuestion?.fact)

watch(
  () => form.value.story + form.value.customer.name + form.value.contactPerson,
  (text) => text && (began.value ||= Date.now()),
)

onMounted(() => {
  if (!number.value && !route.query.draft) void router.replace({ query: { draft: key } })
  void loading.run(async () => {
    kinds.value = await api.get('/api/cases/kinds')
    if (found) return kept.resume()
    const known = begunElsewhere ? await readServer(key) : undefined
    if (known) {
      draft.value = known
      restored.value = true
    } else if (number.value) {
      draft.value = {
        form: formOf(await api.get('/api/cases/{number}', { path: { number: number.value } })),
        heard: nothingHeard(),
      }
      kept.rest()
    }
    ready.value = true
  })
})
useEventListener(document, 'keydown', save)
useKeys([
  { key: 'Alt S', does: 'said', run: () => advice.value?.sayNext() },
  { key: 'Alt W', does: 'wanted line', run: () => wantedEditor.value?.add() },
  { key: 'Alt L', does: 'the line', run: () => line.value?.focus() },
  { key: '1', does: '– 9 a row, then its letter', run: () => deviceRow.value?.focus() },
  ...Array.from({ length: 8 }, (_, i) => ({ key: String(i + 2), does: '', run: () => factRows.value?.focus(i) })),
])

const FIELDS = '.entry input, .entry select, .entry textarea'
const isField = (t: EventTarget | null): t is HTMLElement =>
  t instanceof HTMLElement && t.matches('.entry input:not([type=checkbox]), .entry select')
function nextField(from: HTMLElement): HTMLElement | undefined {
  const all = [...document.querySelectorAll<HTMLElement>(FIELDS)].filter((f) => f.offsetParent !== null)
  return all[all.indexOf(from) + 1]
}

/** Ctrl Enter logs from anywhere, Enter goes to the next field; Escape leaves one, so that the screen's keys work. */
function save(event: KeyboardEvent): void {
  if ((event.ctrlKey || event.metaKey) && event.key === 'Enter') {
    event.preventDefault()
    void logged()
  } else if (event.key === 'Enter' && !event.altKey && !event.defaultPrevented && isField(event.target)) {
    event.preventDefault()
    nextField(event.target)?.focus()
  } else if (event.key === 'Escape' && event.target instanceof HTMLElement && event.target.closest('.intake'))
    event.target.blur()
}
async function logged(): Promise<void> {
  if (!ready.value) return
  await log()
  const wrong = fieldId(saving.refused.value?.field)
  if (wrong) document.getElementById(wrong)?.focus()
}
function toggle(c: string, value: string): void {
  const many = code(c)?.many === true
  form.value = { ...form.value, facts: toggleFact(form.value.facts, c, value, many, ofWhich.value) }
  if (ofWhich.value === undefined)
    draft.value.heard = byHand(draft.value.heard, c, value, hasFact(form.value.facts, c, value))
}
function answer(c: string, value: string): void {
  if (c === 'medium.type')
    form.value = {
      ...form.value,
      devices: form.value.devices.map((d, i) =>
        i === (ofWhich.value ?? 1) - 1 ? { ...d, type: value === 'unknown' ? 'other' : value } : d,
      ),
    }
  else if (!hasFact(form.value.facts, c, value, ofWhich.value)) toggle(c, value)
}
async function openTheirs(): Promise<void> {
  const other = await readServer(key)
  if (other) draft.value = other
  await kept.keepMine()
}
async function startOver(): Promise<void> {
  await kept.drop()
  await router.replace(number.value ? { path: `/cases/${number.value}` } : { path: '/desk' })
  await router.replace(number.value ? { path: `/cases/${number.value}/intake` } : { path: '/intake' })
}
</script>

<template>
  <form class="intake" @submit.prevent="logged">
    <IntakeHead
      :number="number"
      :who="form.contactPerson || form.customer.name"
      :restored="restored"
      :busy="saving.busy.value"
      @start-over="startOver"
    >
      <template #draft
        ><DraftNote :state="kept.state.value" :kept-at="kept.keptAt.value" @mine="kept.keepMine" @theirs="openTheirs"
      /></template>
      <CallClock v-if="!number" :began="began" :lost="lost" />
    </IntakeHead>
    <div class="halves">
      <section class="entry" aria-label="What is said">
        <RefusedNote :refused="loading.refused.value" />
        <EditedMeanwhile v-if="theirs" :mine="form" :theirs="theirs" @mine="saveOver" @theirs="take(theirs)" />
        <RefusedNote v-else :refused="saving.refused.value" />
        <FreeLine
          ref="line"
          :model-value="form.story"
          :items="hearing.items.value"
          :taken-back="hearing.takenBack.value"
          @update:model-value="(v) => (form = { ...form, story: v })"
          @take-away="hearing.takeAway"
          @leave="customerFields?.focus()"
        />
        <RefusedNote :refused="hearing.refused.value" />
        <CustomerFields
          ref="customerFields"
          v-model="form.customer"
          v-model:contact="form.contactPerson"
          :wrong="saving.refused.value?.field"
          :editing="number"
        />
        <DeviceFields
          ref="deviceRow"
          v-model="devices"
          :types="code('medium.type')?.values ?? []"
          :wrong="saving.refused.value?.field"
          :asked="asked === 'medium.type'"
        />
        <SaidOf v-if="devices.length > 1" v-model="sayingOf" :devices="devices" :facts="form.facts" />
        <FactRows
          ref="factRows"
          :vocabulary="vocabulary"
          :is-on="(c, v) => hasFact(form.facts, c, v, ofWhich)"
          :asked="asked"
          @toggle="toggle"
        />
        <ConsentFields
          v-model="form.consent"
          v-model:deadline="form.deadline"
          v-model:opens-on="form.opensOn"
          :wrong="saving.refused.value?.field"
        />
        <WantedEditor ref="wantedEditor" v-model="form.wanted" :kinds="kinds" />
      </section>
      <section class="advice" aria-label="What follows" aria-live="polite">
        <IntakeAdvice
          v-if="ranking"
          ref="advice"
          :ranking="ranking"
          :vocabulary="vocabulary"
          :told="told"
          :observed="form.facts.length - told"
          :estimate="estimate"
          @answer="answer"
        />
      </section>
    </div>
  </form>
</template>

<style scoped>
.intake {
  display: grid;
  grid-template-rows: 56px 1fr;
  height: 100%;
}
.halves {
  display: grid;
  grid-template-columns: 548px minmax(0, 1fr);
  min-height: 0;
}
.entry {
  position: relative;
  overflow: auto;
  padding: 10px 18px 20px 20px;
  border-right: 1px solid var(--line);
}
.advice {
  position: relative;
  overflow: auto;
  padding: 14px 20px 20px;
  display: grid;
  gap: 12px;
  align-content: start;
}
.refused,
.warnbox {
  margin-bottom: 8px;
}

/* What was refused stays under the eyes, wherever one has scrolled to. */
.entry > .refused {
  position: sticky;
  top: -10px;
  z-index: 3;
}
@media (width <= 900px) {
  .intake {
    height: auto;
    grid-template-rows: auto auto;
  }
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .entry {
    padding: 12px 14px;
    border-right: 0;
  }
  .advice {
    padding: 14px;
  }
}
</style>
