import type { DeviceState, Docket } from '@/api/types'
import { type Stage, STAGES } from '@/features/cases'

type Device = Docket['devices'][number]

/** The device that the address names; the first one where it names none of the case's. */
export function deviceAt(devices: readonly Device[], asked: unknown): Device | undefined {
  return devices.find((d) => String(d.id) === asked) ?? devices[0]
}

/** The next one, or the one before; it goes round. */
export function stepped(devices: readonly Device[], from: Device | undefined, by: 1 | -1): Device | undefined {
  const at = devices.findIndex((d) => d.id === from?.id)
  return devices[(at + by + devices.length) % devices.length]
}

/** How people tell a device from the others of its case: by its slot, or else by its place among them. */
export function whichOf(
  device: Pick<Device, 'slot' | 'position'> & Partial<Pick<Device, 'setName' | 'amongSets'>>,
): string {
  if (!device.slot) return `device ${device.position}`
  return device.amongSets && device.setName ? `slot ${device.slot} of ${device.setName}` : `slot ${device.slot}`
}

/** What a device is called: make and model, or else its type. */
export function calledOf(device: Pick<Device, 'make' | 'model' | 'type'>): string {
  return `${device.make} ${device.model}`.trim() || device.type.replace(/-/g, ' ')
}

/** The path that a device goes: its own, or else its case's. */
export function pathOf(docket: Docket, device: Device | undefined): Docket['path'] {
  return device?.ownPath ?? docket.path
}

/** Devices that stand at one stage, in their order. */
export interface Strand {
  stage: string
  devices: { id: number; label: string; name: string; barred: boolean }[]
}

/**
 * Where the devices of a case stand, stage by stage, while they stand apart; nothing where they stand together. What is
 * declined stands where the decision is made; what is scanned has joined its case. A box stands where its members do.
 */
export function strandsOf(all: readonly DeviceState[], devices: readonly Device[]): Strand[] {
  const known = (s: DeviceState) => devices.find((d) => d.id === s.id)
  const states = all.filter((s) => {
    const device = known(s)
    return device && !isBoxOf(device, devices)
  })
  const at = (s: DeviceState) => (s.stage === 'declined' ? 'triaged' : s.stage)
  if (new Set(states.map(at)).size < 2) return []
  return STAGES.filter((stage) => states.some((s) => at(s) === stage)).map((stage) => ({
    stage,
    devices: states
      .filter((s) => at(s) === stage)
      .map((s) => {
        const device = known(s)
        return {
          id: s.id,
          label: device?.slot ? String(device.slot) : `d${device?.position}`,
          name: s.which,
          barred: s.barred !== undefined,
        }
      }),
  }))
}

/** The stages between which the devices of a case stand apart, the first and the last of them. */
export function apart(strands: readonly Strand[]): Set<string> {
  const places = strands.map((s) => STAGES.indexOf(s.stage as Stage))
  if (!places.length) return new Set()
  return new Set(STAGES.slice(Math.min(...places), Math.max(...places) + 1))
}

const READ: Record<string, string> = { waiting: 'waits to be read', paused: 'reading paused', failed: 'reading failed' }
const FOUND: Record<string, string> = {
  waiting: 'waits to be scanned',
  running: 'being scanned',
  failed: 'scan failed',
}

const BOXES = ['nas', 'raid-set']

/** A box is not read: its members are. */
export function isBoxOf(device: Pick<Device, 'type'>, all: readonly Pick<Device, 'type'>[]): boolean {
  return BOXES.includes(device.type) && all.some((d) => !BOXES.includes(d.type))
}

/** How far a device is, in a few words, from the records of its own steps. */
export function standWords(state: DeviceState, isBox = false): string {
  if (state.partner) return `with ${state.partner}`
  if (state.stage === 'declined') return 'declined'
  const { read, found } = state
  if (found && found.state !== 'done' && found.state !== 'stopped') return FOUND[found.state] ?? found.state
  if (found) return `${found.findings} ${found.findings === 1 ? 'finding' : 'findings'}`
  if (read?.state === 'running') return `${Math.floor(read.share * 100)} % read`
  if (read?.state === 'done') return read.share < 1 ? `read but for ${read.failedBytes} bytes` : 'read to its end'
  if (read) return READ[read.state] ?? read.state
  if (state.barred) return 'not to be touched'
  if (state.medium) return 'attached'
  if (!state.path) return 'path not decided'
  return isBox ? 'read by its members' : 'not attached yet'
}
