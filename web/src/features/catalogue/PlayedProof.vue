<script setup lang="ts">
import { computed, nextTick, ref, useId, useTemplateRef } from 'vue'
import type { CatalogueLine, PreviewPlay } from '@/api/types'
import type { Share } from './gaps'
import { clock, curve, marks, timeAt, within } from './played'

const props = defineProps<{
  /** The case. */
  number: string
  /** What is heard or moves. */
  line: CatalogueLine
  /** How it sounds, and when its frames are. */
  play: PreviewPlay
  /** Stretches that were never read, as shares of its length. */
  unread: readonly Share[]
}>()

/** The wave's box, in its own units. */
const WIDTH = 1000
const HEIGHT = 64
const id = useId()
const moves = computed(() => props.play.frames.length > 0)
const seconds = computed(() => Math.max(props.play.seconds, 0))
/** From where it is played; undefined before anybody asked. */
const from = ref<number>()
const chosen = ref(0)
const failed = ref(false)
const missing = ref<number[]>([])
const stage = useTemplateRef<HTMLElement>('stage')
const base = computed(() => `/api/cases/${props.number}/catalogue/${props.line.id}`)
const path = computed(() => curve(props.play.wave, WIDTH, HEIGHT))
const until = computed(() => Math.min(props.play.playable, (from.value ?? 0) + props.play.longest))

/** A mark's words stand at it, and never beyond either end. */
function along(mark: number): { left: string; transform: string } {
  const share = (mark / Math.max(seconds.value, 1)) * 100
  return { left: `${share}%`, transform: `translateX(-${share}%)` }
}
async function playFrom(at: number): Promise<void> {
  failed.value = false
  chosen.value = within(at, props.play.playable)
  from.value = undefined
  await nextTick()
  from.value = chosen.value
  await nextTick()
  stage.value?.scrollIntoView?.({ block: 'nearest' })
}
function pointed(event: MouseEvent): void {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  void playFrom(timeAt((event.clientX - box.left) / box.width, seconds.value))
}
</script>

<template>
  <div class="played">
    <ol v-if="moves" class="strip">
      <li v-for="at in play.frames" :key="at">
        <button type="button" class="frame" :aria-label="`Play from ${clock(at)}`" @click="playFrom(at)">
          <span v-if="missing.includes(at)" class="xs none">no frame here</span>
          <img
            v-else
            :src="`${base}/frame?at=${at}`"
            :alt="`What it shows at ${clock(at)}`"
            loading="lazy"
            @error="missing.push(at)"
          />
          <span class="m xs">{{ clock(at) }}</span>
        </button>
      </li>
    </ol>
    <svg
      v-if="path"
      class="wave"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT + 18}`"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`How loud it is over ${clock(seconds)}`"
      @click="pointed"
    >
      <defs>
        <pattern :id="id" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--madder)" stroke-width="2" />
        </pattern>
      </defs>
      <path :d="path" class="loud" />
      <rect
        v-for="u in unread"
        :key="u.from"
        :x="u.from * WIDTH"
        :width="Math.max(2, (u.to - u.from) * WIDTH)"
        y="0"
        :height="HEIGHT"
        :fill="`url(#${id})`"
      />
      <line x1="0" :x2="WIDTH" :y1="HEIGHT" :y2="HEIGHT" class="base" />
      <line
        v-for="m in marks(seconds)"
        :key="m"
        :x1="(m / Math.max(seconds, 1)) * WIDTH"
        :x2="(m / Math.max(seconds, 1)) * WIDTH"
        :y1="HEIGHT"
        :y2="HEIGHT + 8"
        class="base"
      />
    </svg>
    <div v-if="path" class="times m xs" aria-hidden="true">
      <span v-for="m in marks(seconds)" :key="m" :style="along(m)">{{ clock(m) }}</span>
    </div>
    <p v-if="unread.length" class="xs text-body-secondary">
      Hatched: about where bytes are missing, by their place in the file.
    </p>
    <div class="from">
      <label class="s" :for="`${id}-from`">from</label>
      <input
        :id="`${id}-from`"
        v-model.number="chosen"
        type="range"
        min="0"
        :max="Math.max(0, Math.floor(play.playable - 1))"
        step="1"
        :aria-valuetext="clock(chosen)"
      />
      <span class="m s">{{ clock(chosen) }} of {{ clock(seconds) }}</span>
      <button type="button" class="btn btn-quiet btn-sm" @click="playFrom(chosen)">
        Play from {{ clock(chosen) }}
      </button>
    </div>
    <div v-if="from !== undefined" ref="stage" class="stage">
      <component
        :is="moves ? 'video' : 'audio'"
        controls
        autoplay
        :src="`${base}/play?from=${from}`"
        :aria-label="`${line.name}, from ${clock(from)}`"
        @error="failed = true"
      />
      <p class="s">
        <span v-if="failed" role="alert">It cannot be played from there: its content is damaged.</span>
        <span v-else>{{ clock(from) }} to {{ clock(until) }}</span>
        <button v-if="until < play.playable - 1 && !failed" type="button" class="linkish" @click="playFrom(until)">
          go on from {{ clock(until) }}
        </button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: repeat(8, minmax(0, 1fr));
  gap: 0;
  margin: 0 0 8px;
  padding: 0;
  border-block: 1.5px solid var(--ink);
  list-style: none;
}
.frame {
  display: block;
  width: 100%;
  padding: 4px;
  border: 0;
  border-right: 1px solid var(--line-2);
  background: var(--sheet);
  color: var(--ink-2);
}
.frame img,
.none {
  display: block;
  width: 100%;
  aspect-ratio: 16 / 9;
  object-fit: contain;
  background: var(--well);
}
.frame:focus-visible {
  outline-offset: -3px;
}
.wave {
  display: block;
  width: 100%;
  height: 72px;
  cursor: pointer;
}
.times {
  position: relative;
  height: 16px;
  overflow: hidden;
  color: var(--ink-2);
}
.times span {
  position: absolute;
}
.loud {
  fill: var(--fill);
}
.base {
  stroke: var(--line-2);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
.from {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
}
.from input {
  width: 160px;
  accent-color: var(--verd);
}
.stage {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 6px 12px;
  margin-top: 8px;
}
.stage p {
  display: flex;
  gap: 12px;
}
.stage video {
  width: 320px;
  max-width: 100%;
  max-height: 260px;
  background: var(--well);
}
.stage audio {
  height: 34px;
}
@media (width <= 900px) {
  .strip {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
}
</style>
