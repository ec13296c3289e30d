<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { CatalogueLine, Docket } from '@/api/types'
import { count } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import { useImages } from '@/features/bench'
import CatalogueTable from './CatalogueTable.vue'
import ContactSheet from './ContactSheet.vue'
import FilterHead from './FilterHead.vue'
import LayOut from './LayOut.vue'
import ConfirmLine from './ConfirmLine.vue'
import SelectionBar from './SelectionBar.vue'
import WantedBand from './WantedBand.vue'
import { EVERYTHING, fromQuery, placeInQuery } from './filter'
import { layoutOf } from './laid'
import { pointed, wordsAsked } from './question'
import { turned } from './remarks'
import { useCatalogue } from './useCatalogue'
import { useRemarks } from './useRemarks'

const props = defineProps<{ /** The case whose findings these are. */ docket: Docket }>()
const router = useRouter()
const route = useRoute()
const catalogue = useCatalogue(props.docket.number, fromQuery(route.query))
const { filter, sort, lines, rest, undoable } = catalogue
const page = catalogue.page
const at = ref(0)
const open = ref<number>()
const table = useTemplateRef<InstanceType<typeof CatalogueTable>>('table')
const sheet = useTemplateRef<InstanceType<typeof ContactSheet>>('sheet')
const scroll = useTemplateRef<HTMLElement>('scroll')
const remarks = useRemarks(() => props.docket.number)
const images = useImages(() => props.docket.number)
const gone = computed(() => (images.data.value ?? []).filter((i) => !i.there).flatMap((i) => i.sessions))
/** Lines are no pictures, and no days: what was asked for before the other view is not shown in it. */
const shownAs = ref(filter.value.sheet)
watch([page, catalogue.live.stale], () => {
  if (!catalogue.live.stale.value) shownAs.value = filter.value.sheet
})
const turning = computed(() => shownAs.value !== filter.value.sheet)
/** A proof needs the room more than what stands above the list. */
const unfolded = ref(false)
watch(open, () => (unfolded.value = false))
const folded = computed(() => !unfolded.value && lines.value.some((l) => l.id === open.value))
const asked = computed(() => wordsAsked(page.value?.question))
const narrowed = computed(() => page.value?.wanted.find((w) => w.line.id === filter.value.wanted))

function move(by: number): void {
  if (filter.value.sheet) {
    sheet.value?.step(by)
    return
  }
  at.value = Math.min(lines.value.length - 1, Math.max(0, at.value + by))
  void table.value?.focusLine(at.value)
}
function toggleLine(line: CatalogueLine | undefined): void {
  if (line) void catalogue.select([line.id], !line.selected)
}
function say(whose: 'theirs' | 'not-theirs'): void {
  const line = lines.value[at.value]
  if (line) void remarks.say(line, { whose: turned(line.remark, whose) })
}
/** The proof is where remarks are made. */
async function remarkOn(line: number | undefined): Promise<void> {
  open.value = line
  await nextTick()
  scroll.value?.querySelector<HTMLElement>('.remark input')?.focus()
}
/** More like the line at hand: where the question says “like this one”, that is it. */
function askLike(line: number | undefined): void {
  const { q } = filter.value
  const meant = pointed(q, line)
  if (line !== undefined) filter.value = { ...filter.value, q: meant === q ? `like #${line}` : meant }
}
watch([filter, sort], () => {
  at.value = 0
  scroll.value?.scrollTo({ top: 0 })
})
/** The question stands in the address, so that it can be shared. */
let put: { q: string | undefined } | undefined
watch(page, () => {
  const q = filter.value.q.trim() || undefined
  if (q === route.query.q) return
  put = { q }
  void router.replace({ query: { ...route.query, q } })
})
watch(
  () => route.query.q,
  (q) => {
    // What was put there from here is older than what is being typed.
    if (put?.q !== q || !put) filter.value = { ...filter.value, q: String(q ?? '') }
    put = undefined
  },
)
watch(
  () => route.query.folder,
  () => (filter.value = { ...filter.value, ...placeInQuery(route.query), hereOnly: false }),
)
/** All of the case, wherever it stands. */
function showEverything(): void {
  filter.value = { ...EVERYTHING }
  void router.push({ query: {} })
}
/** How the selection is laid out, where that is looked at. */
const laying = computed({
  get: () => layoutOf(route.query.lay),
  set: (layout) => void router.replace({ query: { ...route.query, lay: layout } }),
})
function layOut(): void {
  if (page.value?.selection.files) void router.push({ query: { ...route.query, lay: 'as-it-stood' } })
}
const onLines = (does: string) => () => (lines.value.length && !laying.value ? does : undefined)
useKeys([
  { key: 'J', does: onLines('down'), run: () => move(1) },
  { key: 'K', does: onLines('up'), run: () => move(-1) },
  { key: 'X', does: onLines('select'), run: () => toggleLine(lines.value[at.value]) },
  {
    key: 'Enter',
    does: onLines('proof'),
    run: () => (open.value = open.value === lines.value[at.value]?.id ? undefined : lines.value[at.value]?.id),
  },
  {
    key: 'L',
    does: onLines('like this'),
    run: () => askLike(lines.value[at.value]?.id),
  },
  {
    key: 'Y',
    does: onLines('theirs'),
    run: () => say('theirs'),
  },
  {
    key: 'N',
    does: onLines('not theirs'),
    run: () => say('not-theirs'),
  },
  {
    key: 'M',
    does: onLines('remark'),
    run: () => void remarkOn(lines.value[at.value]?.id),
  },
  {
    key: 'R',
    does: () => (page.value?.selection.files ? 'recover' : undefined),
    run: layOut,
  },
])
</script>

<template>
  <LayOut v-if="laying" v-model="laying" :docket="docket" @leave="laying = undefined" />
  <div v-else-if="page" class="catalogue">
    <div>
      <WantedBand
        v-if="!folded"
        :wanted="page.wanted"
        :chosen="filter.wanted"
        @choose="(w) => (filter = { ...filter, wanted: w, fit: undefined })"
      />
      <ConfirmLine
        v-if="narrowed"
        :number="docket.number"
        :state="narrowed"
        :fit="filter.fit"
        @fit="(fit) => (filter = { ...filter, fit })"
        @changed="catalogue.live.refresh"
      />
      <FilterHead
        v-model="filter"
        :number="docket.number"
        :page="page"
        :folded="folded"
        @unfold="unfolded = true"
        @drawn="catalogue.refresh"
      />
      <p v-if="!page.contentShown" class="xs text-body-secondary closed">
        The customer agreed to file names only: no pictures, no texts, nothing that contents say of themselves.
      </p>
      <RefusedNote
        :refused="catalogue.live.refused.value ?? catalogue.selecting.refused.value ?? remarks.action.refused.value"
      />
    </div>
    <div ref="scroll" class="scroll" tabindex="-1" data-sideways>
      <ComingLines v-if="turning" :of="catalogue.live" :lines="6" />
      <ContactSheet
        v-else-if="lines.length && filter.sheet"
        ref="sheet"
        :number="docket.number"
        :lines="lines"
        :gone="gone"
        :asked="asked"
        :wanted="page.wanted"
        :at="at"
        :open="open"
        :within="scroll"
        @look="catalogue.look"
        @at="(i) => (at = i)"
        @open="(id) => (open = id)"
        @select="catalogue.select"
      />
      <CatalogueTable
        v-else-if="lines.length"
        ref="table"
        :number="docket.number"
        :lines="lines"
        :gone="gone"
        :asked="asked"
        :wanted="page.wanted"
        :at="at"
        :open="open"
        :sort="sort"
        :within="scroll"
        :matching="page.exact ? page.matching : undefined"
        @look="catalogue.look"
        @at="(i) => (at = i)"
        @open="(id) => (open = id)"
        @select="toggleLine"
        @choose="catalogue.select"
        @sort="(by) => (sort = by)"
      />
      <p v-else-if="page.all" class="empty">
        {{ filter.sheet ? 'No picture passes this filter.' : 'No finding passes this filter.' }}
        <button type="button" class="linkish" @click="showEverything">Show everything</button>
      </p>
      <p v-else class="empty">
        The catalogue is empty.
        <RouterLink class="link" :to="`/cases/${docket.number}/scanning`">Scan the image</RouterLink> first.
      </p>
      <p v-if="rest === 'more'" class="more">
        <button type="button" class="btn btn-quiet btn-sm" @click="catalogue.more">
          Show {{ count(page.exact ? Math.min(200, page.matching - lines.length) : 200) }} more
        </button>
      </p>
      <p v-else-if="rest === 'narrow'" class="more s text-body-secondary">
        These are the first {{ count(lines.length) }}. Ask for less, or open a folder, to see the others.
      </p>
    </div>
    <SelectionBar
      :number="docket.number"
      :page="page"
      :busy="catalogue.selecting.busy.value"
      :undo="undoable"
      @select="catalogue.selectShown"
      @recover="layOut"
    />
  </div>
  <div v-else class="pad">
    <RefusedNote :refused="catalogue.live.refused.value" />
    <ComingLines :of="catalogue.live" :lines="10" />
  </div>
</template>

<style scoped>
.catalogue {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto minmax(0, 1fr) auto;
  height: 100%;
}
.scroll {
  position: relative;
  overflow: auto;
  scroll-padding-top: 28px;
}
.closed {
  padding: 4px 16px;
}
.more {
  padding: 10px;
  text-align: center;
}
.pad,
.empty {
  margin: 16px;
}
@media (width <= 900px) {
  .catalogue {
    height: auto;
  }
  .scroll {
    max-height: 85vh;
  }
}
</style>
