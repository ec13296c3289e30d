<script setup lang="ts">
import { ref } from 'vue'
import { Refused, api } from '@/api/client'
import type { EvidenceStep } from '@/api/types'
import { count } from '@/ui/format/format'
import { hexRows } from './hex'

const props = defineProps<{ /** The case. */ number: string; /** Of the catalogue. */ line: number }>()

const steps = ref<EvidenceStep[]>()
const trouble = ref('')
/** Step and field under the pointer or the keyboard: its bytes are marked. */
const at = ref<{ step: number; field: number }>()

void api
  .get('/api/cases/{number}/catalogue/{line}/explanation', { path: { number: props.number, line: props.line } })
  .then(
    (s) => (steps.value = s),
    (e: unknown) => {
      trouble.value = e instanceof Refused ? e.message : 'The chain of evidence could not be fetched.'
    },
  )
const marked = (step: number) => (at.value?.step === step ? steps.value?.[step]?.fields[at.value.field] : undefined)
</script>

<template>
  <p v-if="trouble" class="refused" role="alert">{{ trouble }}</p>
  <p v-else-if="!steps" class="s text-body-secondary">Reading the image …</p>
  <ol v-else class="chain" aria-label="Chain of evidence">
    <li v-for="(s, i) in steps" :key="i">
      <h3>{{ s.title }}</h3>
      <p v-for="w in s.words" :key="w" class="s">{{ w }}</p>
      <div v-if="s.hex && s.offset !== undefined && s.offset !== null" class="raw" :class="{ alone: !s.fields.length }">
        <div
          class="hex m"
          tabindex="0"
          role="img"
          :aria-label="`${s.hex.length / 2} bytes at ${s.offset}, taken apart beside`"
        >
          <p v-for="row in hexRows(s.hex, s.offset, marked(i))" :key="row.offset">
            <span class="text-body-secondary">{{ count(row.offset) }}</span><span
              ><i v-for="(b, j) in row.bytes" :key="j" :class="{ on: b.on }">{{ b.hex }}</i></span
            ><span class="text-body-secondary">{{ row.text }}</span>
          </p>
        </div>
        <table v-if="s.fields.length" class="fields">
          <caption class="visually-hidden">
            Fields
          </caption>
          <thead class="visually-hidden">
            <tr>
              <th>from byte</th>
              <th>field</th>
              <th>value</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="(f, j) in s.fields"
              :key="j"
              :class="{ on: at?.step === i && at.field === j }"
              tabindex="0"
              @mouseenter="at = { step: i, field: j }"
              @focus="at = { step: i, field: j }"
            >
              <td class="m text-body-secondary">{{ f.at }}</td>
              <td>{{ f.name }}</td>
              <td class="m">{{ f.value }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.chain {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
}
.chain li {
  border-left: 3px solid var(--ink);
  padding: 0 0 2px 12px;
}
.chain h3 {
  font-size: 13px;
  font-weight: 650;
  margin: 0;
}
.raw {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 12px;
  margin-top: 4px;
  max-height: 300px;
  align-items: start;
}
.raw.alone {
  grid-template-columns: minmax(0, 1fr);
}
.hex,
.fields {
  overflow: auto;
  background: var(--sheet);
  border: 1px solid var(--line-2);
  font-size: 11.5px;
  line-height: 16px;
}
.hex {
  padding: 4px 8px;
  white-space: pre;
}
.hex p {
  margin: 0;
  display: grid;
  grid-template-columns: 112px 370px auto;
}
.hex i {
  font-style: normal;
  padding: 0 2.5px;
}
.hex i:nth-child(8) {
  margin-right: 6px;
}
.hex i.on {
  background: var(--verd);
  color: var(--paper);
}
.raw > * {
  max-height: 300px;
}
.fields {
  display: block;
  border-collapse: collapse;
  width: 100%;
}
.fields tbody {
  display: table;
  width: 100%;
}
.fields td {
  padding: 1px 6px;
  vertical-align: top;
  border-bottom: 1px solid var(--line);
  overflow-wrap: anywhere;
}
.fields tr.on td {
  background: var(--verd-wash);
}
@media (width <= 1100px) {
  .raw {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
