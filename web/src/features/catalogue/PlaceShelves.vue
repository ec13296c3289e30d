<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useLive } from '@/api/live'
import type { WantedState } from '@/api/types'
import { count } from '@/ui/format/format'
import { useKeys } from '@/ui/keys'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useWhich } from '@/features/devices'
import { asFound } from '@/ui/format/names'
import ShelfBox from './ShelfBox.vue'
import { daysAsked } from './question'
import { placeAddress, type Filter } from './filter'
import { daysOf, heightOf, kindsOf, shelvesOf, type Shelf } from './shelves'

const props = defineProps<{
  /** The case. */
  number: string
  /** What is shown below; its place is the one that is open here. */
  filter: Filter
  /** The lines that findings are held against. */
  wanted: WantedState[]
}>()
const emit = defineEmits<{
  /** Of what no record names, one kind, or all of them again. */
  kind: [kind: string | undefined]
  /** Of what no record names, what was made from a day to another. */
  days: [from: string, to: string]
}>()

const which = useWhich()
const route = useRoute()
const router = useRouter()
const row = useTemplateRef<HTMLElement>('row')
const place = useLive(
  '/api/cases/{number}/catalogue/place',
  () => ({ path: { number: props.number }, query: { folder: props.filter.folders } }),
  (what, c) => c === props.number && (what === 'catalogue' || what === 'case'),
)
const scans = useLive(
  '/api/cases/{number}/scans',
  () => ({ path: { number: props.number } }),
  (what, c) => c === props.number && what === 'scan',
)
const dated = computed(() => (props.filter.nameless && place.data.value ? daysOf(place.data.value) : []))
const shelves = computed(() => {
  if (!place.data.value) return []
  return props.filter.nameless
    ? [...kindsOf(place.data.value), ...dated.value]
    : shelvesOf(place.data.value, scans.data.value ?? [], which)
})
const top = useLive(
  '/api/cases/{number}/catalogue/place',
  () => (props.filter.folders.length ? { path: { number: props.number }, query: {} } : undefined),
  () => false,
)
/** The shelves left behind: the case, the volume, and the folders on the way; the last is the open one. */
const behind = computed<Pick<Shelf, 'key' | 'name' | 'folders'>[]>(() => {
  if (props.filter.nameless) return [{ key: 'none', name: 'no name kept', folders: [] }]
  const volume = (folders: readonly number[]) =>
    top.data.value &&
    shelvesOf(top.data.value, scans.data.value ?? [], which).find((s) => s.folders.some((f) => folders.includes(f)))
  return (place.data.value?.behind ?? []).map((b, i) => ({
    key: String(b.folders[0]),
    name: i === 0 ? (volume(b.folders)?.name ?? 'volume') : b.name,
    folders: i === 0 ? (volume(b.folders)?.folders ?? b.folders) : b.folders,
  }))
})
/** The shelves of what no record names that are shown alone. */
const narrowed = computed(() => [
  ...props.filter.kinds,
  ...dated.value.filter((s) => s.days && props.filter.q.includes(daysAsked(s.days.from, s.days.to))).map((s) => s.key),
])
const isInside = computed(() => props.filter.nameless || props.filter.folders.length > 0)

/** Who came by the keys goes on from the first shelf, once it is there. */
let walking = false
watch(shelves, async () => {
  if (!walking) return
  walking = false
  await nextTick()
  focusAt(0)
})

/** A place has an address of its own, so that going back leaves it. */
async function open(where: Pick<Filter, 'folders' | 'nameless'>): Promise<void> {
  walking = !!row.value?.contains(document.activeElement)
  await router.push({ query: { ...route.query, folder: placeAddress(where) } })
}
function openShelf(s: Shelf): void {
  if (s.days) emit('days', s.days.from, s.days.to)
  else if (s.kind) emit('kind', props.filter.kinds.includes(s.kind) ? undefined : s.kind)
  else void open({ folders: s.folders, nameless: s.state === 'nameless' })
}
function up(): void {
  if (props.filter.nameless) emit('kind', undefined)
  // What is on its way is not here yet: then the shelves are those of where one comes from.
  const here = behind.value.findIndex((b) => b.folders.some((f) => props.filter.folders.includes(f)))
  const above = here < 0 && !props.filter.nameless ? behind.value.at(-1) : behind.value[here - 1]
  void open({ folders: above?.folders ?? [], nameless: false })
}
function buttons(): HTMLElement[] {
  return [...(row.value?.querySelectorAll<HTMLElement>('.shelf') ?? [])]
}
function focusAt(i: number): void {
  const all = buttons()
  all[Math.max(0, Math.min(all.length - 1, i))]?.focus()
}
function step(by: number): void {
  focusAt(buttons().indexOf(document.activeElement as HTMLElement) + by)
}
useKeys([
  { key: 'W', does: () => (shelves.value.length ? 'walk' : undefined), run: () => focusAt(0) },
  { key: 'Backspace', does: () => (isInside.value ? 'up' : undefined), run: up },
])
</script>

<template>
  <div class="walk">
    <nav v-if="isInside" class="behind" aria-label="Shelves left behind">
      <button type="button" class="left" @click="open({ folders: [], nameless: false })"><span>the case</span></button>
      <button
        v-for="(b, i) in behind"
        :key="b.key"
        type="button"
        class="left"
        :class="{ here: i === behind.length - 1 }"
        :aria-current="i === behind.length - 1 ? 'location' : undefined"
        :title="b.name"
        @click="open({ folders: b.folders, nameless: filter.nameless })"
      >
        <span>{{ asFound(b.name) }}</span>
      </button>
    </nav>
    <div
      ref="row"
      class="shelves"
      role="group"
      aria-label="Places to open"
      data-sideways
      @keydown.right.prevent="step(1)"
      @keydown.left.prevent="step(-1)"
    >
      <ShelfBox
        v-for="s in shelves"
        :key="s.key"
        :shelf="s"
        :class="{ apart: s.key === dated[0]?.key }"
        :height="heightOf(s.holds, shelves)"
        :wanted="wanted"
        :narrowed="narrowed"
        @click="openShelf(s)"
      />
      <p v-if="dated.length && place.data.value?.undated.lines" class="s bare text-body-secondary">
        {{ count(place.data.value.undated.lines) }} more say no day.
      </p>
      <p v-if="place.data.value?.further" class="s bare">
        and {{ count(place.data.value.further) }} more folders; narrow them by a text.
      </p>
      <p v-if="place.data.value && !shelves.length" class="s text-body-secondary bare">
        {{ isInside ? 'No folder lies here; its files are listed below.' : 'Nothing was found yet.' }}
      </p>
      <RefusedNote :refused="place.refused.value" />
    </div>
  </div>
</template>

<style scoped>
.walk {
  display: flex;
  height: 112px;
  margin-top: 6px;
}
.behind {
  display: flex;
  flex: none;
  max-width: 50%;
  overflow-x: auto;
}

/* A shelf that was left: only its edge is seen, with its name along it. */
.left {
  flex: none;
  width: 28px;
  padding: 6px 0;
  border: 1.5px solid var(--ink);
  border-right: 0;
  background: var(--well);
  color: var(--ink);
}
.left:last-child {
  border-right: 1.5px solid var(--ink);
}
.left span {
  display: block;
  writing-mode: vertical-rl;
  max-height: 96px;
  margin: 0 auto;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 12px;
}
.left:focus-visible {
  outline-offset: -3px;
}
.left.here {
  background: var(--sheet);
  font-weight: 650;
}
.shelves {
  display: flex;
  flex: 1;
  min-width: 0;
  padding-left: 10px;
  overflow: auto hidden;
}

/* Here the days begin. */
.apart {
  margin-left: 22px;
}
.bare {
  align-self: center;
  margin: 0 8px;
}
</style>
