import { groupedBy } from '@/core/groupedBy'
import { median } from '@/core/stats/numeric/median'
import type { LoggedCheck, RunLog } from './foldEntries'
import { keyText } from './plan'

/** One check that two devices logged differently; both are kept until somebody settles it. */
export interface Clash {
  key: string
  checks: LoggedCheck[]
}

/** Checks with more than one standing report by different devices that do not say the same. */
export function clashesOf(log: RunLog): Clash[] {
  const standing = log.checks.filter((c) => !c.voided)
  const byKey = groupedBy<string, LoggedCheck>(standing, keyText)
  return [...byKey.entries()].flatMap(([key, checks]) => {
    const devices = new Set(checks.map((c) => c.device))
    const texts = new Set(checks.map((c) => c.text.trim().toLowerCase()))
    return devices.size > 1 && texts.size > 1 ? [{ key, checks }] : []
  })
}

/** How far one device's clock is ahead of another's. */
export interface ClockOffset {
  device: string
  against: string
  /** The device's time less the other's, s. */
  offsetS: number
  /** Pairs of checks that it was found from. */
  pairs: number
}

/** Offsets smaller than this are the pace of the work and no fault of a clock, s. */
const MIN_S = 120
const MIN_PAIRS = 4

/**
 * Clocks that differ, noticed from checks that two devices share: each logs its own half of the same link at
 * the same mark, minutes apart at most. An offset is told where the median difference exceeds two minutes and
 * twice its own spread (median absolute deviation).
 */
export function clockOffsets(log: RunLog): ClockOffset[] {
  const standing = log.checks.filter((c) => !c.voided)
  const devices = [...new Set(standing.map((c) => c.device))].sort()
  const [reference, ...others] = devices
  if (reference === undefined) return []
  const timesOf = (device: string) => {
    const times = new Map<string, number>()
    for (const c of standing)
      if (c.device === device) times.set(`${c.markId} ${c.linkId} ${c.repeat}`, Date.parse(c.time) / 1000)
    return times
  }
  const first = timesOf(reference)
  return others.flatMap((device) => {
    const differences = [...timesOf(device)].flatMap(([k, t]) => (first.has(k) ? [t - first.get(k)!] : []))
    if (differences.length < MIN_PAIRS) return []
    const offsetS = median(differences)
    const spread = median(differences.map((d) => Math.abs(d - offsetS)))
    return Math.abs(offsetS) > Math.max(MIN_S, 2 * spread)
      ? [{ device, against: reference, offsetS: Math.round(offsetS), pairs: differences.length }]
      : []
  })
}
