<script setup lang="ts">
import { computed } from 'vue'
import { count } from '@/ui/format/format'
import { kindRows } from './counts'

type Numbers = Record<string, number>
const props = defineProps<{
  /** Findings by what they are; of the running session, or of the last that ended. */
  found: { kinds: Numbers; origins: Numbers; prognoses: Numbers } | undefined
  /** It is still looking. */
  running: boolean
}>()
const kinds = computed(() => kindRows(props.found?.kinds ?? {}))
const sums = computed(() =>
  [props.found?.origins, props.found?.prognoses]
    .flatMap((numbers) => Object.entries(numbers ?? {}))
    .map(([what, n]) => `${count(n)} ${what}`)
    .join(', '),
)
</script>

<template>
  <section aria-labelledby="h-kinds">
    <div class="hd">
      <h2 id="h-kinds">Kinds</h2>
      <span class="text-body-secondary">{{ sums }}</span>
    </div>
    <table class="rows">
      <tbody>
        <tr v-for="k in kinds" :key="k.kind">
          <td>{{ k.kind }}</td>
          <td class="n">{{ count(k.count) }}</td>
          <td class="share"><i :style="{ width: `${100 * k.share}%` }" /></td>
        </tr>
      </tbody>
    </table>
    <p v-if="!kinds.length" class="empty">
      {{
        running
          ? 'Nothing yet.'
          : 'Nothing was found. That is a result: the medium holds no file that the engine knows.'
      }}
    </p>
  </section>
</template>

<style scoped>
.share {
  width: 55%;
}
.share i {
  display: block;
  height: 10px;
  background: var(--tint);
  border-left: 2px solid var(--ink);
}
</style>
