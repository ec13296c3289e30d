<script setup lang="ts">
import { computed } from 'vue'

/** Two rails, a rung for every pair of equal hashes; a broken rung where they differ. */
const props = defineProps<{
  /** Rungs whose two ends agree. */
  equal: number
  /** Rungs whose two ends do not. */
  differing: number
  /** Rungs that are not compared yet. */
  waiting: number
  /** What the upper rail is. */
  upper: string
  /** What the lower rail is. */
  lower: string
}>()

const MOST = 90
const W = 700
const rungs = computed(() => {
  const all = Math.max(1, props.equal + props.differing + props.waiting)
  const slots = Math.min(MOST, all)
  const of = (n: number) => (n === 0 ? 0 : Math.max(1, Math.round((n * slots) / all)))
  const kinds = [
    ...Array<string>(of(props.equal)).fill('equal'),
    ...Array<string>(of(props.differing)).fill('differs'),
    ...Array<string>(of(props.waiting)).fill('waits'),
  ]
  return kinds.map((kind, i) => ({ kind, x: ((i + 0.5) / kinds.length) * W }))
})
</script>

<template>
  <figure>
    <figcaption class="xs text-body-secondary">{{ upper }}</figcaption>
    <svg
      :viewBox="`0 0 ${W} 46`"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`${equal} equal, ${differing} different, ${waiting} waiting`"
    >
      <template v-for="r in rungs" :key="r.x">
        <line v-if="r.kind === 'equal'" :x1="r.x" :x2="r.x" y1="3" y2="43" stroke="var(--ink)" stroke-width="2" />
        <template v-else-if="r.kind === 'differs'">
          <line :x1="r.x" :x2="r.x" y1="3" y2="15" stroke="var(--madder)" stroke-width="3" />
          <line :x1="r.x" :x2="r.x" y1="31" y2="43" stroke="var(--madder)" stroke-width="3" />
        </template>
        <line v-else :x1="r.x" :x2="r.x" y1="3" y2="9" stroke="var(--line-2)" stroke-width="2" />
      </template>
      <line x1="0" :x2="W" y1="2" y2="2" stroke="var(--ink)" stroke-width="2.5" />
      <line x1="0" :x2="W" y1="44" y2="44" stroke="var(--ink)" stroke-width="2.5" />
    </svg>
    <p class="xs text-body-secondary">{{ lower }}</p>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
  height: 46px;
}
</style>
