import { computed, ref, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import { useAction, type Action } from '@/api/action'
import { api } from '@/api/client'
import { useLive, type Live } from '@/api/live'
import type { CatalogueLine, CataloguePage } from '@/api/types'
import { asRequest, EVERYTHING, pageQuery, type Filter } from './filter'

const TYPING_MS = 180

export interface Catalogue {
  filter: Ref<Filter>
  sort: Ref<string>
  live: Live<CataloguePage>
  /** All lines fetched so far. */
  lines: ComputedRef<CatalogueLine[]>
  more: () => Promise<void>
  selecting: Action
  /** Selects or deselects lines; can be undone. */
  select: (ids: number[], selected: boolean) => Promise<void>
  selectShown: (selected: boolean) => Promise<void>
  undo: Ref<(() => Promise<void>) | undefined>
}

/** A case's catalogue: filtered, sorted, fetched page by page, kept fresh. @param start the filter to begin with */
export function useCatalogue(number: string, start: Filter = EVERYTHING): Catalogue {
  const filter = ref<Filter>({ ...start })
  const sort = ref('')
  const further = shallowRef<CatalogueLine[]>([])
  const undo = shallowRef<() => Promise<void>>()
  const selecting = useAction()
  let page = 0
  let timer = 0
  /** What is asked for: the filter, when nobody types in it any more. */
  const query = shallowRef(pageQuery(filter.value, 0, sort.value))
  const live = useLive(
    '/api/cases/{number}/catalogue',
    () => ({ path: { number }, query: query.value }),
    (what, c) => c === number && (what === 'catalogue' || what === 'selection' || what === 'case'),
  )
  const lines = computed(() => [...(live.data.value?.lines ?? []), ...further.value])

  watch([filter, sort], ([now], [before]) => {
    clearTimeout(timer)
    timer = window.setTimeout(
      () => (query.value = pageQuery(filter.value, 0, sort.value)),
      now.q === before.q ? 0 : TYPING_MS,
    )
  })
  watch(live.data, () => {
    page = 0
    further.value = []
  })

  async function change(body: {
    ids: number[]
    filter?: ReturnType<typeof asRequest>
    selected: boolean
  }): Promise<boolean> {
    const done = await selecting.run(() =>
      api.put('/api/cases/{number}/catalogue/selection', { path: { number }, body }),
    )
    if (done) await live.refresh()
    return done
  }

  return {
    filter,
    sort,
    live,
    lines,
    selecting,
    undo,
    async more() {
      page++
      const next = await api.get('/api/cases/{number}/catalogue', {
        path: { number },
        query: pageQuery(filter.value, page, sort.value),
      })
      further.value = [...further.value, ...next.lines]
    },
    async select(ids, selected) {
      if (await change({ ids, selected }))
        undo.value = async () => {
          if (await change({ ids, selected: !selected })) undo.value = undefined
        }
    },
    async selectShown(selected) {
      // Only what changes is given back on undo.
      const changing = lines.value.filter((l) => l.selected !== selected).map((l) => l.id)
      const all = lines.value.length >= (live.data.value?.matching ?? 0)
      if (await change(all ? { ids: changing, selected } : { ids: [], filter: asRequest(filter.value), selected })) {
        undo.value = all
          ? async () => {
              if (await change({ ids: changing, selected: !selected })) undo.value = undefined
            }
          : undefined
      }
    },
  }
}
