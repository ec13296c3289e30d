<script setup lang="ts">
import { nextTick, useTemplateRef } from 'vue'
import { Plus, X } from 'lucide-vue-next'
import { BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import type { WantedForm } from '@/api/types'

const props = defineProps<{ /** Groups of kinds that a line may ask for. */ kinds: string[] }>()
const wanted = defineModel<WantedForm[]>({ required: true })

const options = () => [{ value: '', text: 'any kind' }, ...props.kinds.map((k) => ({ value: k, text: k }))]

const list = useTemplateRef<HTMLElement>('list')

async function add(): Promise<void> {
  wanted.value = [...wanted.value, { words: '', kinds: [], pattern: '', hopedFor: 0, mustHave: true }]
  await nextTick()
  list.value?.querySelector<HTMLInputElement>('.line:last-of-type input')?.focus()
}
function change(i: number, part: Partial<WantedForm>): void {
  wanted.value = wanted.value.map((w, at) => (at === i ? { ...w, ...part } : w))
}
function remove(i: number): void {
  wanted.value = wanted.value.filter((_, at) => at !== i)
}
defineExpose({ add })
</script>

<template>
  <section ref="list" aria-labelledby="h-wanted">
    <div class="hd"><h2 id="h-wanted">Wanted list</h2><span class="mu">in their words, then as lines that can be checked</span><span class="sp" />
      <button type="button" class="btn btn-quiet btn-sm" @click="add"><Plus class="ic s14" aria-hidden="true" /> Add line</button></div>
    <p v-if="!wanted.length" class="s mu">Nothing yet: ask what they would miss most.</p>
    <div v-for="(w, i) in wanted" :key="i" class="line" role="group" :aria-label="`Wanted line ${i + 1}`">
      <span class="m no">W{{ i + 1 }}</span>
      <BFormInput class="words quote" :model-value="w.words" :aria-label="`Line ${i + 1}, in their words`" placeholder="“the stave readings, all of them”" @update:model-value="(v) => change(i, { words: String(v) })" />
      <BFormSelect :model-value="w.kinds[0] ?? ''" :options="options()" :aria-label="`Line ${i + 1}, kind`" @update:model-value="(v) => change(i, { kinds: v ? [String(v)] : [] })" />
      <BFormInput class="m" :model-value="w.pattern" :aria-label="`Line ${i + 1}, name or folder pattern`" placeholder="Staves/*" @update:model-value="(v) => change(i, { pattern: String(v) })" />
      <BFormInput type="number" min="0" :model-value="w.hopedFor || ''" :aria-label="`Line ${i + 1}, how many`" placeholder="how many" @update:model-value="(v) => change(i, { hopedFor: Number(v) || 0 })" />
      <BFormCheckbox :model-value="w.mustHave" @update:model-value="(v) => change(i, { mustHave: v === true })">must</BFormCheckbox>
      <button type="button" class="btn btn-bare btn-sm" :aria-label="`Take away line ${i + 1}`" @click="remove(i)"><X class="ic s14" aria-hidden="true" /></button>
    </div>
  </section>
</template>

<style scoped>
.line { display: grid; grid-template-columns: 26px 1fr 1fr 84px auto 26px; gap: 5px; padding: 6px 0; border-bottom: 1px solid var(--line); align-items: center; }
.words { grid-column: 2 / -2; }
.no { grid-row: span 2; align-self: start; line-height: 30px; color: var(--heather-d); }
.line > :nth-child(3) { grid-column: 2; }
.line > .btn { grid-column: 6; grid-row: 1; }
@media (max-width: 600px) { .line { grid-template-columns: 26px 1fr 1fr; } .words { grid-column: 2 / -1; } .line > .btn { grid-column: 1; grid-row: 2; } }
</style>
