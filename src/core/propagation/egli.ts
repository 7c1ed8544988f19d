import { freeSpaceLoss } from './freeSpace'

/**
 * Egli's median path loss over irregular ground, dB: 20 lg f + 40 lg d - 20 lg hb + (76.3 - 10 lg hm for hm ≤
 * 10 m, else 85.9 - 20 lg hm), never less than free space. Several forms of it are in print that differ by 10
 * dB; this is that of Egli 1957 as it is usually quoted with d in km. 40 to 900 MHz, from about 1 to 60 km.
 * @param baseM, mobileM heights over ground, above 0 m
 * @throws RangeError otherwise
 * @example egliLoss(150, 8, 10, 1.5) // 134.18
 */
export function egliLoss(frequencyMHz: number, distanceKm: number, baseM: number, mobileM: number): number {
  if (!(baseM > 0 && mobileM > 0))
    throw new RangeError(`heights must be above 0 m, not ${baseM} and ${mobileM}`)
  const mobile = mobileM <= 10 ? 76.3 - 10 * Math.log10(mobileM) : 85.9 - 20 * Math.log10(mobileM)
  const loss = 20 * Math.log10(frequencyMHz) + 40 * Math.log10(distanceKm) - 20 * Math.log10(baseM) + mobile
  return Math.max(loss, freeSpaceLoss(frequencyMHz, distanceKm))
}
