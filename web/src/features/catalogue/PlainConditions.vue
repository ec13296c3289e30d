<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { QuestionPart } from '@/api/types'
import { daysAsked, daysIn, saidOtherwise, sizesAsked, sizesIn } from './question'

const props = defineProps<{
  /** What the question says, as the server read it. */
  parts: readonly QuestionPart[]
}>()
/** The question; what is set here stands in it. */
const words = defineModel<string>({ required: true })

const days = computed(() => daysIn(words.value, props.parts))
const sizes = computed(() => sizesIn(words.value, props.parts))

function setDays(change: Partial<{ from: string; to: string }>): void {
  const { from, to } = { ...days.value, ...change }
  words.value = saidOtherwise(words.value, props.parts, 'made', daysAsked(from, to))
}
function setSizes(change: Partial<{ least: string; most: string }>): void {
  const { least, most } = { ...sizes.value, ...change }
  words.value = saidOtherwise(words.value, props.parts, 'size', sizesAsked(least.trim(), most.trim()))
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
