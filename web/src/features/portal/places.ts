/** Folders that the lab had to name itself, in a worried person's words. */
const NAMED: [RegExp, (match: RegExpExecArray) => string][] = [
  [/^found by content$/, () => 'names lost'],
  [/^volume \d+$/, () => ''],
  [/^\(?lost folder(?: piece)? .+?\)?$/, () => 'a folder whose name is lost'],
]

/** Where a delivered file lies, as one reads it; the download keeps its own path. */
export function placeWords(path: string): string {
  const parts = path.replace(/^data\//, '').split('/')
  return parts
    .map((part, i) => {
      if (i > 0 && parts[i - 1] === 'found by content') return `${part} files`
      const named = NAMED.map(([pattern, words]) => ({ words, match: pattern.exec(part) })).find(({ match }) => match)
      return named?.match ? named.words(named.match) : part
    })
    .filter(Boolean)
    .join(' › ')
}
