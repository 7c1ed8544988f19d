import { bullingtonLoss, type BullingtonPath, type Profile } from './bullington'
import { sphericalEarthLoss, type DiffractionPath } from './sphericalEarth'

/** Loss over real ground beyond free space, and what makes it. */
export interface Diffraction {
  /** In all, dB. */
  lossDb: number
  bullington: BullingtonPath
  /** What the smooth earth adds, dB. */
  smoothDb: number
}

/** Lowest frequency of the method, MHz. */
export const MIN_DIFFRACTION_MHZ = 10

/** A profile of two points gets its midpoint. */
function withMiddle({ distancesKm, heightsM }: Profile): Profile {
  if (distancesKm.length > 2) return { distancesKm, heightsM }
  const [d, a, b] = [distancesKm[1]!, heightsM[0]!, heightsM[1]!]
  return { distancesKm: [0, d / 2, d], heightsM: [a, (a + b) / 2, b] }
}

/**
 * Diffraction loss over a general path by the delta-Bullington method of ITU-R P.526-15, dB. From 10 MHz.
 * @param nearM, farM heights of the antennas over the ground at the ends, above 0 m
 * @throws RangeError on fewer than two points, heights not above 0, or distances that do not grow
 */
export function deltaBullingtonLoss(
  profile: Profile,
  nearM: number,
  farM: number,
  path: DiffractionPath,
): Diffraction {
  if (profile.distancesKm.length < 2) throw new RangeError('a profile needs two points or more')
  if (!(nearM > 0 && farM > 0))
    throw new RangeError(`antenna heights must be above 0 m, not ${nearM} and ${farM}`)
  const p = withMiddle(profile)
  const n = p.distancesKm.length
  const d = p.distancesKm[n - 1]!
  if (!(d > 0)) throw new RangeError('the ends of a profile must lie apart')
  const hts = p.heightsM[0]! + nearM
  const hrs = p.heightsM[n - 1]! + farM
  const at = { frequencyMHz: path.frequencyMHz, radiusKm: path.radiusKm }
  const bullington = bullingtonLoss(p, hts, hrs, at)
  const { near, far } = effectiveHeights(p, hts, hrs)
  const smooth = bullingtonLoss(p, near, far, { ...at, flat: true })
  const sea = path.sea ? seaShare(p) : 0
  const smoothDb = Math.max(sphericalEarthLoss(path, d, near, far, sea) - smooth.lossDb, 0)
  return { lossDb: bullington.lossDb + smoothDb, bullington, smoothDb }
}

/** The share of a profile that lies over ground at exactly 0 m, half of a step where one end of it does. */
function seaShare({ distancesKm: D, heightsM: H }: Profile): number {
  let sea = 0
  for (let i = 1; i < D.length; i++)
    sea += ((D[i]! - D[i - 1]!) * (Number(H[i] === 0) + Number(H[i - 1] === 0))) / 2
  return sea / D[D.length - 1]!
}

/** Heights of the antennas over the smooth earth that fits the ground under the path, m. */
function effectiveHeights(profile: Profile, hts: number, hrs: number): { near: number; far: number } {
  const { distancesKm: D, heightsM: H } = profile
  const n = D.length
  const d = D[n - 1]!
  let v1 = 0
  let v2 = 0
  for (let i = 1; i < n; i++) {
    const step = D[i]! - D[i - 1]!
    v1 += step * (H[i]! + H[i - 1]!)
    v2 += step * (H[i]! * (2 * D[i]! + D[i - 1]!) + H[i - 1]! * (D[i]! + 2 * D[i - 1]!))
  }
  let hst = (2 * v1 * d - v2) / (d * d)
  let hsr = (v2 - v1 * d) / (d * d)
  let [obstacle, at, ar] = [-Infinity, -Infinity, -Infinity]
  for (let i = 1; i < n - 1; i++) {
    const di = D[i]!
    const over = H[i]! - (hts * (d - di) + hrs * di) / d
    obstacle = Math.max(obstacle, over)
    at = Math.max(at, over / di)
    ar = Math.max(ar, over / (d - di))
  }
  if (obstacle > 0) {
    hst -= (obstacle * at) / (at + ar)
    hsr -= (obstacle * ar) / (at + ar)
  }
  return { near: hts - Math.min(hst, H[0]!), far: hrs - Math.min(hsr, H[n - 1]!) }
}
