<script setup lang="ts">
import { ref } from 'vue'
import type { CataloguePage } from '@/api/types'
import { bytes, count, size } from '@/ui/format/format'
import { useKeys } from '@/ui/keys'
import AskLine from './AskLine.vue'
import FacetList from './FacetList.vue'
import KeptQuestions from './KeptQuestions.vue'
import PlainConditions from './PlainConditions.vue'
import PlaceShelves from './PlaceShelves.vue'
import SheetAhead from './SheetAhead.vue'
import WordsInside from './WordsInside.vue'
import {
  EVERYTHING,
  facetRows,
  facetWords,
  isEverything,
  sessionWords,
  toggled,
  type Facet,
  type Filter,
} from './filter'
import { daysAsked, saidOtherwise } from './question'

const props = defineProps<{
  /** The case. */
  number: string
  /** What passes the filter, and the counts beside it. */
  page: CataloguePage
  /** There is no room for more than the question. */
  folded: boolean
}>()
const emit = defineEmits<{
  /** There is to be room. */
  unfold: []
  /** More is known of pictures than before. */
  drawn: []
}>()
/** What is shown below. */
const filter = defineModel<Filter>({ required: true })

/** What stands under the line: the places to walk through, or the conditions with their counts. */
const face = ref<'places' | 'conditions'>('places')
const FACES = { places: 'by place', conditions: 'by kind, origin, prognosis, day, size' } as const

function turn(to: 'places' | 'conditions'): void {
  face.value = to
  emit('unfold')
}
function facet(which: Facet, value: string): void {
  filter.value = toggled(filter.value, which, value)
}
function ask(q: string): void {
  filter.value = { ...filter.value, q }
}
/** Asked for once more, days are no longer asked for. */
function askDays(from: string, to: string): void {
  const days = daysAsked(from, to)
  const again = filter.value.q.includes(days)
  ask(saidOtherwise(filter.value.q, props.page.question?.parts ?? [], 'made', again ? '' : days))
}
/** The place stays: it is left by the shelves. */
function showAll(): void {
  const { folders, nameless, sheet } = filter.value
  filter.value = { ...EVERYTHING, folders, nameless, sheet }
}
useKeys([
  {
    key: 'F',
    does: () => (face.value === 'places' ? 'conditions' : 'places'),
    run: () => turn(face.value === 'places' ? 'conditions' : 'places'),
  },
  {
    key: 'V',
    does: () => (props.page.contentShown ? (filter.value.sheet ? 'list' : 'contact sheet') : undefined),
    run: () => (filter.value = { ...filter.value, sheet: !filter.value.sheet }),
  },
])
</script>

<template>
  <div class="narrow">
    <div class="asking">
      <b class="head">Findings</b>
      <AskLine
        :model-value="filter.q"
        :understood="page.question"
        :content-shown="page.contentShown"
        @update:model-value="ask"
      />
      <span class="m total"
        ><template v-if="!page.exact">at least </template><b>{{ count(page.matching) }}</b> of {{ count(page.all)
        }}<span v-if="!page.exact" class="s counting" role="status">, counting …</span
        ><span v-else-if="page.bytes !== undefined" class="s" :title="bytes(page.bytes)"
          >, {{ size(page.bytes) }}</span
        ></span
      >
    </div>
    <div class="d-flex flex-wrap align-items-center gap-2 line1">
      <span class="faces" role="group" aria-label="Narrow">
        <button
          v-for="(words, f) in FACES"
          :key="f"
          type="button"
          class="face s"
          :class="{ on: !folded && face === f }"
          :aria-pressed="!folded && face === f"
          @click="turn(f)"
        >
          {{ words }}
        </button>
      </span>
      <label class="s d-flex align-items-center gap-2"
        ><input
          type="checkbox"
          class="form-check-input"
          :checked="filter.selectedOnly"
          @change="filter = { ...filter, selectedOnly: !filter.selectedOnly }"
        />
        only selected</label
      >
      <label v-if="filter.folders.length" class="s d-flex align-items-center gap-2"
        ><input
          type="checkbox"
          class="form-check-input"
          :checked="filter.hereOnly"
          @change="filter = { ...filter, hereOnly: !filter.hereOnly }"
        />
        only this folder, nothing below</label
      >
      <b v-if="sessionWords(filter)" class="s">{{ sessionWords(filter) }}</b>
      <b v-if="face === 'places' && facetWords(filter)" class="s">{{ facetWords(filter) }}</b>
      <button
        v-if="!isEverything({ ...filter, folders: [], nameless: false })"
        type="button"
        class="linkish s"
        @click="showAll"
      >
        show everything{{ filter.folders.length || filter.nameless ? ' here' : '' }}
      </button>
      <KeptQuestions :number="number" :model-value="filter.q" @update:model-value="ask" />
      <SheetAhead v-if="filter.sheet && page.contentShown" :number="number" @drawn="emit('drawn')" />
      <WordsInside v-else :number="number" />
      <span class="flex-fill" />
      <span v-if="page.contentShown" class="faces" role="group" aria-label="Shown as">
        <button
          v-for="(words, i) in ['list', 'contact sheet']"
          :key="words"
          type="button"
          class="face s"
          :class="{ on: filter.sheet === (i === 1) }"
          :aria-pressed="filter.sheet === (i === 1)"
          @click="filter = { ...filter, sheet: i === 1 }"
        >
          {{ words }}
        </button>
      </span>
    </div>
    <PlaceShelves
      v-if="!folded && face === 'places'"
      :number="props.number"
      :filter="filter"
      :wanted="page.wanted"
      @days="askDays"
      @kind="(kind) => (filter = { ...filter, kinds: kind ? [kind] : [] })"
    />
    <div v-else-if="!folded" class="facets">
      <FacetList title="Kind" :rows="facetRows(page.kinds, filter.kinds)" @toggle="(v) => facet('kinds', v)" />
      <FacetList
        title="Origin"
        :rows="facetRows(page.origins, filter.origins, ['live', 'deleted', 'earlier', 'carved'])"
        @toggle="(v) => facet('origins', v)"
      />
      <FacetList
        title="Prognosis"
        gauges
        :rows="facetRows(page.prognoses, filter.prognoses, ['whole', 'gapped', 'doubtful', 'overwritten'])"
        @toggle="(v) => facet('prognoses', v)"
      />
      <PlainConditions :understood="page.question" :model-value="filter.q" @update:model-value="ask" />
    </div>
  </div>
</template>

<style scoped>
.narrow {
  padding: 8px 16px;
  border-bottom: 1px solid var(--line-2);
}
.asking {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 4px 12px;
}
.head,
.total {
  line-height: 34px;
}
.line1 {
  margin-top: 4px;
}
.total {
  font-size: 13px;
}
.total b {
  font-size: 18px;
  font-weight: 600;
}
.facets {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 34px;
  margin-top: 4px;
}
.face {
  padding: 2px 8px;
  border: 0;
  border-bottom: 2px solid transparent;
  background: none;
  color: var(--ink-2);
}
@media (width <= 640px) {
  .asking {
    grid-template-columns: auto 1fr;
  }
  .ask {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
.face.on {
  border-bottom-color: var(--verd);
  color: var(--ink);
  font-weight: 650;
}
</style>
