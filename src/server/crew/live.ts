import type { BoardLine } from '@/core/crew'
import type { DeviceStatus } from '@/core/crew/statusRecord'
import type { KnownDevice } from '@/data/devices'

/** What a device said, and when by our own clock. */
type Said = Omit<NonNullable<BoardLine['said']>, 'fromBaseM'> & Pick<DeviceStatus, 'position'>

/** What devices said last, and who wants to hear of it. It is of this moment and not kept. */
interface Live {
  said: Map<string, Said>
  ears: Set<() => void>
}

const holder = globalThis as typeof globalThis & { evenReachLive?: Live }
const live = (): Live => (holder.evenReachLive ??= { said: new Map(), ears: new Set() })

/** Somebody out there did something: whoever looks on is told. */
export const tellBoard = (): void => live().ears.forEach((ear) => ear())

export function deviceSaid(
  device: Pick<KnownDevice, 'id'>,
  runId: string,
  { sentAt, ...status }: DeviceStatus,
  now = Date.now(),
): void {
  const clockOffMs = Date.parse(sentAt) - now
  live().said.set(device.id, { ...status, runId, at: new Date(now).toISOString(), clockOffMs })
}

export const saidOf = (deviceId: string): Said | null => live().said.get(deviceId) ?? null

/** Hears of every change until it is let go. @returns lets it go */
export function listen(ear: () => void): () => void {
  live().ears.add(ear)
  return () => void live().ears.delete(ear)
}
