<script setup lang="ts">
import { ref, watch } from 'vue'
import { Refused, api } from '@/api/client'
import type { CatalogueLine, Difference } from '@/api/types'
import { bytes } from '@/ui/format/format'
import FillGauge from '@/ui/instruments/FillGauge.vue'
import ProofLook from './ProofLook.vue'
import { differenceWords, stateWords, stretches, whenWords } from './versions'

const props = defineProps<{
  /** The case. */
  number: string
  /** What stood at one place, the oldest first. */
  versions: CatalogueLine[]
  /** The one that was opened. */
  opened: number
}>()
const emit = defineEmits<{ /** Lines to choose or to give up. */ select: [ids: number[], selected: boolean] }>()

/** Of the ticks between two, in points. */
const HEIGHT = 120
/** How each differs from the one before it, by its place in the row; in words where that could not be told. */
const differences = ref<Record<number, Difference | string>>({})

async function compare(i: number): Promise<void> {
  const [a, b] = [props.versions[i - 1], props.versions[i]]
  if (!a || !b) return
  try {
    const found = await api.get('/api/cases/{number}/catalogue/{id}/difference', {
      path: { number: props.number, id: a.id },
      query: { other: b.id },
    })
    differences.value = { ...differences.value, [i]: found }
  } catch (e) {
    const why = e instanceof Refused ? e.message : 'They could not be compared.'
    differences.value = { ...differences.value, [i]: why }
  }
}
watch(
  () => props.versions.map((v) => v.id).join(),
  () => props.versions.forEach((_, i) => i && void compare(i)),
  { immediate: true },
)
function found(i: number): Difference | undefined {
  const d = differences.value[i]
  return typeof d === 'string' ? undefined : d
}
function words(i: number): string {
  const d = differences.value[i]
  return d === undefined ? 'They are compared …' : typeof d === 'string' ? d : differenceWords(d)
}
</script>

<template>
  <section class="versions" :aria-label="`${versions.length} versions of one place`">
    <p class="s head">
      <b>{{ versions.length }} versions</b> of this place, the oldest first.
      <button
        type="button"
        class="linkish"
        @click="
          emit(
            'select',
            versions.map((v) => v.id),
            true,
          )
        "
      >
        choose all {{ versions.length }}
      </button>
    </p>
    <ol class="row1" data-sideways>
      <template v-for="(v, i) in versions" :key="v.id">
        <li v-if="i" class="between">
          <svg :viewBox="`0 0 24 ${HEIGHT}`" :height="HEIGHT" width="24" role="img" :aria-label="words(i)">
            <line x1="4" x2="4" y1="0" :y2="HEIGHT" class="edge" />
            <line x1="20" x2="20" y1="0" :y2="HEIGHT" class="edge" />
            <rect
              v-for="s in stretches(found(i)?.slots ?? [])"
              :key="s.from"
              :x="s.as === 'beyond' ? 18 : 4"
              :width="s.as === 'beyond' ? 4 : 16"
              :y="s.from * HEIGHT"
              :height="Math.max(1.5, (s.to - s.from) * HEIGHT)"
              :class="s.as"
            />
          </svg>
          <p class="xs">{{ words(i) }}</p>
        </li>
        <li class="strip" :class="{ opened: v.id === opened }">
          <p class="s when">
            <b>{{ whenWords(v) }}</b>
          </p>
          <p class="s d-flex align-items-center gap-2">
            <FillGauge :prognosis="v.prognosis" :share="v.size ? v.readBytes / v.size : 1" :height="18" />
            <span>{{ v.prognosis }}, {{ bytes(v.size) }}</span>
          </p>
          <p class="xs text-body-secondary">{{ stateWords(v) }}</p>
          <ProofLook class="shown" :number="number" :line="v" />
          <button
            type="button"
            class="btn btn-quiet btn-sm"
            :aria-pressed="v.selected"
            @click="emit('select', [v.id], !v.selected)"
          >
            {{ v.selected ? 'Give this one up' : 'Choose this one' }}
          </button>
        </li>
      </template>
    </ol>
  </section>
</template>

<style scoped>
.versions {
  grid-column: 1 / -1;
  padding-top: 8px;
  border-top: 1px solid var(--line-2);
}
.head {
  display: flex;
  gap: 12px;
}
.row1 {
  display: flex;
  margin: 6px 0 0;
  padding: 0 0 6px;
  overflow-x: auto;
  list-style: none;
}

/* A paper strip; on the time line that runs along their heads. */
.strip {
  flex: 0 0 300px;
  padding: 6px 10px 8px;
  border: 1px solid var(--line-2);
  border-top: 3px solid var(--ink);
  background: var(--sheet);
}
.strip.opened {
  border-top-color: var(--verd);
}
.shown {
  min-height: 120px;
  margin: 6px 0;
}
.between {
  flex: 0 0 132px;
  padding: 0 8px;
  border-top: 3px solid var(--ink);
  text-align: center;
}
.between svg {
  display: block;
  margin: 8px auto 4px;
}
.edge {
  stroke: var(--line-2);
}
.different {
  fill: var(--ink);
}
.unread {
  fill: var(--madder);
  opacity: 0.6;
}
.beyond {
  fill: var(--heather);
}
</style>
