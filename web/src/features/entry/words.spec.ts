import { expect, it } from 'vitest'
import { withWhat } from './words'

it.each([
  [false, 0, 'a password alone'],
  [true, 0, 'a password and a code'],
  [false, 1, 'a passkey, or a password alone'],
  [true, 2, '2 passkeys, or a password and a code'],
])('says what somebody signs in with: codes %s, passkeys %i', (codes, passkeys, words) => {
  expect(withWhat({ codes, passkeys })).toBe(words)
})
