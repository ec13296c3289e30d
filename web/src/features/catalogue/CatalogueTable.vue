<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import type { CatalogueLine, WantedState } from '@/api/types'
import { useLongList } from '@/ui/longList'
import FindingProof from './FindingProof.vue'
import FindingRow from './FindingRow.vue'
import { wantedMarks } from './lines'

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
  /** What they scroll in. */
  within: HTMLElement | null
  /** How many pass; undefined where not all of them are counted. */
  matching: number | undefined
}>()
const emit = defineEmits<{
  at: [index: number]
  open: [id: number | undefined]
  select: [line: CatalogueLine]
  /** Lines that are named one by one, to be chosen or given up. */
  choose: [ids: number[], selected: boolean]
  sort: [by: string]
  /** These places of the list are looked at. */
  look: [from: number, to: number]
}>()

const COLUMNS = [
  { label: 'prognosis', sort: 'score' },
  { label: 'name', sort: 'name' },
  { label: 'place', sort: '' },
  { label: 'size', sort: 'size' },
  { label: 'last changed', sort: 'modified' },
]
const LINE_POINTS = 30
const HEAD_POINTS = 28
/** So many lines stand ready above and below. */
const READY = 8

const table = useTemplateRef<HTMLTableElement>('table')
const { rows, above, below, measure, show } = useLongList({
  count: () => props.lines.length,
  within: () => props.within,
  key: (i) => props.lines[i]?.id ?? i,
  points: () => LINE_POINTS,
  head: () => HEAD_POINTS,
  ready: READY,
})
const shown = computed(() =>
  rows.value.flatMap(({ index }) => {
    const line = props.lines[index]
    return line ? [{ index, line }] : []
  }),
)
watch(
  () => [rows.value[0]?.index ?? 0, rows.value.at(-1)?.index ?? 0] as const,
  ([from, to]) => emit('look', from, to),
)

defineExpose({
  /** The line at hand is where keys go to. */
  async focusLine(i: number): Promise<void> {
    show(i)
    await nextTick()
    table.value?.querySelector<HTMLElement>(`[data-index="${i}"] .nameb`)?.focus({ preventScroll: true })
  },
})
/** Opens a line where it is folded, folds it where it is open, and stands on it. */
function openLine(id: number, at: number): void {
  emit('at', at)
  emit('open', id === props.open ? undefined : id)
}
</script>

<template>
  <table ref="table" class="lines" :aria-rowcount="matching === undefined ? -1 : matching + 1">
    <caption class="visually-hidden">
      Findings
    </caption>
    <thead>
      <tr aria-rowindex="1">
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
    <tbody aria-hidden="true">
      <tr :style="{ height: `${above}px` }" />
    </tbody>
    <tbody v-for="{ index: i, line: l } in shown" :key="l.id" :ref="measure" :data-index="i">
      <FindingRow
        :line="l"
        :marks="wantedMarks(l.wanted, l.mayFit, wanted)"
        :at="i === at"
        :open="l.id === open"
        :aria-rowindex="i + 2"
        @click="emit('at', i)"
        @dblclick="emit('open', l.id === open ? undefined : l.id)"
        @open="openLine(l.id, i)"
        @select="emit('select', l)"
      />
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
    <tbody aria-hidden="true">
      <tr :style="{ height: `${below}px` }" />
    </tbody>
  </table>
</template>

<style scoped>
.lines {
  width: 100%;
  min-width: 820px;
  border-collapse: separate;
  border-spacing: 0;
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
.proofrow td {
  padding: 0;
  border-bottom: 1px solid var(--line);
  background: var(--verd-wash);
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
.lines th.n {
  text-align: right;
  font-family: var(--mono);
  font-size: 12.5px;
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
</style>
