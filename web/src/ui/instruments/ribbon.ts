/** Geometry of the read ribbon: the device as one band folded into rows, start to end. */

export type CellKind = 'unasked' | 'part' | 'read' | 'deferred' | 'failed'

export interface Cell {
  kind: CellKind
  /** Share read, 0 to 1. */
  share: number
}

/** A stretch of equal cells in one row. */
export interface Run {
  row: number
  from: number
  to: number
  pattern: 'full' | 'dense' | 'half' | 'thin' | 'deferred'
}

export function parseCells(text: string): Cell[] {
  return [...text].map((c): Cell => {
    if (c === 'r') return { kind: 'read', share: 1 }
    if (c === 'd') return { kind: 'deferred', share: 0 }
    if (c === 'f') return { kind: 'failed', share: 0.97 }
    if (c >= '1' && c <= '9') return { kind: 'part', share: Number(c) / 10 }
    return { kind: 'unasked', share: 0 }
  })
}

export function patternOf(cell: Cell): Run['pattern'] | undefined {
  switch (cell.kind) {
    case 'deferred':
      return 'deferred'
    case 'unasked':
      return undefined
    default:
      return cell.share >= 0.97 ? 'full' : cell.share >= 0.6 ? 'dense' : cell.share >= 0.3 ? 'half' : 'thin'
  }
}

/** Equal neighbours become one run, so that thousands of cells draw as a few shapes. */
export function runsOf(cells: readonly Cell[], rows: number): Run[] {
  const perRow = Math.ceil(cells.length / rows)
  const runs: Run[] = []
  for (let row = 0; row < rows; row++) {
    const part = cells.slice(row * perRow, (row + 1) * perRow)
    for (let i = 0; i < part.length;) {
      const pattern = patternOf(part[i]!)
      let j = i + 1
      while (j < part.length && patternOf(part[j]!) === pattern) j++
      if (pattern) runs.push({ row, from: i / perRow, to: j / perRow, pattern })
      i = j
    }
  }
  return runs
}

/** Where failed cells are. */
export function notchesOf(cells: readonly Cell[], rows: number): { row: number; at: number }[] {
  const perRow = Math.ceil(cells.length / rows)
  return cells.flatMap((c, i) =>
    c.kind === 'failed' ? [{ row: Math.floor(i / perRow), at: ((i % perRow) + 0.5) / perRow }] : [],
  )
}

/** The line of throughput over each row, as points with both coordinates from 0 to 1; breaks where nothing was read. */
export function rateLines(rates: string, rows: number): { row: number; points: [number, number][] }[] {
  const values = rates.split(',').map((r) => (r === '' ? undefined : Number(r)))
  const top = Math.max(1, ...values.map((v) => v ?? 0))
  const perRow = Math.ceil(values.length / rows)
  const lines: { row: number; points: [number, number][] }[] = []
  for (let row = 0; row < rows; row++) {
    let line: [number, number][] = []
    for (let i = 0; i < perRow; i++) {
      const v = values[row * perRow + i]
      if (v === undefined) {
        if (line.length > 1) lines.push({ row, points: line })
        line = []
      } else {
        line.push([(i + 0.5) / perRow, v / top])
      }
    }
    if (line.length > 1) lines.push({ row, points: line })
  }
  return lines
}
