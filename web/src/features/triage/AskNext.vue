<script setup lang="ts">
import { CircleHelp } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Ranking, Vocabulary } from '@/api/types'
import { words } from '@/ui/format/format'

const props = defineProps<{
  /** The one that would move the ranking most. */
  question: NonNullable<Ranking['nextQuestion']>
  /** Names of the paths. */
  vocabulary: Vocabulary | undefined
}>()
const emit = defineEmits<{ /** The answer that was given. */ answer: [value: string] }>()

const pathName = (code: string) => props.vocabulary?.paths.find((p) => p.code === code)?.label ?? words(code)
const moves = computed(() => props.question.wouldMove.map(pathName).join(', '))
</script>

<template>
  <section class="ask" aria-labelledby="h-ask">
    <p class="hd">
      <CircleHelp class="ic" aria-hidden="true" /><b id="h-ask">Ask next</b><span class="flex-fill" /><span
        class="text-body-secondary xs"
        >separates the paths best</span
      >
    </p>
    <p class="say">“{{ question.ask }}”</p>
    <p class="answers">
      <button
        v-for="a in question.answers"
        :key="a.value"
        type="button"
        class="opt"
        :title="`Then ${pathName(a.leads)} leads`"
        @click="emit('answer', a.value)"
      >
        {{ words(a.value) }}
      </button>
      <button type="button" class="opt" @click="emit('answer', 'unknown')">not known</button>
    </p>
    <p v-if="moves" class="xs text-body-secondary">
      Would move <b>{{ moves }}</b>.
    </p>
  </section>
</template>

<style scoped>
.ask {
  border: 1px solid var(--verd);
  border-radius: 3px;
  background: var(--sheet);
  padding: 9px 12px;
}
.say {
  font-size: 15px;
  font-weight: 650;
  margin: 4px 0 7px;
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 5px;
}
</style>
