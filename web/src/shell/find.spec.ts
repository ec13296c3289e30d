import { describe, expect, it } from 'vitest'
import type { CaseSummary } from '@/api/types'
import { goalsFor } from './find'

const cases = [
  { number: 'BR-2611-0001', customer: 'Skerrow Village Band', contactPerson: 'Edwin Shore', device: { make: 'Halden', model: 'Stern 35', serial: 'HS3-52C-70714', type: 'hdd', capacity: 1 } },
  { number: 'BR-2611-0002', customer: 'Fennel Moss Peat Station', contactPerson: 'Callum Reeve', device: { make: 'Corran', model: 'Fjord', serial: 'CF1', type: 'usb-stick', capacity: 1 } },
] as CaseSummary[]

describe('find', () => {
  it('leads to a case by serial, in any case', () => {
    expect(goalsFor('hs3-52', cases).map((g) => g.to)).toEqual(['/cases/BR-2611-0001'])
  })
  it('needs every word', () => {
    expect(goalsFor('fennel edwin', cases)).toEqual([])
  })
  it('leads to actions too', () => {
    expect(goalsFor('new', cases).map((g) => g.to)).toEqual(['/intake'])
  })
})
