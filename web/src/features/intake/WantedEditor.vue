<script setup lang="ts">
import { nextTick, useTemplateRef } from 'vue'
import { Plus, X } from 'lucide-vue-next'
import { BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { api, Refused } from '@/api/client'
import type { WantedForm } from '@/api/types'
import { size } from '@/ui/format/format'
import { assumedYear, filledFrom, shiftedYear } from './wanted'

const props = defineProps<{ /** Groups of kinds that a line may ask for. */ kinds: string[] }>()
const wanted = defineModel<WantedForm[]>({ required: true })

const list = useTemplateRef<HTMLElement>('list')
const options = (w: WantedForm) => [
  { value: '', text: 'any kind' },
  ...props.kinds.map((k) => ({ value: k, text: k })),
  ...w.kinds.filter((k) => !props.kinds.includes(k)).map((k) => ({ value: k, text: k })),
]

async function add(): Promise<void> {
  wanted.value = [...wanted.value, { words: '', kinds: [], pattern: '', hopedFor: 0, minBytes: 0, mustHave: true }]
  await nextTick()
  list.value?.querySelector<HTMLInputElement>('.line:last-of-type input')?.focus()
}
function change(i: number, part: Partial<WantedForm>): void {
  wanted.value = wanted.value.map((w, at) => (at === i ? { ...w, ...part } : w))
}
/** Alt Y takes the year before, where none was said. */
function key(event: KeyboardEvent, i: number): void {
  const line = wanted.value[i]
  if (event.altKey && event.code === 'KeyY' && line && (line.changedFrom || line.changedTo)) {
    event.preventDefault()
    change(i, shiftedYear(line, event.shiftKey ? 1 : -1))
  }
}
function remove(i: number): void {
  wanted.value = wanted.value.filter((_, at) => at !== i)
}
/** What the words say fills what is still empty; what was entered stands. */
async function read(i: number): Promise<void> {
  const words = wanted.value[i]?.words ?? ''
  if (!words.trim()) return
  try {
    const found = await api.post('/api/intake/wanted', { body: { text: words } })
    const now = wanted.value[i]
    if (now?.words === words) wanted.value = wanted.value.map((w, at) => (at === i ? filledFrom(now, found) : w))
  } catch (e) {
    if (!(e instanceof Refused)) throw e // it stays as it was typed
  }
}
defineExpose({ add })
</script>

<template>
  <section ref="list" aria-labelledby="h-wanted">
    <div class="hd">
      <h2 id="h-wanted">Wanted list</h2>
      <span class="text-body-secondary">in their words, then as lines that can be checked</span
      ><span class="flex-fill" />
      <button type="button" class="btn btn-quiet btn-sm" @click="add">
        <Plus class="ic s14" aria-hidden="true" /> Add line <span class="kbd">Alt W</span>
      </button>
    </div>
    <p v-if="!wanted.length" class="s text-body-secondary">Nothing yet: ask what they would miss most.</p>
    <div
      v-for="(w, i) in wanted"
      :key="i"
      class="line"
      role="group"
      :aria-label="`Wanted line ${i + 1}`"
      @keydown="(e) => key(e, i)"
    >
      <span class="m no">W{{ i + 1 }}</span>
      <BFormInput
        class="words quote"
        :model-value="w.words"
        :aria-label="`Line ${i + 1}, in their words`"
        placeholder="“about forty voice memos from last June”"
        @update:model-value="(v) => change(i, { words: String(v) })"
        @blur="read(i)"
      />
      <BFormCheckbox :model-value="w.mustHave" @update:model-value="(v) => change(i, { mustHave: v === true })"
        >must</BFormCheckbox
      >
      <button type="button" class="btn btn-bare btn-sm drop" :aria-label="`Take away line ${i + 1}`" @click="remove(i)">
        <X class="ic s14" aria-hidden="true" />
      </button>
      <div class="checks">
        <BFormSelect
          :model-value="w.kinds[0] ?? ''"
          :options="options(w)"
          :aria-label="`Line ${i + 1}, kind`"
          @update:model-value="(v) => change(i, { kinds: v ? [String(v), ...w.kinds.slice(1)] : [] })"
        />
        <BFormInput
          class="m"
          :model-value="w.pattern"
          :aria-label="`Line ${i + 1}, name or folder pattern`"
          placeholder="Staves/*"
          @update:model-value="(v) => change(i, { pattern: String(v) })"
        />
        <BFormInput
          type="number"
          min="0"
          :model-value="w.hopedFor || ''"
          :aria-label="`Line ${i + 1}, how many`"
          placeholder="how many"
          @update:model-value="(v) => change(i, { hopedFor: Number(v) || 0 })"
        />
        <BFormInput
          type="date"
          :model-value="w.changedFrom ?? ''"
          :aria-label="`Line ${i + 1}, from when`"
          title="from when"
          @update:model-value="(v) => change(i, { changedFrom: String(v) || undefined, yearAssumed: false })"
        />
        <BFormInput
          type="date"
          :model-value="w.changedTo ?? ''"
          :aria-label="`Line ${i + 1}, until when`"
          title="until when"
          @update:model-value="(v) => change(i, { changedTo: String(v) || undefined, yearAssumed: false })"
        />
      </div>
      <p v-if="assumedYear(w)" class="xs also">
        No year was said: <b>{{ assumedYear(w) }}</b> is the last before the loss.
        <button type="button" class="linkish" @click="change(i, shiftedYear(w, -1))">
          a year earlier <span class="kbd">Alt Y</span>
        </button>
        <button type="button" class="linkish" @click="change(i, { yearAssumed: false })">it is right</button>
      </p>
      <p v-if="w.kinds.length > 1 || w.minBytes" class="xs text-body-secondary also">
        <template v-if="w.kinds.length > 1">also {{ w.kinds.slice(1).join(', ') }}</template>
        <button
          v-if="w.minBytes"
          type="button"
          class="linkish"
          :aria-label="`Line ${i + 1}: drop the smallest size`"
          @click="change(i, { minBytes: 0 })"
        >
          over {{ size(w.minBytes) }} ×
        </button>
      </p>
    </div>
  </section>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 26px 1fr auto 26px;
  gap: 4px 6px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  align-items: center;
}
.no {
  line-height: 30px;
  color: var(--heather-d);
}
.checks {
  grid-column: 2 / -1;
  display: grid;
  grid-template-columns: 104px 1fr 74px 116px 116px;
  gap: 4px;
  align-items: center;
}
.checks .form-control,
.checks .form-select {
  font-size: 12px;
  padding: 2px 6px;
  min-height: 26px;
}
.also {
  grid-column: 2 / -1;
}
@media (width <= 600px) {
  .checks {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
