import { computed, ref, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import { useAction, type Action } from '@/api/action'
import { api, Refused } from '@/api/client'
import { onChanged, useLive, type Live } from '@/api/live'
import { offerUndo, useUndo, type Undoable } from '@/api/undo'
import type { CatalogueLine, CataloguePage } from '@/api/types'
import { count } from '@/ui/format/format'
import { address, asRequest, EVERYTHING, pageQuery, type Filter } from './filter'
import { chosenIn, lineBefore, linesOf, madeStale, MOST_LINES, renewed, staleBetween, type Page } from './pages'

const TYPING_MS = 180
const RESTING_MS = 500
/** So many lines before its end the list goes on. */
const NEAR_END = 60

export interface Catalogue {
  filter: Ref<Filter>
  sort: Ref<string>
  live: Live<CataloguePage>
  /** The first page, with all that passes counted as soon as it is. */
  page: ComputedRef<CataloguePage | undefined>
  /** All lines fetched so far. */
  lines: ComputedRef<CatalogueLine[]>
  /** Whether there are more; `narrow` where more are there than anybody goes through one by one. */
  rest: ComputedRef<'none' | 'more' | 'narrow'>
  more: () => Promise<void>
  /** Fetches anew what is looked at, as when something changed beside the lines. */
  refresh: () => Promise<void>
  /** Somebody looks at these places of the list now. */
  look: (from: number, to: number) => void
  selecting: Action
  /** Selects or deselects lines; can be undone. */
  select: (ids: number[], selected: boolean) => Promise<void>
  selectShown: (selected: boolean) => Promise<void>
  /** Takes the last change of the selection back; undefined where something else was done since. */
  undoable: ComputedRef<(() => Promise<void>) | undefined>
}

/** A case's catalogue: filtered, sorted, fetched page by page, kept fresh. @param start the filter to begin with */
export function useCatalogue(number: string, start: Filter = EVERYTHING): Catalogue {
  const concerns = (what: string, c: string) =>
    c === number && (what === 'catalogue' || what === 'selection' || what === 'case')
  const filter = ref<Filter>({ ...start })
  const sort = ref('')
  const pages = shallowRef<Page[]>([])
  const last = shallowRef<Undoable>()
  const undoing = useUndo()
  const selecting = useAction()
  let timer = 0
  let counting = 0
  /** What is asked for: the filter, when nobody types in it any more. */
  const asked = shallowRef(filter.value)
  const query = shallowRef(pageQuery(asked.value, undefined, sort.value))
  const live = useLive('/api/cases/{number}/catalogue', () => ({ path: { number }, query: query.value }), concerns)
  /** Where more pass than a page counts, they are counted once nobody types any more. */
  const countsAsked = shallowRef<ReturnType<typeof address>>()
  const counted = useLive(
    '/api/cases/{number}/catalogue/counts',
    () => (countsAsked.value ? { path: { number }, query: countsAsked.value } : undefined),
    (what, c) => c === number && what === 'catalogue',
  )
  watch([live.data, live.stale], ([page, stale]) => {
    clearTimeout(counting)
    countsAsked.value = undefined
    if (page && !page.exact && !stale)
      counting = window.setTimeout(() => (countsAsked.value = address(asked.value)), RESTING_MS)
  })
  const page = computed(() => {
    const counts = countsAsked.value && !counted.stale.value ? counted.data.value : undefined
    return live.data.value && !live.data.value.exact && counts ? { ...live.data.value, ...counts } : live.data.value
  })
  const lines = computed(() => linesOf(pages.value))
  /** The line behind which nothing came; where not all that passes was counted, nothing else says so. */
  const endOf = shallowRef<number>()
  const rest = computed(() => {
    const { matching = 0, exact = true } = page.value ?? {}
    const fetched = lines.value.length
    if (exact ? fetched >= matching : lines.value.at(-1)?.id === endOf.value) return 'none'
    return fetched >= MOST_LINES ? 'narrow' : 'more'
  })

  watch([filter, sort], ([now], [before]) => {
    clearTimeout(timer)
    timer = window.setTimeout(
      () => {
        asked.value = filter.value
        query.value = pageQuery(asked.value, undefined, sort.value)
      },
      now.q === before.q ? 0 : TYPING_MS,
    )
  })
  /** The question that the further pages answer. */
  let furtherOf: unknown
  /** Places in the list that somebody looks at. */
  let looked: { from: number; to: number } | undefined
  let fetching = false
  /** What lies further down may be all that changed. */
  function changed(): void {
    pages.value = madeStale(pages.value)
    void fetchLooked()
  }
  onChanged((what, c) => {
    if (concerns(what, c)) changed()
  })
  const next = (last: number | undefined) =>
    api.get('/api/cases/{number}/catalogue', {
      path: { number },
      query: pageQuery(asked.value, last, sort.value),
    })
  watch(
    live.data,
    (first) => {
      const some = first?.lines ?? []
      pages.value =
        furtherOf === query.value && some.length
          ? renewed(madeStale(pages.value), 0, some)
          : [{ lines: some, stale: false }]
      void fetchLooked()
    },
    // Somebody else may show it already.
    { immediate: true },
  )
  /** What is looked at is fetched anew where it is stale; near its end the list goes on. */
  async function fetchLooked(): Promise<void> {
    if (fetching) return
    fetching = true
    try {
      while (looked) {
        const of = query.value
        const stale = staleBetween(pages.value, looked.from, looked.to)
        if (stale >= 0) {
          const { lines: fetched } = await next(lineBefore(pages.value, stale))
          if (of === query.value) pages.value = renewed(pages.value, stale, fetched)
        } else if (rest.value === 'more' && looked.to + NEAR_END >= lines.value.length) await more()
        else return
      }
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      // The line that a page begins behind is gone: what lies there is asked for when it is wanted.
      const { from, to } = looked ?? { from: 0, to: 0 }
      pages.value = pages.value.slice(0, Math.max(1, staleBetween(pages.value, from, to)))
    } finally {
      fetching = false
    }
  }
  async function more(): Promise<void> {
    const last = lines.value.at(-1)?.id
    const of = query.value
    if (last === undefined) return
    const { lines: fetched } = await next(last)
    // What changed meanwhile begins anew.
    if (lines.value.at(-1)?.id !== last || of !== query.value) return
    furtherOf = of
    if (fetched.length) pages.value = [...pages.value, { lines: fetched, stale: false }]
    else endOf.value = last
  }

  async function change(body: {
    ids: number[]
    filter?: ReturnType<typeof asRequest>
    selected: boolean
  }): Promise<void> {
    await selecting.run(async () => {
      const { change, changed } = await api.put('/api/cases/{number}/catalogue/selection', { path: { number }, body })
      if (changed)
        last.value = offerUndo(
          `${count(changed)} ${changed === 1 ? 'finding' : 'findings'} ${body.selected ? 'chosen' : 'given up'}.`,
          async () => {
            await api.delete('/api/cases/{number}/catalogue/selection/{change}', { path: { number, change } })
            await live.refresh()
          },
          { quiet: true },
        )
      pages.value = chosenIn(pages.value, body.ids, body.selected)
      await live.refresh()
    })
  }

  return {
    filter,
    sort,
    live,
    page,
    lines,
    selecting,
    undoable: computed(() => {
      const mine = last.value
      return mine && undoing.newest.value === mine ? () => undoing.undo(mine) : undefined
    }),
    rest,
    more,
    async refresh() {
      changed()
      await live.refresh()
    },
    look(from, to) {
      looked = { from, to }
      void fetchLooked()
    },
    select: (ids, selected) => change({ ids, selected }),
    selectShown: (selected) => change({ ids: [], filter: asRequest(filter.value), selected }),
  }
}
