<script setup lang="ts">
import { CircleX } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Stop } from '@/api/types'
import { distinctStops, stopWords } from './stops'

const props = withDefaults(
  defineProps<{
    /** As the ranking gives them. */
    stops: Stop[]
    /** With the facts that ask for each. */
    because?: boolean
  }>(),
  { because: false },
)
const distinct = computed(() => distinctStops(props.stops))
</script>

<template>
  <ul v-if="distinct.length" class="stops">
    <li v-for="s in distinct" :key="s.code" class="stopbox">
      <b><CircleX class="ic s14" aria-hidden="true" /> {{ stopWords(s.code) }}</b>
      <p v-if="because" class="facts"><span v-for="f in s.because" :key="f" class="fact told">{{ f }}</span></p>
    </li>
  </ul>
  <p v-else class="s mu">No stop rule holds so far.</p>
</template>

<style scoped>
.stops { display: grid; gap: 6px; }
.facts { display: flex; flex-wrap: wrap; gap: 4px; margin-top: 4px; }
</style>
