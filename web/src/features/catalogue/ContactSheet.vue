<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useElementSize, useEventListener, useStorage } from '@vueuse/core'
import type { CatalogueLine, WantedState } from '@/api/types'
import { count } from '@/ui/format/format'
import { asFound } from '@/ui/format/names'
import { useKeys } from '@/ui/keys'
import { useLongList } from '@/ui/longList'
import FindingProof from './FindingProof.vue'
import SheetPicture from './SheetPicture.vue'
import {
  between,
  blankLines,
  blankWords,
  daysOf,
  dayWords,
  hanging,
  partsOf,
  resized,
  roomOf,
  seenAs,
  steppedFrom,
  type SheetPart,
} from './sheet'

const props = defineProps<{
  /** The case. */
  number: string
  /** Those that were fetched, by when they were made. */
  lines: CatalogueLine[]
  /** Index of the picture at hand. */
  at: number
  /** The picture whose proof is open. */
  open: number | undefined
  /** The lines that they are held against. */
  wanted: WantedState[]
  /** Sessions whose image is not there any more. */
  gone: readonly number[]
  /** Words that were asked for. */
  asked: readonly string[]
  /** What they scroll in. */
  within: HTMLElement | null
}>()
const emit = defineEmits<{
  at: [index: number]
  open: [id: number | undefined]
  /** Several are chosen, or given up, at once. */
  select: [ids: number[], selected: boolean]
  /** These places among the lines are looked at. */
  look: [from: number, to: number]
}>()

const FOLDING_POINTS = 30
/** Before it is known. */
const USUAL_WIDTH = 1100

const size = useStorage('brantel.sheet', 112)
const sheet = useTemplateRef<HTMLElement>('sheet')
const { width } = useElementSize(sheet)
/** Pictures that are nearly the same lie on one another. */
const folding = useStorage('brantel.sheet.folded', true)
const spread = ref(new Set<number>())
const parts = computed(() => partsOf(daysOf(props.lines, folding.value ? spread.value : 'all')))
const pictures = computed(() => hanging(parts.value))
/** How many lie beneath others. */
const beneath = computed(() =>
  pictures.value.reduce((sum, { line, like }) => sum + (spread.value.has(line.id) ? 0 : like.length), 0),
)
const foldable = computed(() => beneath.value > 0 || spread.value.size > 0 || !folding.value)
function spreadOut(id: number): void {
  const next = new Set(spread.value)
  if (!next.delete(id)) next.add(id)
  spread.value = next
}
/** Places among the lines, in the order that the pictures hang in. */
const order = computed(() => pictures.value.map((p) => p.index))
// The picture at hand is one that can be seen.
watch(
  [pictures, () => props.at],
  ([some, at]) => {
    const seen = seenAs(some, at)
    if (seen !== at) emit('at', seen)
  },
  { immediate: true },
)
const list = useLongList({
  count: () => parts.value.length,
  within: () => props.within,
  key: (i) => parts.value[i]?.key ?? i,
  points: (i) => roomOf(parts.value[i]!, size.value, width.value || USUAL_WIDTH),
  head: () => (foldable.value ? FOLDING_POINTS : 0),
  ready: 3,
})
const { above, below, measure } = list
const shown = computed(() =>
  list.rows.value.flatMap(({ index }) => parts.value.slice(index, index + 1).map((part) => ({ index, part }))),
)
watch(shown, (some) => {
  const places = hanging(some.map((s) => s.part)).map((p) => p.index)
  if (places.length) emit('look', Math.min(...places), Math.max(...places))
})
watch(size, list.resized)
/** The picture that a hand went down on, and where it has been dragged to since. */
const drag = ref<{ from: number; to: number }>()
const held = computed(() => new Set(drag.value ? between(order.value, drag.value.from, drag.value.to) : []))

const openIn = (part: SheetPart) => hanging([part]).find((p) => p.line.id === props.open)?.line

function down(index: number, event: PointerEvent): void {
  if (event.button !== 0) return
  if (event.shiftKey) choose(between(order.value, props.at, index))
  else drag.value = { from: index, to: index }
}
function over(index: number): void {
  if (drag.value) drag.value = { ...drag.value, to: index }
}
function up(): void {
  const done = drag.value
  drag.value = undefined
  if (done && done.from !== done.to) choose(between(order.value, done.from, done.to))
}
/** All of them, unless all of them are chosen already. */
function choose(indexes: readonly number[]): void {
  const some = indexes.map((i) => props.lines[i]).filter((l): l is CatalogueLine => !!l)
  const yes = some.some((l) => !l.selected)
  emit(
    'select',
    some.filter((l) => l.selected !== yes).map((l) => l.id),
    yes,
  )
}
useEventListener(window, 'pointerup', up)

/** The picture at hand is opened, or folded; another one comes to hand first. */
function press({ line, index }: { line: CatalogueLine; index: number }): void {
  if (index === props.at) emit('open', line.id === props.open ? undefined : line.id)
  else show(index)
}
const pictureAt = (index: number) => sheet.value?.querySelector<HTMLElement>(`[data-at="${index}"] .picture`)
async function focusLine(index: number): Promise<void> {
  if (!pictureAt(index)) {
    list.show(parts.value.findIndex((p) => hanging([p]).some((l) => l.index === index)))
    await nextTick()
  }
  pictureAt(index)?.focus()
}
function step(by: number): void {
  show(steppedFrom(order.value, props.at, by))
}
defineExpose({ focusLine, step })
function show(index: number): void {
  emit('at', index)
  void focusLine(index)
}
/** The picture in the row above or below that is nearest. */
function row(by: number): void {
  const here = pictureAt(props.at)?.getBoundingClientRect()
  if (!here) return
  const beyond = [...(sheet.value?.querySelectorAll<HTMLElement>('[data-at]') ?? [])]
    .map((e) => ({ index: Number(e.dataset.at), box: e.getBoundingClientRect() }))
    .filter(({ box }) => (by > 0 ? box.top > here.top + 4 : box.top < here.top - 4))
  const next = by > 0 ? Math.min(...beyond.map((b) => b.box.top)) : Math.max(...beyond.map((b) => b.box.top))
  const nearest = beyond
    .filter((b) => Math.abs(b.box.top - next) < 4)
    .sort((a, b) => Math.abs(a.box.left - here.left) - Math.abs(b.box.left - here.left))[0]
  if (nearest) show(nearest.index)
}
useKeys([
  { key: '+', does: 'larger', run: () => (size.value = resized(size.value, 1)) },
  { key: '-', does: 'smaller', run: () => (size.value = resized(size.value, -1)) },
])
</script>

<template>
  <div
    ref="sheet"
    class="sheetpaper"
    :style="{ '--edge-size': `${size}px` }"
    @keydown.right.prevent="step(1)"
    @keydown.left.prevent="step(-1)"
    @keydown.down.prevent="row(1)"
    @keydown.up.prevent="row(-1)"
  >
    <label v-if="foldable" class="folding s"
      ><input v-model="folding" type="checkbox" class="form-check-input m-0" />fold pictures that look nearly the
      same<template v-if="beneath">
        ({{ count(beneath) }} {{ beneath === 1 ? 'lies' : 'lie' }} beneath others)</template
      ></label
    >
    <div :style="{ height: `${above}px` }" />
    <div v-for="{ index, part } in shown" :key="part.key" :ref="measure" :data-index="index">
      <div
        v-if="part.blank"
        class="blank xs text-body-secondary"
        :style="{ height: `${6 * blankLines(part.blank) + 14}px` }"
      >
        <span class="blankwords">{{ blankWords(part.blank) }}</span>
      </div>
      <section class="day" :class="{ goeson: part.goesOn }" :aria-label="dayWords(part.day)">
        <h3 v-if="!part.goesOn" class="s">
          {{ dayWords(part.day) }}
          <span class="xs text-body-secondary"
            >{{ count(part.count) }} {{ part.count === 1 ? 'picture' : 'pictures' }}</span
          >
        </h3>
        <div class="hours">
          <div v-for="(h, i) in part.hours" :key="i" class="hour" :class="{ goeson: !h.begins }">
            <span class="m xs tick"
              >{{ h.begins && h.hour >= 0 ? `${String(h.hour).padStart(2, '0')} h` : ''
              }}<b v-if="h.with" :title="h.with">{{ asFound(h.with) }}</b></span
            >
            <SheetPicture
              v-for="p in h.lines"
              :key="p.line.id"
              :data-at="p.index"
              :number="number"
              :line="p.line"
              :at="p.index === at"
              :held="held.has(p.index)"
              :open="p.line.id === open"
              :like="folding ? p.like.length : 0"
              :spread="spread.has(p.line.id)"
              @spread="spreadOut(p.line.id)"
              @pointerdown="down(p.index, $event)"
              @pointerenter="over(p.index)"
              @click="press(p)"
              @select="choose([p.index])"
            />
          </div>
        </div>
        <FindingProof
          v-if="openIn(part)"
          :key="open"
          class="lens"
          :number="number"
          :line="openIn(part)!"
          :gone="gone.includes(openIn(part)!.imagingId)"
          :wanted="wanted"
          :asked="asked"
          @select="(ids, selected) => emit('select', ids, selected)"
        />
      </section>
    </div>
    <div :style="{ height: `${below}px` }" />
  </div>
</template>

<style scoped>
.sheetpaper {
  padding: 8px 16px 16px;
  user-select: none;
}

/* As high as the room that is kept for it. */
.folding {
  display: flex;
  align-items: center;
  gap: 6px;
  height: 30px;
}
.day {
  display: grid;
  grid-template-columns: 116px minmax(0, 1fr);
  border-top: 1.5px solid var(--ink);
}
.day.goeson {
  border-top: 0;
}
.day h3 {
  margin: 4px 0 0;
  font-weight: 650;
}
.day h3 span {
  display: block;
  font-weight: 400;
}
.hours {
  grid-column: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  padding-bottom: 6px;
}

.lens {
  grid-column: 1 / -1;
  background: var(--verd-wash);
}

/* Pictures hang from the tick of their hour. */
.hour {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  position: relative;
  padding-top: 20px;
  border-left: 1.5px solid var(--ink);
  padding-left: 6px;
}
.hour.goeson {
  border-left-style: dotted;
}
.tick {
  position: absolute;
  left: 6px;
  right: 0;
  top: 1px;
  display: flex;
  gap: 6px;
  white-space: nowrap;
  color: var(--ink-2);
}
.tick b {
  overflow: hidden;
  text-overflow: ellipsis;
  font-weight: 400;
}

/* Blank paper, ruled a line for each day. */
.blank {
  display: grid;
  align-items: center;
  padding-left: 123px;
  background: repeating-linear-gradient(to bottom, transparent 0 5px, var(--line) 5px 6px);
}
.blankwords {
  justify-self: start;
  background: var(--paper);
  padding: 0 6px 0 0;
}
</style>
