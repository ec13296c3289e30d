<script setup lang="ts">
import { computed } from 'vue'
import type { DeviceState, Docket } from '@/api/types'
import { stageName } from '@/features/cases'
import { apart, strandsOf } from '@/features/devices'
import { dayAndTime, words, zoneName } from '@/ui/format/format'
import CaseWick from '@/ui/instruments/CaseWick.vue'
import { spineOf } from './spine'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** The stage that is shown. */
  place: string
  /** Folded to its ticks, where the work needs the room. */
  folded: boolean
  /** How far each device is; empty where there is one. */
  states: DeviceState[]
  /** Keeps the device that is shown. */
  query: { device?: string }
}>()
const stops = computed(() => spineOf(props.docket.stage, props.docket.stages))
/** Where devices stand apart, the spine splits. */
const strands = computed(() => strandsOf(props.states, props.docket.devices))
const split = computed(() => apart(strands.value))
const here = (stage: string) => strands.value.find((s) => s.stage === stage)?.devices ?? []
</script>

<template>
  <nav class="spine" :class="{ folded }" aria-label="Stages">
    <div
      v-for="(s, i) in stops"
      :key="s.stage"
      class="st"
      :class="[
        s.state,
        { first: i === 0, last: i === stops.length - 1, shown: s.stage === place, split: split.has(s.stage) },
      ]"
    >
      <RouterLink
        :to="{ path: `/cases/${docket.number}/${s.stage}`, query }"
        :aria-current="s.stage === place ? 'page' : undefined"
        :title="folded ? stageName(s.stage) : undefined"
      >
        <span class="nm">{{ stageName(s.stage) }}</span>
        <span v-if="s.at" class="md" :title="zoneName()">{{ dayAndTime(s.at) }}</span>
        <span v-if="s.who" class="md">{{ s.who }}</span>
        <CaseWick v-if="s.state === 'now' && docket.due" :since="docket.stageSince" :due="docket.due" class="md" />
        <span v-if="s.stage === 'triaged' && docket.path && s.state !== 'next'" class="md">{{
          words(docket.path)
        }}</span>
      </RouterLink>
      <span v-if="here(s.stage).length" class="strand">
        <RouterLink
          v-for="d in here(s.stage)"
          :key="d.id"
          class="m"
          :class="{ barred: d.barred, at: String(d.id) === query.device }"
          :to="{ path: `/cases/${docket.number}/${s.stage}`, query: { device: d.id } }"
          :aria-label="`${d.name}${d.barred ? ', not to be touched' : ''}`"
          :title="d.name"
          >{{ d.label }}</RouterLink
        >
      </span>
    </div>
    <div class="spine-foot">
      <RouterLink
        v-for="p in ['copies', 'partner', 'labs', 'notes', 'photos', 'messages']"
        :key="p"
        :to="{ path: `/cases/${docket.number}/${p}`, query }"
        :class="{ 'fw-semibold': place === p }"
        ><span>{{ p === 'labs' ? 'Other labs' : stageName(p) }}</span></RouterLink
      >
      <RouterLink :to="`/cases/${docket.number}/custody`" :class="{ 'fw-semibold': place === 'custody' }"
        ><span>Custody</span><span class="m">{{ docket.custodyEntries }}</span></RouterLink
      >
    </div>
  </nav>
</template>

<style scoped>
.st {
  flex: none;
}
.nm,
.md {
  display: block;
}
.st.shown .nm {
  text-decoration: underline;
  text-decoration-color: var(--verd);
  text-decoration-thickness: 2px;
  text-underline-offset: 4px;
}

/* Devices that stand apart: two lines instead of one, from the first of their stages to the last. */
.split::before {
  width: 5px;
  border-right: 2px solid var(--ink);
}
.split.next::before {
  border-right: 2px dotted var(--edge);
}
.split.now::before {
  border-right: 2px solid var(--verd);
}
.strand {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 3px;
  padding: 1px 0 4px;
}
.st .strand a {
  display: inline-block;
  flex: none;
  width: auto;
  min-width: 24px;
  min-height: 24px;
  padding: 2px 4px;
  border: 1px solid var(--edge);
  border-radius: 2px;
  background: var(--sheet);
  font-size: 12px;
  line-height: 18px;
  text-align: center;
}
.st .strand a.barred {
  border: 1px dashed var(--madder);
  color: var(--madder-d);
}
.st .strand a.at {
  border: 2px solid var(--verd);
  padding: 1px 3px;
  font-weight: 700;
}

/* Folded it is a line of ticks; it opens over the work under the pointer and for the keyboard. */
@media (width > 900px) {
  .folded {
    z-index: 6;
    width: 172px;
    overflow: auto;
    background: var(--paper);
    border-right: 1px solid var(--line-2);
  }
  .folded:not(:hover, :focus-within) {
    width: auto;
    overflow: visible;
    border-right: 0;
    padding-left: 12px;
  }
  .folded:not(:hover, :focus-within) :is(.nm, .md, .strand, .spine-foot) {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  .folded:not(:hover, :focus-within) .st {
    min-height: 26px;
    padding-left: 20px;
  }
  .folded:not(:hover, :focus-within) .st.now {
    padding: 4px 0;
  }
  .folded:not(:hover, :focus-within) .st a {
    display: block;
    height: 22px;
  }
}
@media (width <= 900px) {
  .spine {
    flex-flow: row wrap;
    gap: 4px 10px;
    padding: 8px 14px;
  }
  .st,
  .st.now {
    min-height: 0;
    padding: 0;
    margin: 0;
    border: 0;
    background: none;
  }
  .st::before,
  .st::after,
  .md {
    display: none;
  }
  .st a {
    padding: 2px 0;
  }
  .spine-foot {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    width: 100%;
    margin: 0;
    padding: 6px 0 0;
  }
  .spine-foot a {
    gap: 6px;
  }
}
</style>
