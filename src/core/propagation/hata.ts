import { freeSpaceLoss } from './freeSpace'

export type HataPlace = 'urban' | 'suburban' | 'open'

/**
 * Okumura-Hata median path loss, dB (Hata 1980), small and medium city correction for the mobile's height, never less
 * than free space. 150 to 1500 MHz, base 30 to 200 m, 1 to 20 km, mobile 1 to 10 m.
 * @throws RangeError on heights that are not above 0
 * @example hataLoss('urban', 450, 5, 30, 1.5) // 143.18
 */
export function hataLoss(
  place: HataPlace,
  frequencyMHz: number,
  distanceKm: number,
  baseM: number,
  mobileM: number,
): number {
  if (!(baseM > 0 && mobileM > 0))
    throw new RangeError(`heights must be above 0 m, not ${baseM} and ${mobileM}`)
  const f = Math.log10(frequencyMHz)
  const b = Math.log10(baseM)
  const mobile = (1.1 * f - 0.7) * mobileM - (1.56 * f - 0.8)
  const urban = 69.55 + 26.16 * f - 13.82 * b - mobile + (44.9 - 6.55 * b) * Math.log10(distanceKm)
  const less =
    place === 'urban'
      ? 0
      : place === 'suburban'
        ? 2 * Math.log10(frequencyMHz / 28) ** 2 + 5.4
        : 4.78 * f * f - 18.33 * f + 40.94
  return Math.max(urban - less, freeSpaceLoss(frequencyMHz, distanceKm))
}
