<script setup lang="ts">
import { CircleX } from 'lucide-vue-next'
import { computed } from 'vue'
import type { LockRule, Stop } from '@/api/types'
import { dayAndTime } from '@/ui/format/format'
import { sayStated } from './say'
import { distinctStops, stopWords } from './stops'
import { useVocabulary } from './vocabulary'

const props = withDefaults(
  defineProps<{
    /** As the ranking gives them. */
    stops: Stop[]
    /** With the facts that ask for each. */
    because?: boolean
    /** The same rules as locks of the case, with the releases that stand. */
    rules?: LockRule[]
  }>(),
  { because: false, rules: () => [] },
)
const distinct = computed(() => distinctStops(props.stops))
const vocabulary = useVocabulary()
const lock = (code: string) => props.rules.find((r) => r.code === code)
</script>

<template>
  <ul v-if="distinct.length" class="stops">
    <li v-for="s in distinct" :key="s.code" class="stopbox">
      <b><CircleX class="ic s14" aria-hidden="true" /> {{ stopWords(s.code) }}</b>
      <p v-if="because" class="facts">
        <span v-for="f in s.because" :key="f" class="fact told" :title="f">{{ sayStated(vocabulary, f) }}</span>
      </p>
      <p v-if="lock(s.code)?.release" class="xs release">
        <b>Released</b> by {{ lock(s.code)?.release?.who }}, {{ dayAndTime(lock(s.code)!.release!.at) }}: “{{
          lock(s.code)?.release?.reason
        }}”
      </p>
    </li>
  </ul>
  <p v-else class="s text-body-secondary">No stop rule holds so far.</p>
</template>

<style scoped>
.stops {
  display: grid;
  gap: 6px;
}
.release {
  color: var(--ink);
}
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 4px;
}
</style>
