import type { SweepBand } from './advice'
import { usableWidths } from './passBand'
import { readings, type Reading, type Sweep } from './sweep'

/** A dip is one where the return loss stands out so far from what lies on either side of it, dB. */
const STANDS_OUT_DB = 3

/** A dip of reflection. */
export interface Resonance {
  at: Reading
  /** Belongs to the band: the deepest in it, or the nearest. */
  own: boolean
}

/** Return loss that is no larger than a table shows, so that a perfect match is still a number. */
const capped = (r: Reading) => Math.min(80, r.returnLossDb)

/** Least return loss on the way from a point to a deeper one, or to the end. */
function floorBeside(all: readonly Reading[], from: number, step: 1 | -1): number {
  const top = capped(all[from]!)
  let floor = Infinity
  for (let i = from + step; i >= 0 && i < all.length; i += step) {
    const here = capped(all[i]!)
    if (here > top) return floor
    floor = Math.min(floor, here)
  }
  return floor
}

/**
 * Dips of the reflection, rising in frequency, and which of them belongs to the band.
 * @param band null where nobody said; then the deepest is its own
 */
export function resonances(s: Sweep, band: SweepBand | null): Resonance[] {
  const all = readings(s)
  const dips = all.filter((r, i) => {
    const [below, above] = [all[i - 1], all[i + 1]]
    if (!below || !above || r.size > below.size || r.size >= above.size) return false
    return capped(r) - Math.max(floorBeside(all, i, -1), floorBeside(all, i, 1)) >= STANDS_OUT_DB
  })
  const own = dips.reduce<Reading | null>(
    (best, r) => (best && away(best, band) <= away(r, band) ? best : r),
    null,
  )
  return dips.map((at) => ({ at, own: at === own }))
}

/** How little a dip belongs to a band: inside, the deeper the better; outside, the farther the worse. */
function away(r: Reading, band: SweepBand | null): number {
  const inside = !band || (r.frequencyMHz >= band.fromMHz && r.frequencyMHz <= band.toMHz)
  if (inside) return r.size - 1
  return Math.max(band.fromMHz - r.frequencyMHz, r.frequencyMHz - band.toMHz)
}

/**
 * Quality of a resonance by the width at a standing-wave ratio s: (s - 1)/(√s · width/frequency).
 * Yaghjian and Best, "Impedance, bandwidth, and Q of antennas" (2005), eq. 87. Holds for one resonance, matched at its
 * middle.
 * @param swr above 1
 * @example qualityOf({ fromMHz: 432, toMHz: 438 }, 435, 2) // 51.3
 */
export const qualityOf = (width: SweepBand, frequencyMHz: number, swr: number) =>
  ((swr - 1) / Math.sqrt(swr)) * (frequencyMHz / (width.toMHz - width.fromMHz))

/** Quality of the sweep's own resonance at SWR 2; null where that width runs out of the sweep, or is not met. */
export function ownQuality(s: Sweep, own: Resonance): number | null {
  const stretch = usableWidths(s, own.at.frequencyMHz, [2])[0]!.stretch
  if (!stretch || stretch.openBelow || stretch.openAbove) return null
  return qualityOf(stretch, own.at.frequencyMHz, 2)
}

/**
 * How much too long an element is for a frequency, m: its length · (1 - resonance/wanted). Below 0 it is too short.
 * The length and the resonance go inversely, while what is near it stays.
 * @param lengthM the part that is trimmed, above 0
 * @example tooLongM(0.165, 430, 440) // 0.00375: 3.8 mm to take off
 */
export const tooLongM = (lengthM: number, resonanceMHz: number, wantedMHz: number) =>
  lengthM * (1 - resonanceMHz / wantedMHz)
