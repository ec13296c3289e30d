<script setup lang="ts">
import { computed } from 'vue'
import type { RankedPath } from '@/api/types'
import { matrixOf } from './matrix'
import { sayStated } from './say'
import { useVocabulary } from './vocabulary'

const props = defineProps<{ /** Whose facts and paths are laid out. */ ranking: RankedPath[] }>()
const vocabulary = useVocabulary()
const matrix = computed(() => matrixOf(props.ranking))
</script>

<template>
  <table v-if="matrix.rows.length" class="matrix">
    <caption class="visually-hidden">
      Weight of each fact for and against each path
    </caption>
    <thead>
      <tr>
        <th scope="col">fact</th>
        <th v-for="p in matrix.paths" :key="p.path" scope="col" class="p">{{ p.label }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in matrix.rows" :key="r.fact">
        <th scope="row">
          <span class="fact" :class="{ told: !r.observed }" :title="r.fact">{{ sayStated(vocabulary, r.fact) }}</span>
        </th>
        <td v-for="(w, i) in r.weights" :key="i" class="p">
          <span v-if="w === 0" class="none">·</span>
          <span v-else class="notches" :class="{ against: w < 0 }"
            ><i v-for="n in Math.min(8, Math.abs(w))" :key="n" /><span class="visually-hidden">{{
              w > 0 ? `${w} for` : `${-w} against`
            }}</span></span
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.matrix {
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
}
.matrix th {
  font-weight: 400;
  text-align: left;
  padding: 2px 4px;
}
.matrix thead th {
  color: var(--ink-2);
  border-bottom: 1px solid var(--line-2);
  vertical-align: bottom;
}
.matrix td {
  padding: 2px 4px;
}
.matrix tbody tr {
  border-bottom: 1px solid var(--line);
}
@media (width <= 900px) {
  .matrix {
    display: block;
    overflow-x: auto;
  }
}
.p {
  text-align: center;
  width: 11%;
}
.none {
  color: var(--ink-3);
}
.notches {
  display: inline-flex;
  gap: 2px;
  border-left: 2px solid var(--line-2);
  padding-left: 2px;
}
.notches i {
  width: 4px;
  height: 12px;
  background: var(--ink);
}
.notches.against {
  border-left: 0;
  border-right: 2px solid var(--line-2);
  padding: 0 2px 0 0;
}
.notches.against i {
  background: none;
  border: 1px solid var(--ink);
}
</style>
