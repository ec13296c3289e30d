<script setup lang="ts">
import { computed } from 'vue'
import { useLive } from '@/api/live'
import { useNow } from '@/ui/instruments/now'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { benchWords, places, waitingWords } from './day'

const bench = useLive(
  '/api/bench',
  () => ({}),
  (what) => ['bench', 'imaging', 'case'].includes(what),
)
const now = useNow()
const all = computed(() => (bench.data.value ? places(bench.data.value) : []))
</script>

<template>
  <section aria-labelledby="h-fill">
    <div class="hd">
      <h2 id="h-fill">How full the bench is</h2>
      <span class="flex-fill" />
      <RouterLink class="link s" to="/bench">Bench</RouterLink>
    </div>
    <RefusedNote :refused="bench.refused.value" />
    <ComingLines :of="bench" :lines="2" />
    <template v-if="bench.data.value">
      <p class="places" aria-hidden="true"><i v-for="(p, i) in all" :key="i" :class="p" :title="p" /></p>
      <p class="s">{{ benchWords(all) }}</p>
      <p class="s">{{ waitingWords(bench.data.value.waiting, now) }}</p>
      <p v-for="b in bench.data.value.silent" :key="b.box" class="s c-warn">{{ b.box }}: {{ b.sentence }}</p>
    </template>
  </section>
</template>

<style scoped>
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  padding: 8px 0 6px;
}
.places i {
  width: 18px;
  height: 26px;
  border: 1.5px solid var(--ink);
}
.places .reading {
  background: var(--ink);
}
.places .attached {
  background: repeating-linear-gradient(135deg, var(--ink) 0 1.6px, transparent 1.6px 6px);
}
.places .free {
  border-style: dashed;
  border-color: var(--edge);
}
</style>
