import { wavelengthM } from './levels'

/** A general-public limit of power density over a band: a figure, or frequency divided by a figure. */
export interface ExposureBand {
  fromMHz: number
  toMHz: number
  /** W/m²; null where the limit grows with frequency. */
  limitWm2: number | null
  /** Limit = f/perMHz W/m²; null where it is a figure. */
  perMHz: number | null
}

/** The limit at a frequency, W/m²; null where the bands given say nothing of it. */
export function exposureLimitWm2(bands: readonly ExposureBand[], frequencyMHz: number): number | null {
  const band = bands.find((b) => frequencyMHz >= b.fromMHz && frequencyMHz <= b.toMHz)
  if (!band) return null
  return band.limitWm2 ?? (band.perMHz ? frequencyMHz / band.perMHz : null)
}

/** Why no distance is given. */
type NoDistance = 'below 30 MHz' | 'at the body' | 'no limit known'

export type KeepAway =
  | {
      given: true
      distanceM: number
      computedM: number
      heldBy: 'the limit' | 'the near field' | 'the antenna’s length'
    }
  | { given: false; why: NoDistance }

/** All of the power reflected in phase doubles the field. */
const FULL_REFLECTION = 4

/**
 * Distance that people should keep from an antenna, m, on the safe side: √(EIRP · 4 · duty/(4π S)), losses
 * taken as none, never less than λ/2π or the antenna's length, rounded up to 0.1 m. None below 30 MHz, where
 * the limits are for the fields, nor for a radio at the body, where absorption counts.
 * @param at.powerW at the radio's connector, above 0
 * @param at.gainDbi of the antenna
 * @param at.duty share of transmitting within the limit's own averaging time, above 0 to 1
 * @throws RangeError where power or duty is outside its range
 * @example keepAway of 25 W, 5.2 dBi, 155 MHz, 2 W/m² // computed 3.63 m, given as 3.7 m
 */
export function keepAway(at: {
  powerW: number
  gainDbi: number
  frequencyMHz: number
  limitWm2: number | null
  duty?: number
  antennaLengthM?: number | null
  atBody?: boolean
}): KeepAway {
  const { powerW, gainDbi, frequencyMHz, limitWm2, duty = 1, antennaLengthM = 0, atBody = false } = at
  if (!(powerW > 0)) throw new RangeError(`powerW must be above 0, not ${powerW}`)
  if (!(duty > 0 && duty <= 1)) throw new RangeError(`duty must be above 0 and at most 1, not ${duty}`)
  if (atBody) return { given: false, why: 'at the body' }
  if (frequencyMHz < 30) return { given: false, why: 'below 30 MHz' }
  if (limitWm2 === null || !(limitWm2 > 0)) return { given: false, why: 'no limit known' }
  const eirpW = powerW * 10 ** (gainDbi / 10)
  const computedM = Math.sqrt((eirpW * FULL_REFLECTION * duty) / (4 * Math.PI * limitWm2))
  const nearM = wavelengthM(frequencyMHz) / (2 * Math.PI)
  const lengthM = antennaLengthM ?? 0
  const largest = Math.max(computedM, nearM, lengthM)
  return {
    given: true,
    computedM,
    distanceM: Math.ceil(largest * 10 - 1e-9) / 10,
    heldBy:
      largest === computedM ? 'the limit' : largest === nearM ? 'the near field' : 'the antenna’s length',
  }
}
