import type { Parts } from '@/api/client'
import type { CatalogueFilter } from '@/api/types'

/** What the catalogue shows. */
export interface Filter {
  kinds: string[]
  origins: string[]
  prognoses: string[]
  q: string
  wanted: number | undefined
  /** Only what fits the wanted line, or only what may fit it. */
  fit?: string
  selectedOnly: boolean
  /** A scan session that found it, one that did not, and one that found it, but not as well. */
  foundBy?: number
  notFoundBy?: number
  worseIn?: number
  /** One volume, as each session numbers it, and what it is called. */
  volumes?: string[]
  volumeName?: string
  /** Where it stands: one folder, as each session has it, with all below it or without; or what no record names. */
  folders: number[]
  hereOnly: boolean
  nameless: boolean
  /** Pictures by the day, instead of lines. */
  sheet: boolean
}

export const EVERYTHING: Filter = {
  kinds: [],
  origins: [],
  prognoses: [],
  q: '',
  wanted: undefined,
  selectedOnly: false,
  folders: [],
  hereOnly: false,
  nameless: false,
  sheet: false,
}

/** The kinds that are meant: on a contact sheet all pictures, unless some are chosen. */
function kindsMeant(filter: Filter): string[] {
  return filter.sheet && !filter.kinds.length ? ['image'] : filter.kinds
}

export type Facet = 'kinds' | 'origins' | 'prognoses'

export function toggled(filter: Filter, facet: Facet, value: string): Filter {
  const now = filter[facet]
  return { ...filter, [facet]: now.includes(value) ? now.filter((v) => v !== value) : [...now, value] }
}

export function isEverything(filter: Filter): boolean {
  return (
    !filter.kinds.length &&
    !filter.origins.length &&
    !filter.prognoses.length &&
    !filter.q.trim() &&
    filter.wanted === undefined &&
    !filter.selectedOnly &&
    filter.foundBy === undefined &&
    filter.notFoundBy === undefined &&
    !filter.volumes?.length &&
    !filter.folders.length &&
    !filter.nameless
  )
}

type PageQuery = Parts<'/api/cases/{number}/catalogue', 'get'>['query']
type CountsQuery = Parts<'/api/cases/{number}/catalogue/counts', 'get'>['query']

/** What a page of the catalogue is asked for by. @param after the last line of the page before */
export function pageQuery(filter: Filter, after: number | undefined, sort: string): PageQuery {
  return { ...address(filter), after, sort: filter.sheet ? 'made' : sort || undefined }
}

/** A filter as the server takes it in an address. */
export function address(filter: Filter): CountsQuery {
  return {
    kind: kindsMeant(filter),
    origin: filter.origins,
    prognosis: filter.prognoses,
    q: filter.q.trim(),
    wanted: filter.wanted,
    fit: filter.wanted === undefined ? undefined : filter.fit,
    selectedOnly: filter.selectedOnly,
    foundBy: filter.foundBy,
    notFoundBy: filter.notFoundBy,
    worseIn: filter.worseIn,
    volumes: filter.volumes,
    folder: filter.folders,
    below: filter.folders.length && !filter.hereOnly ? true : undefined,
    nameless: filter.nameless || undefined,
  }
}

/** The same filter as the server takes it in a change of the selection. */
export function asRequest(filter: Filter): CatalogueFilter {
  return {
    kinds: kindsMeant(filter),
    origins: filter.origins,
    prognoses: filter.prognoses,
    q: filter.q.trim() || undefined,
    wanted: filter.wanted,
    fit: filter.wanted === undefined ? undefined : filter.fit,
    selectedOnly: filter.selectedOnly,
    by: {
      foundBy: filter.foundBy,
      notFoundBy: filter.notFoundBy,
      worseIn: filter.worseIn,
      volumes: filter.volumes,
    },
    in: { folders: filter.folders, below: !filter.hereOnly, nameless: filter.nameless },
  }
}

/** Counts of a facet in a fixed order, what is chosen always among them. */
export function facetRows(
  counts: Readonly<Record<string, number>>,
  chosen: readonly string[],
  order: readonly string[] = [],
): { value: string; count: number; on: boolean }[] {
  const values = new Set([...order.filter((v) => counts[v]), ...Object.keys(counts), ...chosen])
  const rows = [...values].map((value) => ({ value, count: counts[value] ?? 0, on: chosen.includes(value) }))
  return order.length ? rows : rows.sort((a, b) => b.count - a.count || a.value.localeCompare(b.value))
}

const number = (value: unknown): number | undefined =>
  typeof value === 'string' && /^\d+$/.test(value) ? Number(value) : undefined

const volumesOf = (value: unknown): string[] | undefined =>
  typeof value === 'string' && /^\d+:\d+(,\d+:\d+)*$/.test(value) ? value.split(',') : undefined

const numbers = (value: unknown): number[] =>
  typeof value === 'string' && /^\d+(,\d+)*$/.test(value) ? value.split(',').map(Number) : []

/** The place that an address names. */
export function placeInQuery(query: Readonly<Record<string, unknown>>): Pick<Filter, 'folders' | 'nameless'> {
  return { folders: numbers(query.folder), nameless: query.folder === 'none' }
}

/** A place as it stands in the address, so that it can be shared, and left by going back. */
export function placeAddress(place: Pick<Filter, 'folders' | 'nameless'>): string | undefined {
  return place.nameless ? 'none' : place.folders.join(',') || undefined
}

/** A filter as it stands in the address, so that a difference of sessions, or a place, can be opened from elsewhere. */
export function fromQuery(query: Readonly<Record<string, unknown>>): Filter {
  return {
    ...EVERYTHING,
    ...placeInQuery(query),
    q: typeof query.q === 'string' ? query.q : '',
    foundBy: number(query.foundBy),
    notFoundBy: number(query.notFoundBy),
    worseIn: number(query.worseIn),
    volumes: volumesOf(query.volumes),
    volumeName: typeof query.volume === 'string' ? query.volume : undefined,
  }
}

/** What the conditions say that stand beside counts, in words; empty without one. */
export function facetWords(filter: Filter): string {
  return [...filter.kinds, ...filter.origins, ...filter.prognoses].join(', ')
}

/** What a filter of sessions says, in words; empty without one. */
export function sessionWords(filter: Filter): string {
  if (filter.worseIn !== undefined) return `better in session ${filter.foundBy} than in session ${filter.worseIn}`
  const parts = [
    filter.foundBy === undefined ? '' : `found by session ${filter.foundBy}`,
    filter.notFoundBy === undefined ? '' : `not by session ${filter.notFoundBy}`,
    filter.volumes?.length ? `in ${filter.volumeName || 'one volume'}` : '',
  ]
  return parts.filter(Boolean).join(', ')
}
