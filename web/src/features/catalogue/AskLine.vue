<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import type { CatalogueUnderstood, QuestionPart } from '@/api/types'
import { useKeys } from '@/ui/keys'
import { asText, LONGEST, pieces, without } from './question'

const props = defineProps<{
  /** How the question was understood, as far as the server said so already. */
  understood: CatalogueUnderstood | undefined
  /** Whether what contents say of themselves is looked at, too. */
  contentShown: boolean
}>()
/** The question. */
const words = defineModel<string>({ required: true })

const field = useTemplateRef<HTMLElement>('field')
const strip = useTemplateRef<HTMLElement>('strip')
/** What was understood is of the words that were asked, not of those that are being typed. */
const shown = computed(() => (props.understood?.words === words.value.trimEnd() ? props.understood : undefined))
const read = computed(() => pieces(words.value, shown.value?.parts ?? []))

function says(part: QuestionPart): string {
  return `${part.not ? 'not ' : ''}${part.says}`
}
function hint(part: QuestionPart): string {
  return `Delete takes it away${part.about === 'text' ? '' : ', T takes it as text'}.`
}
/** The part to go to once the question is read; whoever types on stays where they type. */
let awaited: number | undefined
function parts(): HTMLElement[] {
  return [...(strip.value?.querySelectorAll<HTMLElement>('.part') ?? [])]
}
function goTo(at: number): void {
  const all = parts()
  awaited = all.length ? undefined : at
  all[Math.min(at, all.length - 1)]?.focus()
}
async function change(to: string, at: number): Promise<void> {
  words.value = to
  await nextTick()
  field.value?.querySelector('input')?.focus()
  if (to) awaited = at
}
function take(part: QuestionPart): void {
  void change(without(words.value, part), shown.value?.parts.indexOf(part) ?? 0)
}
watch(shown, async () => {
  if (awaited === undefined) return
  await nextTick()
  goTo(awaited)
})
function type(said: unknown): void {
  awaited = undefined
  words.value = String(said ?? '').trimStart()
}
function step(event: KeyboardEvent, by: number): void {
  const all = parts()
  all[all.indexOf(event.target as HTMLElement) + by]?.focus()
}
useKeys([{ key: '/', does: 'ask', run: () => field.value?.querySelector('input')?.focus() }])
</script>

<template>
  <div class="ask">
    <span ref="field" class="field">
      <BFormInput
        :model-value="words"
        type="search"
        autocomplete="off"
        aria-label="Ask for findings"
        aria-describedby="ask-read"
        :maxlength="LONGEST"
        :placeholder="
          contentShown
            ? 'ask:  pictures from may 2021 over 1 mb in DCIM, not deleted  ( / )'
            : 'ask:  deleted pdfs since 2019 in Letters  ( / )'
        "
        @update:model-value="type"
        @keydown.down.prevent="goTo(0)"
      />
    </span>
    <div
      v-if="shown?.parts.length"
      id="ask-read"
      ref="strip"
      class="read"
      role="group"
      aria-label="As it was read"
      @keydown.right.prevent="step($event, 1)"
      @keydown.left.prevent="step($event, -1)"
    >
      <template v-for="(p, i) in read" :key="i">
        <span v-if="!p.part" class="between">{{ p.text }}</span>
        <button
          v-else
          type="button"
          class="part"
          :class="{ not: p.part.not, text: p.part.about === 'text' }"
          :aria-label="`${p.text}: ${says(p.part)}. ${hint(p.part)}`"
          :title="hint(p.part)"
          @click="take(p.part)"
          @keydown.delete.prevent.stop="take(p.part)"
          @keydown.t.prevent.stop="
            p.part.about === 'text' || change(asText(words, p.part), shown?.parts.indexOf(p.part) ?? 0)
          "
        >
          <span class="said">{{ p.text }}</span>
          <span class="rule" aria-hidden="true"></span>
          <span class="xs reading"><b v-if="p.part.or">or </b><b v-if="p.part.not">not </b>{{ p.part.says }}</span>
        </button>
      </template>
    </div>
    <p v-for="p in shown?.problems ?? []" :key="p.from" class="s problem" role="status">
      <b>{{ words.slice(p.from, p.to) }}</b> – left out. {{ p.sentence }}
    </p>
  </div>
</template>

<style scoped>
.field {
  display: block;
}
.read {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  margin-top: 6px;
}
.between {
  color: var(--ink-2);
  font-size: 13px;
}

/* What was said, a measuring line under it, and what it was read as. */
.part {
  padding: 0 2px;
  border: 0;
  background: none;
  color: var(--ink);
  text-align: left;
}
.said {
  display: block;
  font-size: 13px;
  font-weight: 600;
}
.rule {
  display: block;
  height: 5px;
  border: 1.5px solid var(--verd);
  border-top: 0;
}
.text .rule {
  border-style: dotted;
  border-color: var(--ink-2);
}
.not .rule {
  border-style: dashed;
}
.reading {
  display: block;
  color: var(--ink-2);
}
.part:hover .said,
.part:focus-visible .said {
  text-decoration: line-through;
}
.problem {
  margin: 4px 0 0;
  color: var(--madder);
}
</style>
