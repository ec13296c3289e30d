import { computed, type ComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Docket } from '@/api/types'
import { useKeys } from '@/ui/keys'
import { deviceAt, stepped } from './hand'

type Device = Docket['devices'][number]

export interface Hand {
  /** The device that is shown; undefined while the case is not there yet. */
  readonly device: ComputedRef<Device | undefined>
  /** Whether there are others. */
  readonly several: ComputedRef<boolean>
  /** For links that stay with this device. */
  readonly query: ComputedRef<{ device?: string }>
  /** Shows another one. */
  take: (id: number) => void
}

/** Which device of a case is at hand: the address says it, so that it can be sent to a colleague, and keys step on. */
export function useHand(docket: () => Docket | undefined): Hand {
  const route = useRoute()
  const router = useRouter()
  const devices = computed(() => docket()?.devices ?? [])
  const device = computed(() => deviceAt(devices.value, route.query.device))
  const several = computed(() => devices.value.length > 1)
  function take(id: number): void {
    void router.replace({ query: { ...route.query, device: String(id) } })
  }
  function step(by: 1 | -1): void {
    const next = stepped(devices.value, device.value, by)
    if (next) take(next.id)
  }
  useKeys([
    { key: '[', does: () => (several.value ? 'device before' : undefined), run: () => step(-1) },
    { key: ']', does: () => (several.value ? 'next device' : undefined), run: () => step(1) },
  ])
  return {
    device,
    several,
    query: computed(() => (several.value && device.value ? { device: String(device.value.id) } : {})),
    take,
  }
}
