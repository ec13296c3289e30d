/** How gently a device is read; values are the engine's own, see docs/formats.md. */
export interface Profile {
  code: string
  label: string
  words: string
}

export const PROFILES: readonly Profile[] = [
  { code: 'healthy', label: 'healthy', words: '1 MiB blocks, jumps of 1 MiB over trouble, 2 retries' },
  { code: 'ageing', label: 'ageing', words: '256 KiB blocks, jumps of 1 MiB, 2 retries' },
  { code: 'failing', label: 'failing', words: '64 KiB blocks, jumps of 2 MiB, 1 retry' },
  { code: 'last-chance', label: 'last chance', words: '64 KiB blocks, jumps of 4 MiB that grow fourfold, no retry' },
]

/** What suits a decided path; a person may choose another. */
export function profileFor(path: string | undefined): string {
  return path === 'careful-imaging' ? 'failing' : path === 'hardware-work' ? 'last-chance' : 'healthy'
}

export const PASSES = ['sweep', 'back-sweep', 'single-sector', 'persistence'] as const

/** The passes with where the session is among them. */
export function passesOf(current: string, state: string): { pass: string; state: 'done' | 'now' | 'next' }[] {
  const at = PASSES.indexOf(current as (typeof PASSES)[number])
  return PASSES.map((pass, i) => ({ pass, state: state === 'done' || i < at ? 'done' : i === at ? 'now' : 'next' }))
}
