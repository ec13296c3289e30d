import { computed, inject, type InjectionKey, provide, type Ref, ref } from 'vue'
import { useLive } from '@/api/live'

type Cover = 'covered' | 'said' | 'uncovered'

const COVER: InjectionKey<Ref<ReadonlyMap<number, Cover>>> = Symbol('what copies cover')

/** Lets all that is shown of a case say which wanted lines a copy covers: work goes on for the others as such. */
export function provideCover(number: string): void {
  const search = useLive(
    '/api/cases/{number}/copies',
    () => ({ path: { number } }),
    (what, c) => c === number && what === 'case',
  )
  provide(
    COVER,
    computed(() => new Map((search.data.value?.lines ?? []).map((l) => [l.wantedId, l.cover]))),
  )
}

/** What a copy means for a wanted line, in words; nothing where none was found for it. */
export function useCover(): (line: number) => string {
  const cover = inject(COVER, ref(new Map<number, Cover>()))
  return (line) => coveredWords(cover.value.get(line))
}

/** A copy that nobody opened is only said to be there. */
export function coveredWords(cover: Cover | undefined): string {
  switch (cover) {
    case 'covered':
      return 'a copy covers it'
    case 'said':
      return 'a copy is said to have it'
    default:
      return ''
  }
}
