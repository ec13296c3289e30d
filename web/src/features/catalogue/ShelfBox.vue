<script setup lang="ts">
import type { WantedState } from '@/api/types'
import { percent } from '@/ui/format/format'
import { asFound } from '@/ui/format/names'
import { fitMarks, holdsWords, wholeShare, type Shelf } from './shelves'

defineProps<{
  /** A volume, a folder, or what no record names. */
  shelf: Shelf
  /** How high what it holds stands, 0 to 1. */
  height: number
  /** The lines that findings are held against. */
  wanted: WantedState[]
  /** The keys of the shelves that are shown alone, where they stand for kinds or days. */
  narrowed: readonly string[]
}>()
</script>

<template>
  <button
    type="button"
    class="shelf"
    :title="`${shelf.name}: ${holdsWords(shelf.holds)}`"
    :class="[shelf.state, { on: narrowed.includes(shelf.key) }]"
    :aria-pressed="shelf.kind || shelf.days ? narrowed.includes(shelf.key) : undefined"
  >
    <span class="wall" aria-hidden="true"
      ><span class="stack" :style="{ height: `${100 * height}%` }"
        ><i :style="{ height: `${100 * wholeShare(shelf.holds)}%` }" /></span
    ></span>
    <span class="words">
      <b>{{ asFound(shelf.name) }}</b>
      <span v-if="shelf.about" class="xs">{{ shelf.about }}</span>
      <span class="xs">{{ holdsWords(shelf.holds) }}</span>
      <span class="xs text-body-secondary">{{ percent(shelf.holds.whole, shelf.holds.lines) }} whole</span>
      <span v-if="fitMarks(shelf.fits, wanted)" class="xs m fits">{{ fitMarks(shelf.fits, wanted) }}</span>
    </span>
  </button>
</template>

<style scoped>
/* What it holds stands at its left, as high as its bytes, on a board that runs along all of them. */
.shelf {
  flex: 0 0 188px;
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
  column-gap: 8px;
  text-align: left;
  padding: 4px 10px 0 4px;
  border: 0;
  border-bottom: 3px solid var(--ink);
  background: none;
  color: inherit;
  line-height: 16px;
}
.shelf:focus-visible {
  outline-offset: -3px;
}
.words {
  display: grid;
  align-content: end;
  padding-bottom: 4px;
}
.words > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.words > b {
  font-size: 13px;
  line-height: 18px;
}
.wall {
  position: relative;
}
.stack {
  position: absolute;
  left: 0;
  right: 0;
  bottom: 0;
  border: 1.5px solid var(--ink);
  border-bottom: 0;
  background: var(--sheet);
}
.stack i {
  position: absolute;
  left: 0;
  right: 0;
  bottom: 0;
  background: var(--fill);
}
.shelf.lost,
.shelf.earlier,
.shelf.nameless {
  border-bottom-style: dashed;
}
.shelf.lost .stack,
.shelf.earlier .stack,
.shelf.nameless .stack {
  border-style: dashed;
}
.shelf:hover,
.shelf.on {
  background: var(--verd-wash);
}
.fits {
  color: var(--heather-d);
  font-weight: 600;
}
</style>
