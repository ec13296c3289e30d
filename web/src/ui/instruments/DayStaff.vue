<script setup lang="ts">
import { computed } from 'vue'
import type { DeskEvent } from '@/api/types'
import { time, zoneName } from '@/ui/format/format'
import { useNow } from './now'
import { HOUR, hourOf, marks, span } from './staff'

const props = defineProps<{ /** What has a time today, in order. */ events: DeskEvent[] }>()
const now = useNow()
const LEFT = 44
const TOP = 10
const hours = computed(() => props.events.map((e) => hourOf(e.at, zoneName())))
const nowHour = computed(() => hourOf(new Date(now.value).toISOString(), zoneName()))
const limits = computed(() => span([...hours.value, nowHour.value]))
const placed = computed(() => marks(hours.value, limits.value.first, limits.value.last))
const height = computed(() => (limits.value.last - limits.value.first) * HOUR)
const ticks = computed(() => Array.from({ length: (limits.value.last - limits.value.first) * 4 + 1 }, (_, i) => i))
const nowY = computed(() => (nowHour.value - limits.value.first) * HOUR)
</script>

<template>
  <div class="staff" :style="{ height: `${height + 44}px` }">
    <svg :width="92" :height="height + 24" :viewBox="`0 0 92 ${height + 24}`" aria-hidden="true">
      <g :transform="`translate(0 ${TOP})`">
        <line :x1="LEFT" :x2="LEFT" y1="0" :y2="Math.min(nowY, height)" class="past" />
        <line :x1="LEFT" :x2="LEFT" :y1="Math.max(0, nowY)" :y2="height" class="ahead" />
        <template v-for="i in ticks" :key="i">
          <line
            :x1="LEFT"
            :x2="LEFT + (i % 4 ? 6 : 14)"
            :y1="(i * HOUR) / 4"
            :y2="(i * HOUR) / 4"
            :class="i % 4 ? 'minor' : 'major'"
          />
          <text v-if="i % 4 === 0" :x="LEFT - 8" :y="(i * HOUR) / 4 + 4" text-anchor="end" class="mt hour">
            {{ String(limits.first + i / 4).padStart(2, '0') }}
          </text>
        </template>
        <polyline
          v-for="(m, i) in placed"
          :key="`e${i}`"
          :points="`${LEFT},${m.y} ${LEFT + 24},${m.y} ${LEFT + 34},${m.label} ${LEFT + 44},${m.label}`"
          class="mark"
        />
        <rect :x="LEFT - 4" :y="nowY - 10" width="4" height="20" class="now" />
      </g>
    </svg>
    <p class="nowline xs" :style="{ top: `${TOP + nowY}px` }">
      <span>now {{ time(new Date(now).toISOString()) }}</span>
    </p>
    <ol aria-label="Today">
      <li
        v-for="(e, i) in events"
        :key="e.at + e.what + e.caseNumber"
        :style="{ top: `${TOP + placed[i]!.label - 9}px` }"
      >
        <RouterLink :to="`/cases/${e.caseNumber}/${e.place}`"
          ><span class="m">{{ time(e.at) }}</span> <b>{{ e.what }}</b><span
            class="xs text-body-secondary text-truncate"
            >{{ e.customer }}</span
          ></RouterLink
        >
      </li>
    </ol>
  </div>
</template>

<style scoped>
.staff {
  position: relative;
}
.past {
  stroke: var(--ink);
  stroke-width: 2;
}
.ahead {
  stroke: var(--edge);
  stroke-width: 2;
  stroke-dasharray: 2 3;
}
.major {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.minor {
  stroke: var(--line-2);
}
.mark {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.now {
  fill: var(--verd);
}
.hour {
  font-size: 12px;
  fill: var(--ink-2);
}
.nowline {
  position: absolute;
  left: 44px;
  right: 0;
  border-top: 2px solid var(--verd);
  margin: 0;
  pointer-events: none;
}
.nowline span {
  position: absolute;
  right: 0;
  top: -18px;
  color: var(--verd);
  font-weight: 650;
  background: var(--paper);
  padding-left: 4px;
}
ol {
  margin: 0;
}
li {
  position: absolute;
  left: 94px;
  right: 0;
  font-size: 13px;
  line-height: 17px;
  background: var(--paper);
}
li .xs {
  display: block;
  line-height: 15px;
}
</style>
