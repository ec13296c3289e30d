<script setup lang="ts">
import { computed } from 'vue'
import { count } from '@/ui/format/format'
import { frameOf, marksAt, shareX, shareY, stepPath, type Sample } from './counters'

const props = defineProps<{
  /** What is counted. */
  title: string
  /** Behind the numbers; without one, what is counted is just counted. */
  unit?: string
  /** Readings in the order of their time. */
  samples: Sample[]
  /** Where the session stops or rests; none when it does not. */
  bound?: number
  /** Moments of faults. */
  faults: number[]
  /** Times without requests. */
  rests: { from: number; to: number }[]
  /** The right edge. */
  until: number
}>()

const W = 190
const H = 44
const frame = computed(() => frameOf(props.samples, props.bound, props.until))
const line = computed(() => stepPath(props.samples, frame.value, W, H))
const last = computed(() => props.samples[props.samples.length - 1]?.value)
const first = computed(() => props.samples[0]?.value)
const told = computed(() => {
  const limit = props.bound ? `, limit ${count(props.bound)}` : ''
  const span = `${count(first.value!)} to ${count(last.value!)}`
  return `${props.title} over time, ${span}${limit}, ${props.faults.length} faults`
})
const marks = computed(() => marksAt(props.faults, frame.value, W))
const bands = computed(() =>
  props.rests
    .map((r) => ({
      x: shareX(frame.value, r.from) * W,
      width: (shareX(frame.value, r.to) - shareX(frame.value, r.from)) * W,
    }))
    .filter((b) => b.width > 0),
)
const boundY = computed(() => (props.bound ? H - shareY(frame.value, props.bound) * H : undefined))
const rising = computed(
  () => last.value !== undefined && first.value !== undefined && last.value > first.value && props.samples.length > 1,
)
</script>

<template>
  <figure>
    <figcaption class="d-flex align-items-center">
      <b class="s">{{ title }}</b><span class="flex-fill" /><span
        class="m s"
        :class="{ 'c-warn': bound && last !== undefined && last >= bound }"
        >{{ last === undefined ? 'not given' : `${count(last)}${unit ?? ''}`
        }}{{ rising && first !== undefined && !unit ? `, +${count(last! - first)}` : '' }}</span
      >
    </figcaption>
    <svg v-if="samples.length" :viewBox="`0 0 ${W} ${H + 6}`" role="img" :aria-label="told" preserveAspectRatio="none">
      <rect v-for="(b, i) in bands" :key="i" :x="b.x" y="0" :width="b.width" :height="H" fill="var(--well)" />
      <line x1="0" :x2="W" :y1="H" :y2="H" stroke="var(--line-2)" vector-effect="non-scaling-stroke" />
      <line
        v-if="boundY !== undefined"
        x1="0"
        :x2="W"
        :y1="boundY"
        :y2="boundY"
        stroke="var(--madder)"
        stroke-dasharray="5 3"
        vector-effect="non-scaling-stroke"
      />
      <path :d="line" fill="none" stroke="var(--ink)" stroke-width="1.5" vector-effect="non-scaling-stroke" />
      <path
        v-for="x in marks"
        :key="x"
        :d="`M${x} ${H}v5`"
        stroke="var(--madder)"
        stroke-width="1"
        vector-effect="non-scaling-stroke"
      />
    </svg>
    <p v-if="bound" class="xs c-stop">limit {{ count(bound) }}{{ unit ?? '' }}</p>
  </figure>
</template>

<style scoped>
figure {
  display: grid;
  gap: 2px;
  align-content: start;
  min-width: 0;
}
svg {
  width: 100%;
  height: 50px;
  overflow: hidden;
}
</style>
