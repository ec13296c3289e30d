<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ImagingEvent } from '@/api/types'
import { bytes, count, size, time } from '@/ui/format/format'

const props = defineProps<{
  /** The newest first. */
  events: readonly ImagingEvent[]
  /** How many faults there were in all. */
  faults: number
}>()
const FEW = 4
const all = ref(false)
const shown = computed(() => props.events.filter((e) => e.kind !== 'pass').slice(0, all.value ? 200 : FEW))
const WORDS: Record<string, string> = { fault: 'did not read' }
</script>

<template>
  <section aria-labelledby="h-faults">
    <div class="hd">
      <h2 id="h-faults">Faults</h2>
      <span class="text-body-secondary xs">{{
        faults ? `${count(faults)} in all; the latest` : 'none so far'
      }}</span><span class="flex-fill" />
      <button v-if="events.length > FEW" type="button" class="linkish s" :aria-expanded="all" @click="all = !all">
        {{ all ? 'Fewer' : 'More' }}
      </button>
    </div>
    <table v-if="shown.length" class="rows">
      <tbody>
        <tr v-for="(e, i) in shown" :key="`${e.at}${e.off ?? ''}${i}`">
          <td class="m xs">{{ time(e.at) }}</td>
          <template v-if="e.off !== undefined"
            ><td class="m xs n" :title="bytes(e.off)">{{ size(e.off) }}</td>
            <td class="m xs n" :title="bytes(e.len ?? 0)">{{ size(e.len ?? 0) }}</td>
            <td class="xs">{{ WORDS[e.kind] ?? e.words }}, {{ e.pass }}</td></template
          >
          <td v-else class="xs" colspan="3">{{ e.words }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
