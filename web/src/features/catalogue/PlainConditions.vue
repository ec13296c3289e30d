<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import type { CatalogueUnderstood, QuestionPart } from '@/api/types'
import { daysAsked, daysIn, saidOtherwise, sizesAsked, sizesIn } from './question'

const props = defineProps<{
  /** How the question was understood; absent where none is asked. */
  understood: CatalogueUnderstood | undefined
}>()
/** The question; what is set here stands in it. */
const words = defineModel<string>({ required: true })

const days = ref({ from: '', to: '' })
const sizes = ref({ least: '', most: '' })
/** Whether what was understood is of the question as it stands. */
const read = computed(() => words.value.trimEnd() === (props.understood?.words ?? ''))
/** What is set while the question is being read waits for that. */
const waiting: (() => void)[] = []
watch(
  read,
  (is) => {
    if (!is) return
    const parts = props.understood?.parts ?? []
    days.value = daysIn(words.value, parts)
    sizes.value = sizesIn(words.value, parts)
    waiting.shift()?.()
  },
  { immediate: true },
)
function say(about: QuestionPart['about'], otherwise: () => string): void {
  const set = (): void => {
    words.value = saidOtherwise(words.value, props.understood?.parts ?? [], about, otherwise())
  }
  if (read.value) set()
  else waiting.push(set)
}
function setDays(change: Partial<{ from: string; to: string }>): void {
  days.value = { ...days.value, ...change }
  say('made', () => {
    days.value = { ...days.value, ...change }
    return daysAsked(days.value.from, days.value.to)
  })
}
function setSizes(change: Partial<{ least: string; most: string }>): void {
  sizes.value = { ...sizes.value, ...change }
  say('size', () => {
    sizes.value = { ...sizes.value, ...change }
    return sizesAsked(sizes.value.least.trim(), sizes.value.most.trim())
  })
}
const value = (event: Event): string => (event.target as HTMLInputElement).value
</script>

<template>
  <fieldset class="plain">
    <legend>Made</legend>
    <label class="s"
      ><span>from</span
      ><BFormInput size="sm" type="date" :model-value="days.from" @change="(e: Event) => setDays({ from: value(e) })"
    /></label>
    <label class="s"
      ><span>to</span
      ><BFormInput size="sm" type="date" :model-value="days.to" @change="(e: Event) => setDays({ to: value(e) })"
    /></label>
  </fieldset>
  <fieldset class="plain">
    <legend>Size</legend>
    <label class="s"
      ><span>at least</span
      ><BFormInput
        size="sm"
        placeholder="1 mb"
        :model-value="sizes.least"
        @change="(e: Event) => setSizes({ least: value(e) })"
    /></label>
    <label class="s"
      ><span>at most</span
      ><BFormInput
        size="sm"
        placeholder="2 gb"
        :model-value="sizes.most"
        @change="(e: Event) => setSizes({ most: value(e) })"
    /></label>
  </fieldset>
</template>

<style scoped>
.plain legend {
  font-size: 12px;
  font-weight: 650;
  margin-bottom: 2px;
}
.plain label {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-bottom: 2px;
}
.plain span {
  width: 52px;
}
.plain input {
  width: 140px;
}
</style>
