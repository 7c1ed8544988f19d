/** Power in dBm: 10 lg(1000 P). @param powerW above 0 W @throws RangeError otherwise @example dbmOfWatts(5) // 36.99 */
export function dbmOfWatts(powerW: number): number {
  if (!(powerW > 0)) throw new RangeError(`powerW must be above 0, not ${powerW}`)
  return 10 * Math.log10(1000 * powerW)
}

/** Power in W of a level in dBm. */
export function wattsOfDbm(dbm: number): number {
  return 10 ** (dbm / 10) / 1000
}

/** Effective isotropic radiated power, dBm. @param gainDbi antenna @param lossDb all between, positive */
export function eirpDbm(powerW: number, gainDbi: number, lossDb: number): number {
  return dbmOfWatts(powerW) - lossDb + gainDbi
}

/** Speed of light, m/µs: a wavelength in m by a frequency in MHz. */
export const LIGHT_M_PER_US = 299.792458

/** Wavelength in m. @param frequencyMHz above nought */
export function wavelengthM(frequencyMHz: number): number {
  if (!(frequencyMHz > 0)) throw new RangeError(`frequencyMHz must be above 0, not ${frequencyMHz}`)
  return LIGHT_M_PER_US / frequencyMHz
}
