<script setup lang="ts">
import { computed } from 'vue'
import type { Tape } from '@/api/types'
import { dateAndTime, shortHash, zoneName } from '@/ui/format/format'
import HashSeam from './HashSeam.vue'

const props = defineProps<{ /** Of one case, with the tears that the server found in it. */ tape: Tape }>()

/** Newest on top. A tear lies above the last sound entry before it. */
const entries = computed(() => [...props.tape.entries].reverse())
const tearsAfter = computed(() => {
  const byEntry = new Map<number, string[]>()
  for (const t of props.tape.tears) byEntry.set(t.after, [...(byEntry.get(t.after) ?? []), t.words])
  return byEntry
})
const first = computed(() => tearsAfter.value.get(0) ?? [])
const top = computed(() => {
  const last = props.tape.entries.at(-1)?.number ?? 0
  return props.tape.tears.filter((t) => t.after >= last && last > 0).map((t) => t.words)
})
/** Tears below the entry with this number: after the one before it. */
function below(number: number): string[] {
  return number > 1 ? (tearsAfter.value.get(number - 1) ?? []) : first.value
}
async function copy(hash: string): Promise<void> {
  await navigator.clipboard.writeText(hash)
}
</script>

<template>
  <ol class="tape" aria-label="Custody record, newest first">
    <li v-if="top.length" class="tear"><b class="c-stop">Torn here.</b> {{ top.join(' ') }}</li>
    <template v-for="e in entries" :key="`${e.number}-${e.hash}`">
      <li class="entry">
        <span class="holes" aria-hidden="true" />
        <span class="m number">{{ e.number }}</span>
        <div class="what">
          <p class="fw-semibold">{{ e.what }}</p>
          <p class="xs text-body-secondary" :title="zoneName()">{{ dateAndTime(e.at) }} · {{ e.who }}</p>
          <p v-if="e.detail" class="xs text-body-secondary detail" :title="e.detail">{{ e.detail }}</p>
        </div>
        <div class="seams">
          <button type="button" class="hash m" :title="`Copy ${e.hash}`" @click="copy(e.hash)">
            {{ shortHash(e.hash) }}
          </button>
          <HashSeam :hash="e.hash" />
          <HashSeam :hash="e.previous" hanging :broken="below(e.number).length > 0" />
        </div>
      </li>
      <li v-if="below(e.number).length" class="tear">
        <b class="c-stop">Torn here.</b> {{ below(e.number).join(' ') }}
      </li>
    </template>
  </ol>
</template>

<style scoped>
.tape {
  background: var(--sheet);
  border: 1px solid var(--line-2);
}
.entry {
  display: grid;
  grid-template-columns: 26px 44px minmax(0, 1fr) 156px;
  gap: 8px;
  padding: 9px 12px 0 0;
  min-height: 66px;
  border-bottom: 1px solid var(--line);
}
.holes {
  background: radial-gradient(circle at 13px 9px, var(--paper) 3.5px, var(--line-2) 3.5px 4.5px, transparent 4.5px) 0
    0 / 26px 18px repeat-y;
  margin: -9px 0 0;
}
.number {
  text-align: right;
}
.detail {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.seams {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
}
.hash {
  background: none;
  border: 0;
  padding: 0;
  color: var(--ink);
  font-size: 12px;
  cursor: copy;
}
.tear {
  padding: 10px 14px 10px 78px;
  background: var(--madder-wash);
  border: solid var(--madder);
  border-width: 2px 0;
  border-style: dashed;
  font-size: 13px;
}
</style>
