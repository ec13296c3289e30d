<script setup lang="ts">
import { Link2 } from 'lucide-vue-next'
import { BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { useClipboard } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { KeptFilter } from '@/api/types'
import { words } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { peopleToChoose } from '@/features/staff'
import { useVocabulary } from '@/features/triage'
import { filterOf, isFiltered, NO_FILTER, queryOf, type CaseFilter } from './filter'
import { stageName, STAGES } from '@/features/cases'

const filter = defineModel<CaseFilter>({ required: true })
const vocabulary = useVocabulary()
const people = useLive(
  '/api/staff',
  () => ({}),
  (what) => what === 'staff',
)
const kept = useLive(
  '/api/filters',
  () => ({}),
  () => false,
)
const keeping = useAction()
const name = ref('')
const naming = ref(false)
const any = (text: string) => ({ value: '', text })
const stages = [
  any('any stage'),
  ...STAGES.map((s) => ({ value: s as string, text: stageName(s) })),
  { value: 'on-hold', text: 'On hold' },
  { value: 'declined', text: 'Declined' },
]
const owners = computed(() => [any('anybody'), ...peopleToChoose(people.data.value ?? [])])
const paths = computed(() => [
  any('any path'),
  { value: 'none', text: 'not decided' },
  ...(vocabulary.value?.paths ?? []).map((p) => ({ value: p.code, text: p.label })),
])
const media = computed(() => [
  any('any medium'),
  ...(vocabulary.value?.facts.find((f) => f.code === 'medium.type')?.values ?? []).map((v) => ({
    value: v,
    text: words(v),
  })),
])
const states = [
  { value: 'open', text: 'open' },
  { value: 'closed', text: 'closed' },
  { value: 'all', text: 'all' },
]

function set(part: Partial<CaseFilter>): void {
  filter.value = { ...filter.value, ...part }
}
async function keep(): Promise<void> {
  const query = new URLSearchParams(queryOf(filter.value)).toString()
  if (await keeping.run(() => api.post('/api/filters', { body: { name: name.value, query } }))) {
    naming.value = false
    name.value = ''
    await kept.refresh()
  }
}
async function drop(id: number): Promise<void> {
  if (await keeping.run(() => api.delete('/api/filters/{id}', { path: { id } }))) await kept.refresh()
}
const keptFilter = (k: KeptFilter) => filterOf(Object.fromEntries(new URLSearchParams(k.query)))
const { copy: copyText, copied } = useClipboard({ copiedDuring: 2000, legacy: true })
const copy = () => copyText(location.href)
</script>

<template>
  <div class="bar2">
    <BFormSelect
      :model-value="filter.state"
      :options="states"
      aria-label="State"
      @update:model-value="(v) => set({ state: String(v) })"
    />
    <BFormSelect
      :model-value="filter.stage"
      :options="stages"
      aria-label="Stage"
      @update:model-value="(v) => set({ stage: String(v) })"
    />
    <BFormSelect
      :model-value="filter.owner"
      :options="owners"
      aria-label="Owner"
      @update:model-value="(v) => set({ owner: String(v) })"
    />
    <BFormSelect
      :model-value="filter.path"
      :options="paths"
      aria-label="Path"
      @update:model-value="(v) => set({ path: String(v) })"
    />
    <BFormSelect
      :model-value="filter.medium"
      :options="media"
      aria-label="Medium"
      @update:model-value="(v) => set({ medium: String(v) })"
    />
    <BFormCheckbox :model-value="filter.late" @update:model-value="(v) => set({ late: v === true })"
      >overdue</BFormCheckbox
    >
    <template v-if="isFiltered(filter)">
      <button type="button" class="linkish xs" @click="filter = { ...NO_FILTER }">Clear</button>
      <button type="button" class="linkish xs" @click="copy">
        <Link2 class="ic s14" aria-hidden="true" /> {{ copied ? 'copied' : 'Copy link' }}
      </button>
      <form v-if="naming" class="d-flex align-items-center gap-1" @submit.prevent="keep">
        <BFormInput v-model="name" aria-label="Name of the filter" placeholder="name" autofocus /><button
          type="submit"
          class="btn btn-quiet btn-sm"
          :disabled="!name.trim()"
        >
          Keep
        </button>
      </form>
      <button v-else type="button" class="linkish xs" @click="naming = true">Keep this filter</button>
    </template>
    <span v-for="k in kept.data.value" :key="k.id" class="keptone"
      ><button type="button" class="opt" @click="filter = keptFilter(k)">{{ k.name }}</button
      ><button type="button" class="x" :aria-label="`Drop the filter ${k.name}`" @click="drop(k.id)">×</button></span
    >
  </div>
  <RefusedNote :refused="keeping.refused.value" />
</template>

<style scoped>
.bar2 {
  display: flex;
  flex-wrap: wrap;
  gap: 5px 6px;
  align-items: center;
  padding: 6px 0;
}
.bar2 .form-select {
  width: auto;
  font-size: 12px;
  min-height: 26px;
  padding: 2px 30px 2px 7px;
}
.bar2 .form-control {
  width: 110px;
  min-height: 26px;
  font-size: 12px;
  padding: 2px 6px;
}
.bar2 :deep(.form-check) {
  margin: 0;
  min-height: 0;
  font-size: 13px;
}
.keptone {
  display: inline-flex;
}
.keptone .opt {
  height: 26px;
  border-right: 0;
  border-radius: 3px 0 0 3px;
}
.x {
  border: 1px solid var(--edge);
  border-radius: 0 3px 3px 0;
  background: var(--sheet);
  color: var(--ink-2);
  width: 24px;
  height: 26px;
}
</style>
