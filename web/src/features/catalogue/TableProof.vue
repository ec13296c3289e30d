<script setup lang="ts">
import type { PreviewTable } from '@/api/types'
import { count } from '@/ui/format/format'

defineProps<{
  /** What it holds in rows. */
  tables: PreviewTable[]
}>()

function rowWords(t: PreviewTable): string {
  if (t.rows < 0)
    return `${t.cells.length ? `the first ${count(t.cells.length)}; ` : ''}how many there are is not known`
  return t.cells.length < t.rows ? `the first ${count(t.cells.length)} of ${count(t.rows)}` : count(t.rows)
}
</script>

<template>
  <div class="tables" tabindex="0" role="group" aria-label="What it holds">
    <table v-for="t in tables" :key="t.name" class="xs">
      <caption class="s">
        <b>{{ t.name }}</b>
        {{
          rowWords(t)
        }}
      </caption>
      <thead>
        <tr>
          <th v-for="h in t.heads" :key="h" scope="col">{{ h }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in t.cells" :key="i">
          <td v-for="(cell, j) in row" :key="j">{{ cell }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.tables {
  max-height: 260px;
  overflow: auto;
  padding: 4px 8px;
  border: 1px solid var(--line-2);
  background: var(--sheet);
}
table {
  width: 100%;
  margin-bottom: 8px;
}
caption {
  padding: 2px 0;
  color: var(--ink);
  caption-side: top;
}
th {
  border-bottom: 1px solid var(--line-2);
  font-weight: 650;
}
th,
td {
  padding: 1px 12px 1px 0;
  overflow-wrap: anywhere;
  vertical-align: top;
}
</style>
