<script setup lang="ts">
import { MessageSquareQuote } from 'lucide-vue-next'
import { computed, ref, watch } from 'vue'
import type { Estimate, Ranking, Vocabulary } from '@/api/types'
import RankingScale from '@/ui/instruments/RankingScale.vue'
import { AskNext, EstimateStrip, sayStated, sentences, StopRules } from '@/features/triage'

const props = defineProps<{
  /** By what was said so far. */
  ranking: Ranking
  /** The words of facts. */
  vocabulary: Vocabulary | undefined
  /** How many facts were told. */
  told: number
  /** How many the lab saw itself. */
  observed: number
  /** For the path that leads. */
  estimate: Estimate | undefined
}>()
const emit = defineEmits<{ answer: [code: string, value: string] }>()

const say = computed(() => sentences(props.ranking.stopRules))
const said = ref(new Set<string>())
// What no longer has to be said is not 'said' when it comes up again.
watch(say, (now) => (said.value = new Set([...said.value].filter((s) => now.includes(s)))))
const next = computed(() => say.value.find((s) => !said.value.has(s)))

function tick(sentence: string): void {
  const now = new Set(said.value)
  if (!now.delete(sentence)) now.add(sentence)
  said.value = now
}
function sayNext(): void {
  if (next.value) tick(next.value)
}
const pathName = (code: string) => props.vocabulary?.paths.find((p) => p.code === code)?.label ?? code
defineExpose({ sayNext })
</script>

<template>
  <section class="sheet say" aria-labelledby="h-say">
    <p class="hd">
      <MessageSquareQuote class="ic" aria-hidden="true" /><b id="h-say">Say this now</b><span class="flex-fill" /><span
        class="text-body-secondary xs"
        >tick what you said <span class="kbd">Alt S</span></span
      >
    </p>
    <p v-if="!say.length" class="s text-body-secondary">
      Nothing must be said yet. As facts are entered, the right ‘do not’s stand here.
    </p>
    <label v-for="s in say" :key="s" class="sentence" :class="{ said: said.has(s), next: s === next }">
      <input type="checkbox" class="form-check-input" :checked="said.has(s)" @change="tick(s)" />
      <span>“{{ s }}”</span>
    </label>
  </section>
  <div class="two">
    <StopRules :stops="ranking.stopRules" because />
    <AskNext
      v-if="ranking.nextQuestion"
      :question="ranking.nextQuestion"
      :vocabulary="vocabulary"
      @answer="(v) => emit('answer', ranking.nextQuestion!.fact, v)"
    />
    <p v-else class="s text-body-secondary">No open question would change the ranking.</p>
  </div>
  <section aria-labelledby="h-path">
    <div class="hd">
      <h2 id="h-path">Which path, so far</h2>
      <span class="text-body-secondary">{{ told }} told, {{ observed }} observed</span>
    </div>
    <RankingScale :ranking="ranking.ranking" :say="(f) => sayStated(vocabulary, f)" />
  </section>
  <EstimateStrip v-if="estimate" :estimate="estimate" :label="pathName(estimate.path)" />
  <p v-if="ranking.meanwhile.length" class="s then"><b>Meanwhile</b> {{ ranking.meanwhile.join(' ') }}</p>
</template>

<style scoped>
.say {
  padding: 10px 14px 12px;
}
.sentence {
  display: grid;
  grid-template-columns: 20px 1fr;
  gap: 8px;
  font-size: 15px;
  line-height: 21px;
  padding: 3px 0;
}
.sentence.next {
  font-weight: 650;
}
.sentence.said {
  color: var(--ink-2);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  align-items: start;
}
.then {
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
@media (width <= 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
