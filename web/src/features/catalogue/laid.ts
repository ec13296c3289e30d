import type { components } from '@/api/schema'
import { systemName, type OpensOn } from '@/features/cases'
import { count } from '@/ui/format/format'

export type Layout = components['schemas']['RecoveryLaying']['layout']
export type NameChange = components['schemas']['RecoveryLaidFile']['changes'][number]

export const LAYOUTS: readonly (readonly [Layout, string, string])[] = [
  ['as-it-stood', 'as it stood', 'each file in the folders that it stood in'],
  ['by-kind', 'by kind', 'pictures, films, sound and so on apart; in each as it stood'],
  ['by-day', 'by day', 'a folder for each day on which something was made'],
]

/** What a system is called in a sentence. */
export function systemWords(opensOn: OpensOn): string {
  return opensOn === 'every' ? 'some systems' : systemName(opensOn)
}

/** Why a name is another one: short, for a line. */
export function changeWords(change: NameChange): string {
  switch (change) {
    case 'renamed':
      return 'given this name by the lab'
    case 'forbidden':
      return 'a sign in it cannot be held'
    case 'reserved':
      return 'the name is reserved'
    case 'shortened':
      return 'shortened'
    case 'dated':
      return 'dated, since another has this name'
    case 'numbered':
      return 'numbered, since another has this name'
  }
}

/** What had to be changed, of all files: one sentence for each reason. */
export function changeSentences(changes: Partial<Record<NameChange, number>>, opensOn: OpensOn): string[] {
  const files = (n: number) => `${count(n)} ${n === 1 ? 'file' : 'files'}`
  const on = systemWords(opensOn)
  const said: string[] = []
  if (changes.renamed) said.push(`${files(changes.renamed)} with a name that the lab gave.`)
  if (changes.forbidden) said.push(`${files(changes.forbidden)} with a sign that ${on} cannot hold; “_” stands for it.`)
  if (changes.reserved)
    said.push(`${files(changes.reserved)} with a name that ${on} would not take; “_” is put before it.`)
  if (changes.shortened)
    said.push(`${files(changes.shortened)} with a name or a path too long for ${on}; it is shortened.`)
  if (changes.dated) said.push(`${files(changes.dated)} with a name that is taken in its folder; its day is added.`)
  if (changes.numbered)
    said.push(`${files(changes.numbered)} with a name that is taken in its folder; a number is added.`)
  return said
}

/** The folders on the way to one, from the top on. */
export function crumbs(folder: string): { name: string; folder: string }[] {
  if (!folder) return []
  const parts = folder.split('/')
  return parts.map((name, i) => ({ name, folder: parts.slice(0, i + 1).join('/') }))
}

/** Whether somebody asked for a layout that there is. */
export function layoutOf(asked: unknown): Layout | undefined {
  return LAYOUTS.find(([l]) => l === asked)?.[0]
}
