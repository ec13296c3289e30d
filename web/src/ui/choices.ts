/** The letter by which each answer of a row is chosen: the first of its own that no answer before it has. */
export interface Letter {
  letter: string
  /** Where it stands in the words. */
  at: number
}

export function letterOf(answers: readonly string[]): Letter[] {
  const used = new Set<string>()
  return answers.map((answer) => {
    for (let at = 0; at < answer.length; at++) {
      const letter = answer.charAt(at).toLowerCase()
      if (/[a-z]/.test(letter) && !used.has(letter)) {
        used.add(letter)
        return { letter, at }
      }
    }
    return { letter: '', at: 0 }
  })
}

/** @returns the index of the answer that a key chooses, or -1 */
export function optionFor(key: string, letters: readonly Letter[]): number {
  return key.length === 1 ? letters.findIndex((l) => l.letter !== '' && l.letter === key.toLowerCase()) : -1
}

/** What a row shows: its common values and whatever else is chosen; all of them when it is opened. */
export function shownValues(
  values: readonly string[],
  common: readonly string[],
  chosen: (value: string) => boolean,
  open: boolean,
): string[] {
  const all = [...values, 'unknown']
  return open || !common.length ? all : all.filter((v) => common.includes(v) || chosen(v))
}
