import { computed, ref, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import { useAction, type Action } from '@/api/action'
import { api, Refused } from '@/api/client'
import { useLive, type Live } from '@/api/live'
import { offerUndo, useUndo, type Undoable } from '@/api/undo'
import type { CatalogueLine, CataloguePage } from '@/api/types'
import { count } from '@/ui/format/format'
import { address, asRequest, EVERYTHING, pageQuery, type Filter } from './filter'

const TYPING_MS = 180
const RESTING_MS = 500

export interface Catalogue {
  filter: Ref<Filter>
  sort: Ref<string>
  live: Live<CataloguePage>
  /** The first page, with all that passes counted as soon as it is. */
  page: ComputedRef<CataloguePage | undefined>
  /** All lines fetched so far. */
  lines: ComputedRef<CatalogueLine[]>
  more: () => Promise<void>
  selecting: Action
  /** Selects or deselects lines; can be undone. */
  select: (ids: number[], selected: boolean) => Promise<void>
  selectShown: (selected: boolean) => Promise<void>
  /** Takes the last change of the selection back; undefined where something else was done since. */
  undoable: ComputedRef<(() => Promise<void>) | undefined>
}

/** A case's catalogue: filtered, sorted, fetched page by page, kept fresh. @param start the filter to begin with */
export function useCatalogue(number: string, start: Filter = EVERYTHING): Catalogue {
  const filter = ref<Filter>({ ...start })
  const sort = ref('')
  const further = shallowRef<CatalogueLine[]>([])
  const last = shallowRef<Undoable>()
  const undoing = useUndo()
  const selecting = useAction()
  let timer = 0
  let counting = 0
  /** What is asked for: the filter, when nobody types in it any more. */
  const asked = shallowRef(filter.value)
  const query = shallowRef(pageQuery(asked.value, undefined, sort.value))
  const live = useLive(
    '/api/cases/{number}/catalogue',
    () => ({ path: { number }, query: query.value }),
    (what, c) => c === number && (what === 'catalogue' || what === 'selection' || what === 'case'),
  )
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
  const lines = computed(() => [...(live.data.value?.lines ?? []), ...further.value])

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
  let renewal = 0
  watch(live.data, (first) => {
    if (furtherOf === query.value && further.value.length && first) void renew(first)
    else further.value = []
  })
  const next = (last: number | undefined) =>
    api.get('/api/cases/{number}/catalogue', {
      path: { number },
      query: pageQuery(asked.value, last, sort.value),
    })
  /** What lies beyond the first page is fetched anew behind it; until then it stays as it was. */
  async function renew(first: CataloguePage): Promise<void> {
    const mine = ++renewal
    const fresh: CatalogueLine[] = []
    let last = first.lines.at(-1)?.id
    try {
      while (last !== undefined && fresh.length < further.value.length) {
        const { lines } = await next(last)
        if (mine !== renewal || furtherOf !== query.value) return
        fresh.push(...lines)
        last = lines.at(-1)?.id
      }
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      // The line that a page begins behind is gone: what lies there is asked for when it is wanted.
    }
    further.value = fresh
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
      // Seen at once, however far down it is.
      further.value = further.value.map((l) => (body.ids.includes(l.id) ? { ...l, selected: body.selected } : l))
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
    async more() {
      const last = lines.value.at(-1)?.id
      const of = query.value
      const page = await next(last)
      // What changed meanwhile begins anew.
      if (lines.value.at(-1)?.id !== last || of !== query.value) return
      furtherOf = of
      further.value = [...further.value, ...page.lines]
    },
    select: (ids, selected) => change({ ids, selected }),
    selectShown: (selected) => change({ ids: [], filter: asRequest(filter.value), selected }),
  }
}
