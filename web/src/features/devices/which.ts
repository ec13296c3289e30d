import { inject, type InjectionKey, provide } from 'vue'
import type { Docket } from '@/api/types'
import { whichOf } from './hand'

/** How a device is told from the others of its case; nothing where it is alone. */
export type Which = (device: number) => string

const WHICH: InjectionKey<Which> = Symbol('which device')

/** Lets all that is shown of a case say which device it speaks of. */
export function provideWhich(docket: () => Docket | undefined): void {
  provide(WHICH, (id) => {
    const devices = docket()?.devices ?? []
    const device = devices.length > 1 ? devices.find((d) => d.id === id) : undefined
    return device ? whichOf(device) : ''
  })
}

export const useWhich = (): Which => inject(WHICH, () => '')
