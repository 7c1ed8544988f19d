/** A degree of latitude in round figures, m: for ground that is made up. */
export const NOMINAL_DEGREE_M = 111_320

/**
 * Metres of one degree of latitude and of longitude at a latitude (degrees), on WGS 84; good to a metre. For cells
 * and margins; distances are geodesics.
 * Source: the series of the meridian and of the parallel, as tabled by the US National Geospatial-Intelligence Agency.
 * @example metresPerDegree(45) // { lat: 111131.7, lon: 78846.8 }
 */
export function metresPerDegree(latDeg: number): { lat: number; lon: number } {
  const phi = (latDeg * Math.PI) / 180
  return {
    lat: 111_132.954 - 559.822 * Math.cos(2 * phi) + 1.175 * Math.cos(4 * phi) - 0.0023 * Math.cos(6 * phi),
    lon: 111_412.84 * Math.cos(phi) - 93.5 * Math.cos(3 * phi) + 0.118 * Math.cos(5 * phi),
  }
}

/** An angle from 0 to below 360 degrees. */
export const turnDeg = (deg: number) => ((deg % 360) + 360) % 360

/** An angle from -180 to below 180 degrees: how far off, and to which side. */
export const offDeg = (deg: number) => turnDeg(deg + 180) - 180
