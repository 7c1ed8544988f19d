/** Mean radius of the earth, km. */
export const EARTH_RADIUS_KM = 6371

/** How much the ray bends: the usual 4/3, or 1 for a straight one. */
export const USUAL_K = 4 / 3

/** Effective radius of the earth, km. @param k above 0 */
export const effectiveRadiusKm = (k: number) => k * EARTH_RADIUS_KM

/**
 * Distance to the horizon of two heights over smooth earth, km: √(2 k R h/1000) of each, summed.
 * @param heightsM over the earth, 0 or more
 * @example horizonKm([10, 1.5]) // 18.08; with k 1 15.66
 */
export function horizonKm(heightsM: readonly number[], k = USUAL_K): number {
  return heightsM.reduce((sum, h) => sum + Math.sqrt((2 * effectiveRadiusKm(k) * h) / 1000), 0)
}

/** The shortcut that some quote: one root of the summed heights. It is always too short. */
export function oneRootHorizonKm(heightsM: readonly number[], k = USUAL_K): number {
  return horizonKm([heightsM.reduce((s, h) => s + h, 0)], k)
}

/** By how much the earth bulges between two ends, m: 1000 d1 d2/(2 k R). */
export function bulgeM(d1Km: number, d2Km: number, k = USUAL_K): number {
  return (1000 * d1Km * d2Km) / (2 * effectiveRadiusKm(k))
}

/**
 * Radius of the first Fresnel zone, m: 17.31 √(d1 d2/(f_GHz d)).
 * @example fresnelM(460, 3, 5) // 34.96
 */
export function fresnelM(frequencyMHz: number, d1Km: number, d2Km: number): number {
  return Math.sqrt((299.792458 / frequencyMHz) * 1000 * ((d1Km * d2Km) / (d1Km + d2Km)))
}
