<script setup lang="ts">
import { useLive } from '@/api/live'

const props = defineProps<{
  /** The case. */
  number: string
  /** The finding. */
  line: number
  /** Words that were asked for. */
  asked: string
}>()
const live = useLive(
  '/api/cases/{number}/catalogue/{id}/words',
  () => ({ path: { number: props.number, id: props.line }, query: { asked: props.asked } }),
  (what, c) => c === props.number && what === 'words',
)
</script>

<template>
  <p v-if="live.data.value?.pieces.length" class="s found" :aria-label="`Where “${asked}” stands in its text`">
    <template v-for="(p, i) in live.data.value.pieces" :key="i"
      ><mark v-if="p.asked">{{ p.text }}</mark
      ><template v-else>{{ p.text }}</template></template
    >
  </p>
</template>

<style scoped>
.found {
  margin: 0;
  border-left: 3px solid var(--line-2);
  padding-left: 10px;
  overflow-wrap: anywhere;
  unicode-bidi: isolate;
}
mark {
  padding: 0 1px;
  background: var(--ochre-wash);
  color: inherit;
  text-decoration: underline;
  text-decoration-thickness: 2px;
}
</style>
