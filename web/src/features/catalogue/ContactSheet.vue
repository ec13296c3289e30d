<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useEventListener, useStorage } from '@vueuse/core'
import type { CatalogueLine, WantedState } from '@/api/types'
import { count } from '@/ui/format/format'
import { asFound } from '@/ui/format/names'
import { useKeys } from '@/ui/keys'
import FindingProof from './FindingProof.vue'
import SheetPicture from './SheetPicture.vue'
import { between, blankLines, blankWords, daysOf, dayWords, resized, type SheetDay } from './sheet'

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
}>()
const emit = defineEmits<{
  at: [index: number]
  open: [id: number | undefined]
  /** Several are chosen, or given up, at once. */
  select: [ids: number[], selected: boolean]
}>()

const size = useStorage('brantel.sheet', 112)
const days = computed(() => daysOf(props.lines))
const sheet = useTemplateRef<HTMLElement>('sheet')
/** The picture that a hand went down on, and where it has been dragged to since. */
const drag = ref<{ from: number; to: number }>()
const held = computed(() => new Set(drag.value ? between(drag.value.from, drag.value.to) : []))

const openIn = (day: SheetDay) => day.hours.flatMap((h) => h.lines).find((p) => p.line.id === props.open)?.line

function down(index: number, event: PointerEvent): void {
  if (event.button !== 0) return
  if (event.shiftKey) choose(between(props.at, index))
  else drag.value = { from: index, to: index }
}
function over(index: number): void {
  if (drag.value) drag.value = { ...drag.value, to: index }
}
function up(): void {
  const done = drag.value
  drag.value = undefined
  if (done && done.from !== done.to) choose(between(done.from, done.to))
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
function focusLine(index: number): void {
  sheet.value?.querySelectorAll<HTMLElement>('.picture')[index]?.focus()
}
defineExpose({ focusLine })
function show(index: number): void {
  emit('at', index)
  focusLine(index)
}
/** The picture in the row above or below that is nearest. */
function row(by: number): void {
  const all = [...(sheet.value?.querySelectorAll<HTMLElement>('.picture') ?? [])]
  const here = all[props.at]?.getBoundingClientRect()
  if (!here) return
  const beyond = all
    .map((e, index) => ({ index, box: e.getBoundingClientRect() }))
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
    @keydown.right.prevent="show(Math.min(lines.length - 1, at + 1))"
    @keydown.left.prevent="show(Math.max(0, at - 1))"
    @keydown.down.prevent="row(1)"
    @keydown.up.prevent="row(-1)"
  >
    <template v-for="d in days" :key="d.day">
      <div v-if="d.blank" class="blank xs text-body-secondary" :style="{ height: `${6 * blankLines(d.blank) + 14}px` }">
        <span class="blankwords">{{ blankWords(d.blank) }}</span>
      </div>
      <section class="day" :aria-label="dayWords(d.day)">
        <h3 class="s">
          {{ dayWords(d.day) }}
          <span class="xs text-body-secondary">{{ count(d.count) }} {{ d.count === 1 ? 'picture' : 'pictures' }}</span>
        </h3>
        <div class="hours">
          <div v-for="h in d.hours" :key="h.hour" class="hour">
            <span class="m xs tick"
              >{{ h.hour < 0 ? '' : `${String(h.hour).padStart(2, '0')} h`
              }}<b v-if="h.with" :title="h.with">{{ asFound(h.with) }}</b></span
            >
            <SheetPicture
              v-for="p in h.lines"
              :key="p.line.id"
              :number="number"
              :line="p.line"
              :at="p.index === at"
              :held="held.has(p.index)"
              :open="p.line.id === open"
              @pointerdown="down(p.index, $event)"
              @pointerenter="over(p.index)"
              @click="press(p)"
              @select="choose([p.index])"
            />
          </div>
        </div>
        <FindingProof
          v-if="openIn(d)"
          :key="open"
          class="lens"
          :number="number"
          :line="openIn(d)!"
          :gone="gone.includes(openIn(d)!.imagingId)"
          :wanted="wanted"
          :asked="asked"
          @select="(ids, selected) => emit('select', ids, selected)"
        />
      </section>
    </template>
  </div>
</template>

<style scoped>
.sheetpaper {
  padding: 8px 16px 16px;
  user-select: none;
}
.day {
  display: grid;
  grid-template-columns: 116px minmax(0, 1fr);
  border-top: 1.5px solid var(--ink);
  content-visibility: auto;
  contain-intrinsic-size: auto 160px;
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
