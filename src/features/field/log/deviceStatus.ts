import type { DeviceStatus } from '@/core/crew/statusRecord'

type Place = NonNullable<DeviceStatus['position']>

let shared: Place | null = null

/** Lets the desk see where this device is, or not any more. */
export function sharePlace(place: Place | null): void {
  shared = place
}

interface WithBattery {
  getBattery?: () => Promise<{ level: number }>
}

/** Of the battery, 0 to 1; nothing where the browser does not say. */
async function battery(): Promise<number | undefined> {
  try {
    return (await (navigator as WithBattery).getBattery?.())?.level
  } catch {
    return undefined
  }
}

/** How this device is, for the desk. @param waiting entries that are on it alone */
export async function deviceStatus(waiting: number): Promise<DeviceStatus> {
  const level = await battery()
  return {
    sentAt: new Date(Date.now()).toISOString(),
    waiting,
    ...(level === undefined ? {} : { battery: level }),
    position: shared ?? undefined,
  }
}
