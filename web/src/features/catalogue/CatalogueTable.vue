<script setup lang="ts">
import { useTemplateRef } from 'vue'
import type { CatalogueLine, WantedState } from '@/api/types'
import { bytes, dateAndTime, percent, size, zoneName } from '@/ui/format/format'
import { asFound } from '@/ui/format/names'
import FillGauge from '@/ui/instruments/FillGauge.vue'
import FindingProof from './FindingProof.vue'
import { calledOf, morePlaces, placeOf, wantedMarks } from './lines'
import { remarkSigns } from './remarks'

const props = defineProps<{
  /** The case. */
  number: string
  /** Those that were fetched, in order. */
  lines: CatalogueLine[]
  /** The lines that they are held against. */
  wanted: WantedState[]
  /** Index of the line at hand. */
  at: number
  /** The line whose proof is open. */
  open: number | undefined
  /** Sessions whose image is not there any more. */
  gone: readonly number[]
  /** Words that were asked for. */
  asked: readonly string[]
  /** The column that they are in order of. */
  sort: string
}>()
const emit = defineEmits<{
  at: [index: number]
  open: [id: number | undefined]
  select: [line: CatalogueLine]
  /** Lines that are named one by one, to be chosen or given up. */
  choose: [ids: number[], selected: boolean]
  sort: [by: string]
}>()

const COLUMNS = [
  { label: 'prognosis', sort: 'score' },
  { label: 'name', sort: 'name' },
  { label: 'place', sort: '' },
  { label: 'size', sort: 'size' },
  { label: 'last changed', sort: 'modified' },
]
const table = useTemplateRef<HTMLTableElement>('table')
defineExpose({
  /** The line at hand is where keys go to. */
  focusLine: (i: number) => table.value?.querySelectorAll<HTMLElement>('.nameb')[i]?.focus(),
})
/** Opens a line where it is folded, folds it where it is open, and stands on it. */
function openLine(id: number, at: number): void {
  emit('at', at)
  emit('open', id === props.open ? undefined : id)
}
</script>

<template>
  <table ref="table" class="lines">
    <caption class="visually-hidden">
      Findings
    </caption>
    <thead>
      <tr>
        <th scope="col"><span class="visually-hidden">selected</span></th>
        <th
          v-for="c in COLUMNS"
          :key="c.label"
          scope="col"
          :class="{ n: c.label === 'size' }"
          :aria-sort="
            sort === c.sort
              ? c.sort === 'size' || c.sort === 'modified' || c.sort === 'score'
                ? 'descending'
                : 'ascending'
              : undefined
          "
        >
          <button type="button" class="by" :class="{ on: sort === c.sort }" @click="emit('sort', c.sort)">
            {{ c.label }}
          </button>
        </th>
        <th scope="col">origin</th>
        <th scope="col">fits</th>
      </tr>
    </thead>
    <tbody v-for="(l, i) in lines" :key="l.id">
      <tr
        :class="{ on: i === at, open: l.id === open }"
        @click="emit('at', i)"
        @dblclick="emit('open', l.id === open ? undefined : l.id)"
      >
        <td>
          <input
            type="checkbox"
            class="form-check-input"
            :checked="l.selected"
            :aria-label="`Select ${calledOf(l)}`"
            @change="emit('select', l)"
            @click.stop
          />
        </td>
        <td class="text-nowrap">
          <span class="d-flex align-items-center gap-2"
            ><FillGauge :prognosis="l.prognosis" :share="l.size ? l.readBytes / l.size : 1" :proven="l.proven ?? 0" />
            {{ l.prognosis
            }}<span v-if="l.prognosis === 'gapped'" class="m xs">{{ percent(l.readBytes, l.size) }}</span></span
          >
        </td>
        <td class="name">
          <div class="called">
            <button type="button" class="nameb" :aria-expanded="l.id === open" @click.stop="openLine(l.id, i)">
              {{ calledOf(l) }}</button><span
              v-if="l.places.length > 1"
              class="sign"
              :title="l.places.map(asFound).join('\n')"
              >{{ morePlaces(l) }}</span
            ><span v-for="s in remarkSigns(l.remark)" :key="s" class="sign">{{ s }}</span>
          </div>
        </td>
        <td class="place text-body-secondary" :title="l.path ?? ''">
          {{ placeOf(l) }}
        </td>
        <td class="n" :title="bytes(l.size)">{{ size(l.size) }}</td>
        <td class="m when" :title="zoneName()">{{ l.modified ? dateAndTime(l.modified) : 'not kept' }}</td>
        <td>{{ l.origins.join(', ') }}</td>
        <td class="m fits">{{ wantedMarks(l.wanted, l.mayFit, wanted) }}</td>
      </tr>
      <tr v-if="l.id === open" class="proofrow">
        <td colspan="8">
          <FindingProof
            :gone="gone.includes(l.imagingId)"
            :number="number"
            :line="l"
            :wanted="wanted"
            :asked="asked"
            @select="(ids, selected) => emit('choose', ids, selected)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.lines {
  width: 100%;
  min-width: 820px;
  border-collapse: collapse;
  font-size: 13px;
  table-layout: fixed;
}
.lines th {
  position: sticky;
  top: 0;
  background: var(--paper);
  font-weight: 400;
  font-size: 12px;
  color: var(--ink-2);
  text-align: left;
  padding: 3px 8px;
  border-bottom: 1px solid var(--line-2);
  z-index: 1;
}
.lines td {
  padding: 4px 8px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.lines .proofrow td {
  padding: 0;
  white-space: normal;
  background: var(--verd-wash);
}
.lines tr.on td {
  background: var(--verd-wash);
}
.lines tr.on td:first-child {
  box-shadow: inset 4px 0 var(--verd);
}
.lines th:nth-child(1) {
  width: 40px;
}
.lines th:nth-child(2) {
  width: 136px;
}
.lines th:nth-child(5) {
  width: 86px;
}
.lines th:nth-child(6) {
  width: 160px;
}
.lines th:nth-child(7) {
  width: 110px;
}
.lines th:nth-child(8) {
  width: 64px;
}
.n {
  text-align: right !important;
  font-family: var(--mono);
  font-size: 12.5px;
}
.when {
  font-size: 12px;
}
.fits {
  color: var(--heather-d);
  font-weight: 600;
}
.called {
  display: flex;
  align-items: center;
  gap: 5px;
}
.nameb {
  background: none;
  border: 0;
  padding: 0;
  color: inherit;
  font-weight: inherit;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
}
tr.open .nameb {
  font-weight: 650;
}
.by {
  background: none;
  border: 0;
  padding: 0;
  color: inherit;
}
.by.on {
  font-weight: 650;
  color: var(--ink);
}
.form-check-input {
  margin-left: 8px;
}
</style>
