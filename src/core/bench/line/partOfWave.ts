import { FRACTIONS, LIGHT_M_PER_US, wavelengthM } from '@/core/rf'

/** What a length is at a frequency. */
export interface PartOfWave {
  /** In waves, along the element. */
  waves: number
  /** Turn of phase along it, degrees. */
  degrees: number
}

/**
 * What part of a wave a length is.
 * @param lengthM above 0 @param velocityFactor above 0 to 1: 0.95 to 0.97 of a rod in air, 0.66 to 0.85 in a line
 * @throws RangeError otherwise
 * @example partOfWave(0.041, 868, 0.66) // 0.180 waves
 */
export function partOfWave(lengthM: number, frequencyMHz: number, velocityFactor: number): PartOfWave {
  if (!(lengthM > 0)) throw new RangeError(`a length is above 0, not ${lengthM}`)
  const waves = lengthM / (wavelengthM(frequencyMHz) * velocityFactor)
  return { waves, degrees: waves * 360 }
}

/**
 * Where a length is a usual fraction of a wave, rising in frequency.
 * @param lengthM above 0 @param velocityFactor above 0 to 1
 * @example resonatesAt(0.5, 0.95)[0] // a quarter wave at 142.4 MHz
 */
export function resonatesAt(lengthM: number, velocityFactor: number) {
  if (!(lengthM > 0)) throw new RangeError(`a length is above 0, not ${lengthM}`)
  return FRACTIONS.map((fraction) => ({
    fraction,
    frequencyMHz: (fraction.waves * velocityFactor * LIGHT_M_PER_US) / lengthM,
  })).sort((a, b) => a.frequencyMHz - b.frequencyMHz)
}
