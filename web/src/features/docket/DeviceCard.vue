<script setup lang="ts">
import { ArrowRight, CircleX, ListChecks } from 'lucide-vue-next'
import { computed } from 'vue'
import type { DeviceState, Docket, LockState, Ranking, Vocabulary, WantedState } from '@/api/types'
import { capacity, capacityInFull, words } from '@/ui/format/format'
import { chosenWords, foundWords, hopedWords, partsOf } from '@/features/catalogue'
import { useCover } from '@/features/copies'
import { DeviceList, pathOf, whichOf } from '@/features/devices'
import WantedTally from '@/ui/instruments/WantedTally.vue'
import { StopRules } from '@/features/triage'
import DeviceSketch from './DeviceSketch.vue'
import { nextMove, stageOf } from './next'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** The device that is shown. */
  device: Docket['devices'][number]
  /** How far each device is; empty where there is one. */
  states: DeviceState[]
  /** For the stop rules. */
  ranking: Ranking | undefined
  /** How the lines stand; empty while it is not known. */
  wanted: WantedState[]
  /** The words of facts. */
  vocabulary: Vocabulary | undefined
  /** The stage that is shown; its own action is not offered again. */
  place: string
  /** The stop rules as locks, with their releases. */
  locks: LockState | undefined
}>()
const emit = defineEmits<{ /** Another device is to be shown. */ take: [id: number] }>()
const cover = useCover()
const d = computed(() => props.device)
const several = computed(() => props.docket.devices.length > 1)
const path = computed(() => pathOf(props.docket, props.device))
const searched = computed(() => props.wanted.some((w) => w.searched || w.tally.found.whole + w.tally.found.mayFit > 0))
const next = computed(() =>
  nextMove(
    { ...props.docket, path: path.value, stage: stageOf(props.docket, props.states, props.device) },
    props.vocabulary?.paths.find((p) => p.code === path.value),
    props.locks,
  ),
)
</script>

<template>
  <aside class="tagcard" aria-label="Device card">
    <div class="tagwrap">
      <div class="tag-top">
        <span class="hole" aria-hidden="true" />
        <div class="d-flex align-items-center gap-3">
          <DeviceSketch :type="d.type" />
          <div>
            <p class="fw-semibold">{{ `${d.make} ${d.model}`.trim() || words(d.type) }}</p>
            <p class="xs">
              <span class="m" :title="d.capacity ? capacityInFull(d.capacity) : ''">{{
                d.capacity ? capacity(d.capacity) : 'size not known'
              }}</span>
              {{ `${d.make}${d.model}`.trim() ? words(d.type) : '' }}
            </p>
            <p class="m xs">{{ d.serial || 'no serial noted' }}</p>
          </div>
        </div>
      </div>
    </div>
    <div v-if="several" class="sec others">
      <p class="d-flex xs text-body-secondary">
        {{ whichOf(d) }}, {{ d.position }} of {{ docket.devices.length }}<span class="flex-fill" /><span
          ><span class="kbd">[</span> <span class="kbd">]</span></span
        >
      </p>
      <DeviceList :docket="docket" :states="states" :shown="d.id" @take="(id) => emit('take', id)" />
      <p v-if="path" class="xs">
        goes {{ words(path) }}<span v-if="d.ownPath" class="text-body-secondary">, a path of its own</span>
      </p>
    </div>
    <div class="sec">
      <h3><CircleX class="ic s14 c-stop" aria-hidden="true" /> Stop rules</h3>
      <StopRules v-if="ranking" :stops="ranking.stopRules" :rules="locks?.rules" />
    </div>
    <div class="sec">
      <h3>
        <ListChecks class="ic s14" aria-hidden="true" /> Wanted list
        <span v-if="wanted.length && !searched" class="text-body-secondary">not searched yet</span>
      </h3>
      <p v-if="!wanted.length" class="text-body-secondary">Nothing on it.</p>
      <div v-for="(w, i) in wanted" :key="w.line.id" class="want">
        <p class="d-flex align-items-center gap-2">
          <span class="m xs">W{{ i + 1 }}</span
          ><span class="quote text-truncate" :title="w.line.words">“{{ w.line.words }}”</span>
        </p>
        <template v-if="searched"
          ><WantedTally v-bind="partsOf(w)" :height="14" :most="30" />
          <p class="xs">{{ foundWords(w) }}</p>
          <p class="xs text-body-secondary">
            {{ hopedWords(w) }} · {{ chosenWords(w) }}{{ w.complete ? ', complete' : '' }}
          </p></template
        >
        <p v-if="cover(w.line.id)" class="xs c-ok">{{ cover(w.line.id) }}</p>
        <p v-if="!searched" class="xs text-body-secondary">
          {{ w.line.hopedFor ? `about ${w.line.hopedFor}` : 'nobody can say how many'
          }}{{ w.line.mustHave ? ', must have' : '' }}
        </p>
      </div>
    </div>
    <div class="sec">
      <h3><ArrowRight class="ic s14" aria-hidden="true" /> Next move</h3>
      <p>{{ next.words }}</p>
      <RouterLink
        v-if="next.place !== place"
        class="btn btn-quiet btn-sm go"
        :to="{ path: `/cases/${docket.number}/${next.place}`, query: several ? { device: d.id } : {} }"
        >{{ next.action }}</RouterLink
      >
    </div>
  </aside>
</template>

<style scoped>
.hole {
  position: absolute;
  top: 6px;
  left: calc(50% - 5px);
  width: 10px;
  height: 10px;
  border: 1px solid var(--line-2);
  border-radius: 50%;
  background: var(--paper);
}
.want {
  padding: 4px 0;
}
.go {
  margin-top: 6px;
}
</style>
