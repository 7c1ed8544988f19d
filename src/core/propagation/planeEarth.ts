import { wavelengthM } from '@/core/rf/levels'
import { freeSpaceLoss } from './freeSpace'

/**
 * Plane-earth path loss, dB: 40 lg d(m) - 20 lg(h1 h2), never less than free space.
 * Holds beyond the break at 4π h1 h2/λ, over flat ground, horizontal polarisation (vertical at VHF and up nearly so).
 * @param frequencyMHz above nought @param distanceKm above nought @param h1M, h2M heights over ground, above nought
 * @throws RangeError otherwise
 * @example planeEarthLoss(150, 8, 10, 1.5) // 132.60
 */
export function planeEarthLoss(frequencyMHz: number, distanceKm: number, h1M: number, h2M: number): number {
  if (!(h1M > 0 && h2M > 0)) throw new RangeError(`heights must be above 0 m, not ${h1M} and ${h2M}`)
  const plane = 40 * Math.log10(1000 * distanceKm) - 20 * Math.log10(h1M * h2M)
  return Math.max(plane, freeSpaceLoss(frequencyMHz, distanceKm))
}

/** Distance in km beyond which plane earth takes over from free space: 4π h1 h2/λ. */
export function planeEarthBreakKm(frequencyMHz: number, h1M: number, h2M: number): number {
  return (4 * Math.PI * h1M * h2M) / wavelengthM(frequencyMHz) / 1000
}
