/** Woods deeper than this count as this deep, m. */
const MIN_DEPTH_M = 400
/** Below this Weissberger does not hold, MHz. */
const WEISSBERGER_FROM_MHZ = 230

/**
 * Loss through trees in leaf along the path, dB. Weissberger (1982) from 230 MHz to 95 GHz: 1.33 f^0.284
 * D^0.588 for 14 to 400 m, 0.45 f^0.284 D below, f in GHz. Below 230 MHz the exponential form of ITU-R P.833,
 * Am (1 - exp(-D γ/Am)), Am = 1.37 f^0.42. For the path through the trees and not over them; radar elevation
 * follows their tops in part.
 * @param depthM 0 or more
 * @param gammaDbPerM specific attenuation for the low form, dB/m
 * @throws RangeError below 0
 * @example woodsLoss(460, 80) // 14.03
 */
export function woodsLoss(frequencyMHz: number, depthM: number, gammaDbPerM = 0.05): number {
  if (!(depthM >= 0)) throw new RangeError(`depthM must be 0 or more, not ${depthM}`)
  const depth = Math.min(depthM, MIN_DEPTH_M)
  if (depth === 0) return 0
  if (frequencyMHz < WEISSBERGER_FROM_MHZ) {
    const most = 1.37 * frequencyMHz ** 0.42
    return most * (1 - Math.exp((-depth * gammaDbPerM) / most))
  }
  const f = (frequencyMHz / 1000) ** 0.284
  return depth > 14 ? 1.33 * f * depth ** 0.588 : 0.45 * f * depth
}
