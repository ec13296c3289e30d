import type { Person } from '@/api/types'

/** People as a menu offers them: by name, and those who share theirs with the sign-in name beside it. */
export function peopleToChoose(people: readonly Person[]): { value: string; text: string }[] {
  return people
    .map((p) => ({ value: p.login, text: nameAmong(people, p) }))
    .sort((a, b) => a.text.localeCompare(b.text))
}

/** A person's name, with the sign-in name where another person of the lab is called the same. */
export function nameAmong(people: readonly Person[], person: Pick<Person, 'login' | 'name'>): string {
  const shared = people.some((p) => p.login !== person.login && p.name === person.name)
  return shared ? `${person.name} (${person.login})` : person.name
}
