<script setup lang="ts">
import { computed } from 'vue'
import type { ScanView } from '@/api/types'
import { count } from '@/ui/format/format'
import { addedPath, braidOf, laneWords, sharedPath } from './braid'

const props = defineProps<{
  /** Oldest first. */
  sessions: ScanView[]
  /** What each does, by its number. */
  words: Record<number, string>
}>()

const LEFT = 232
const WIDTH = 400
const RIGHT = 150
const braid = computed(() => braidOf(props.sessions, WIDTH))
const spoken = computed(() =>
  braid.value.strands
    .map((s) => `Session ${s.session.id} added ${count(s.session.added)} and shared ${count(s.session.shared)}.`)
    .join(' '),
)
</script>

<template>
  <div v-if="braid.strands.length" class="place" data-sideways>
    <svg
      class="braid"
      :viewBox="`0 0 ${LEFT + WIDTH + RIGHT} ${braid.height + 8}`"
      role="img"
      :aria-label="`Sessions join one catalogue of ${count(braid.total)} files. ${spoken}`"
    >
      <g :transform="`translate(${LEFT} 0)`">
        <path
          v-for="s in braid.strands"
          :key="`a${s.session.id}`"
          :d="addedPath(s, WIDTH)"
          :class="['added', { now: s.session.state === 'running' }]"
        />
        <template v-for="s in braid.strands" :key="`s${s.session.id}`">
          <path v-if="s.shared > 0" :d="sharedPath(s, braid.trunkTop)" class="shared" />
        </template>
        <line
          v-for="s in braid.strands"
          :key="`m${s.session.id}`"
          :x1="s.x"
          :x2="s.x"
          :y1="s.laneY - 11"
          :y2="s.laneY + 11"
          class="mark"
        />
        <line :x1="WIDTH" :x2="WIDTH" :y1="braid.trunkTop - 6" :y2="braid.trunkBottom + 6" class="mark" />
      </g>
      <text :x="LEFT + WIDTH + 10" :y="braid.trunkTop + 14" class="total">{{ count(braid.total) }}</text>
      <text :x="LEFT + WIDTH + 10" :y="braid.trunkTop + 31" class="mu">in the catalogue</text>
      <text :x="LEFT + WIDTH + 66" :y="84" class="mu end">added</text>
      <text :x="LEFT + WIDTH + RIGHT - 6" :y="84" class="mu end">shared</text>
      <g v-for="s in braid.strands" :key="`t${s.session.id}`">
        <line x1="0" :x2="LEFT + WIDTH + RIGHT" :y1="s.laneY + 15" :y2="s.laneY + 15" class="lane" />
        <text x="2" :y="s.laneY + 4">
          <tspan class="no">{{ s.session.id }}</tspan>
          <tspan dx="8">{{ laneWords(words[s.session.id] ?? '') }}</tspan>
          <title>{{ words[s.session.id] }}</title>
        </text>
        <text :x="LEFT + WIDTH + 66" :y="s.laneY + 4" class="no end b">+{{ count(s.session.added) }}</text>
        <text :x="LEFT + WIDTH + RIGHT - 6" :y="s.laneY + 4" class="no end mu">
          {{ s.session.shared ? count(s.session.shared) : '–' }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.place {
  overflow-x: auto;
}
.braid {
  width: 100%;
  min-width: 620px;
  display: block;
  font: 13px var(--sans, inherit);
}
.added {
  fill: var(--ink);
  stroke: var(--sheet, var(--paper));
  stroke-width: 1;
}
.added.now {
  fill: var(--verd);
}
.shared {
  fill: var(--paper);
  stroke: var(--ink-2);
  stroke-width: 1;
}
.mark {
  stroke: var(--ink);
  stroke-width: 2;
}
.lane {
  stroke: var(--line);
}
text {
  fill: var(--ink);
}
.mu {
  fill: var(--ink-2);
  font-size: 12px;
}
.no {
  font-family: var(--mono);
}
.b {
  font-weight: 600;
}
.end {
  text-anchor: end;
}
.total {
  font: 600 19px var(--mono);
}
</style>
