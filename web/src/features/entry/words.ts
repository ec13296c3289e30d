import type { Account, Role } from '@/api/types'

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  COORDINATOR: 'coordinator',
  ENGINEER: 'engineer',
  MANAGER: 'manager',
}

export const ROLES = (Object.keys(ROLE_WORDS) as Role[]).map((value) => ({ value, text: ROLE_WORDS[value] }))

/** What somebody signs in with. */
export function withWhat(account: Pick<Account, 'codes' | 'passkeys'>): string {
  const passkeys = account.passkeys === 1 ? 'a passkey' : account.passkeys ? `${account.passkeys} passkeys` : ''
  const password = account.codes ? 'a password and a code' : 'a password alone'
  return passkeys ? `${passkeys}, or ${password}` : password
}
