import { computed, type ComputedRef } from 'vue'
import { useVirtualizer, type VirtualItem } from '@tanstack/vue-virtual'

export interface LongListOf {
  /** How many things there are. */
  count: () => number
  /** What they scroll in. */
  within: () => HTMLElement | null
  key: (index: number) => string | number
  /** Points that one likely takes; what it takes is measured once it is there. */
  points: (index: number) => number
  /** Points that stand above the first and stay there. */
  head: () => number
  /** So many stand ready above and below. */
  ready: number
}

export interface LongList {
  /** Those that are on the page. */
  rows: ComputedRef<VirtualItem[]>
  /** Points that those above them take, and those below. */
  above: ComputedRef<number>
  below: ComputedRef<number>
  /** For the element of each; it has its index as `data-index`. */
  measure: (element: unknown) => void
  /** Brings one onto the page. */
  show: (index: number) => void
  /** All of them take another room now. */
  resized: () => void
}

/** A list of which only what is looked at is on the page; of all else there is the room that it takes. */
export function useLongList(of: LongListOf): LongList {
  const virtual = useVirtualizer(
    computed(() => ({
      count: of.count(),
      getScrollElement: of.within,
      getItemKey: of.key,
      estimateSize: of.points,
      scrollMargin: of.head(),
      scrollPaddingStart: of.head(),
      overscan: of.ready,
    })),
  )
  const rows = computed(() => virtual.value.getVirtualItems())
  return {
    rows,
    above: computed(() => Math.max(0, (rows.value[0]?.start ?? 0) - of.head())),
    below: computed(() => virtual.value.getTotalSize() + of.head() - (rows.value.at(-1)?.end ?? of.head())),
    measure: (element) => virtual.value.measureElement(element as HTMLElement | null),
    show: (index) => virtual.value.scrollToIndex(index),
    resized: () => virtual.value.measure(),
  }
}
