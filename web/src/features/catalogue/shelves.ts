import type { CatalogueHolds, CataloguePlace, CatalogueShelf, ScanView, Volume, WantedState } from '@/api/types'
import { count, size } from '@/ui/format/format'
import { isSameVolume } from '@/features/scan'

/** A volume, a folder, or what no record names, as it stands on the walk. */
export interface Shelf {
  key: string
  name: string
  /** What kind of place it is, where it is not a folder. */
  about?: string
  /** A volume's standing today; nothing for a folder. */
  state?: Volume['state'] | 'nameless'
  folders: number[]
  /** The kind that it holds, of what no record names. */
  kind?: string
  /** The days on which what it holds was made, of what no record names. */
  days?: { from: string; to: string }
  holds: CatalogueHolds
  fits: CatalogueShelf['fits']
}

type Session = Pick<ScanView, 'id' | 'report' | 'device'>

/**
 * What can be opened from a place: the volumes of a case and what no record names, or the folders of a folder.
 *
 * @param which how a device is told from the others of the case; nothing where it is alone
 */
export function shelvesOf(
  place: CataloguePlace,
  sessions: readonly Session[],
  which: (device: number) => string = () => '',
): Shelf[] {
  if (place.path !== undefined) return place.shelves.map((s) => ({ ...s, key: String(s.folders[0]) }))
  const volumes = volumesOf(place.shelves, sessions, which)
  const nameless = sum(Object.values(place.nameless))
  return nameless.lines ? [...volumes, { ...NAMELESS, holds: nameless }] : volumes
}

/** What no record names, by kind, most of it first. */
export function kindsOf(place: CataloguePlace): Shelf[] {
  return Object.entries(place.nameless)
    .sort(([a, x], [b, y]) => y.lines - x.lines || a.localeCompare(b))
    .map(([kind, holds]) => ({ key: kind, name: kind, kind, folders: [], holds, fits: [] }))
}

/** What no record names by when it was made: a day, a month or a year a shelf. */
export function daysOf(place: CataloguePlace): Shelf[] {
  return place.days.map(({ from, to, holds }) => ({
    key: from,
    name: spanWords(from, to),
    days: { from, to },
    folders: [],
    holds,
    fits: [],
  }))
}

/** `4 May 2021`, `May 2021`, `2021`. */
function spanWords(from: string, to: string): string {
  const form: Intl.DateTimeFormatOptions =
    from === to
      ? { day: 'numeric', month: 'short', year: 'numeric' }
      : from.slice(0, 7) === to.slice(0, 7)
        ? { month: 'long', year: 'numeric' }
        : { year: 'numeric' }
  return new Date(`${from}T00:00:00Z`).toLocaleDateString('en-GB', { ...form, timeZone: 'UTC' })
}

const NAMELESS = {
  key: 'none',
  name: 'no name kept',
  about: 'found by content alone',
  state: 'nameless' as const,
  folders: [],
  fits: [],
}

/** Each session numbers the volumes that it met by itself; what is the same volume of a device is one shelf. */
function volumesOf(
  shelves: readonly CatalogueShelf[],
  sessions: readonly Session[],
  which: (device: number) => string,
): Shelf[] {
  const found: { volume: Volume | undefined; device: number | undefined; shelf: Shelf }[] = []
  for (const s of shelves) {
    const [session = '', index = ''] = (s.volume ?? '').split(':')
    const by = sessions.find((one) => one.id === Number(session))
    const volume = by?.report?.volumes.find((v) => v.index === Number(index))
    const same = volume && found.find((f) => f.device === by?.device && f.volume && isSameVolume(f.volume, volume))
    if (same) {
      same.shelf.folders.push(...s.folders)
      same.shelf.holds = sum([same.shelf.holds, s.holds])
      same.shelf.fits = together(same.shelf.fits, s.fits)
    } else {
      found.push({
        volume,
        device: by?.device,
        shelf: {
          key: String(s.folders[0]),
          name: volume?.label || `volume ${index}`,
          about: [
            by && which(by.device),
            volume
              ? `${volume.fs.toUpperCase()}, ${volume.state}, ${size(volume.lengthBytes)}`
              : `of session ${session}`,
          ]
            .filter(Boolean)
            .join(': '),
          state: volume?.state ?? 'live',
          folders: [...s.folders],
          holds: s.holds,
          fits: s.fits,
        },
      })
    }
  }
  return found.map((f) => f.shelf)
}

function together(a: CatalogueShelf['fits'], b: CatalogueShelf['fits']): CatalogueShelf['fits'] {
  return [...new Set([...a, ...b].map((f) => f.wanted))].map((wanted) => {
    const both = [...a, ...b].filter((f) => f.wanted === wanted)
    return {
      wanted,
      fits: both.reduce((n, f) => n + f.fits, 0),
      mayFit: both.reduce((n, f) => n + f.mayFit, 0),
    }
  })
}

export function sum(all: readonly CatalogueHolds[]): CatalogueHolds {
  return all.reduce((a, h) => ({ lines: a.lines + h.lines, bytes: a.bytes + h.bytes, whole: a.whole + h.whole }), {
    lines: 0,
    bytes: 0,
    whole: 0,
  })
}

const LOWEST = 0.14

/** How high a shelf stands beside the fullest one, 0 to 1: by its bytes, so that a small one can still be seen. */
export function heightOf(holds: CatalogueHolds, shelves: readonly Shelf[]): number {
  const most = Math.max(1, ...shelves.map((s) => s.holds.bytes))
  return LOWEST + (1 - LOWEST) * Math.sqrt(Math.max(0, holds.bytes) / most)
}

export function wholeShare(holds: CatalogueHolds): number {
  return holds.lines ? holds.whole / holds.lines : 0
}

/** `1,204 files, 3.2 GiB`. */
export function holdsWords(holds: CatalogueHolds): string {
  return `${count(holds.lines)} ${holds.lines === 1 ? 'file' : 'files'}, ${size(holds.bytes)}`
}

/** `W1 12, W2 3?`: how many fit a wanted line, and how many may. */
export function fitMarks(fits: CatalogueShelf['fits'], wanted: readonly WantedState[]): string {
  return wanted
    .map((w, i) => ({ mark: `W${i + 1}`, fit: fits.find((f) => f.wanted === w.line.id) }))
    .filter(({ fit }) => fit)
    .map(({ mark, fit }) => {
      const sure = fit!.fits ? count(fit!.fits) : ''
      const may = fit!.mayFit ? `${count(fit!.mayFit)}?` : ''
      return `${mark} ${[sure, may].filter(Boolean).join(' + ')}`
    })
    .join(', ')
}
