import type { Entry } from '@/core/trial'

/** Another device of the run, as its entries that are here tell of it. */
export interface OtherDevice {
  device: string
  /** Its last word by its own clock, UTC. */
  lastAt: string
  checks: number
}

/** The other devices of a run, the one that was silent longest first. */
export function othersOf(entries: readonly Entry[], own: string): OtherDevice[] {
  const others = new Map<string, OtherDevice>()
  for (const e of entries) {
    if (e.device === own) continue
    const known = others.get(e.device) ?? { device: e.device, lastAt: e.wallTime, checks: 0 }
    if (Date.parse(e.wallTime) > Date.parse(known.lastAt)) known.lastAt = e.wallTime
    if (e.body.kind === 'check') known.checks++
    others.set(e.device, known)
  }
  return [...others.values()].sort((a, b) => Date.parse(a.lastAt) - Date.parse(b.lastAt))
}

const MINUTE = 60_000
/** Who has said nothing since so long is not out any more, minutes. */
const STALE = 240

/**
 * Those of whom nothing was heard for too long, with the minutes.
 * @param afterMinutes 0 for never
 */
export const silentFor = (others: readonly OtherDevice[], afterMinutes: number, now: number) =>
  afterMinutes === 0
    ? []
    : others.flatMap(({ device, lastAt }) => {
        const minutes = Math.floor((now - Date.parse(lastAt)) / MINUTE)
        return minutes >= afterMinutes && minutes < STALE ? [{ device, minutes }] : []
      })
