const CONSTANT = 20 * Math.log10((4e9 * Math.PI) / 299792458) // 32.4478 dB for MHz and km

/**
 * Free-space path loss, dB: 32.45 + 20 lg f + 20 lg d. Source: ITU-R P.525.
 * @param frequencyMHz above nought
 * @param distanceKm above nought
 * @throws RangeError otherwise
 * @example freeSpaceLoss(150, 5) // 89.95
 */
export function freeSpaceLoss(frequencyMHz: number, distanceKm: number): number {
  if (!(frequencyMHz > 0)) throw new RangeError(`frequencyMHz must be above 0, not ${frequencyMHz}`)
  if (!(distanceKm > 0)) throw new RangeError(`distanceKm must be above 0, not ${distanceKm}`)
  return CONSTANT + 20 * Math.log10(frequencyMHz) + 20 * Math.log10(distanceKm)
}
