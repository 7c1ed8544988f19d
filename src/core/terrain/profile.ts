import { inverse, type Place } from '@/core/geo'
import {
  bulgeM,
  deltaBullingtonLoss,
  fresnelM,
  USUAL_K,
  type DiffractionPath,
  type Profile,
} from '@/core/propagation'
import { coverAt, type Cover, type CoverAt } from './cover'
import { spacingM, terrainHeight, type Terrain } from './grid'

/** The ground between two places. */
export interface GroundProfile extends Profile {
  distancesKm: Float64Array
  /** Over the sea, m. */
  heightsM: Float64Array
  /** Crow-flies, km. */
  lengthKm: number
  /** From its near end, degrees from true north. */
  bearingDeg: number
  /** How far from the near end the ground is known, km. */
  knownKm: number
  /** What stands on it, where areas say so. */
  cover: PathCover | null
  /** Its far end. */
  to?: Place
}

/** What stands along a profile. */
export interface PathCover {
  /** Height of the trees at each sample, m; 0 where there is no wood. */
  woodTopM: Float32Array
  /** Height of houses, bushes and single trees at each sample, m; 0 where there are none. */
  builtTopM: Float32Array
  near: CoverAt | null
  far: CoverAt | null
}

/** Most samples of one profile, and fewest. */
const [MAX, MIN] = [2000, 24]
const FALLBACK_SPACING_M = 60

/** Ground, and what stands on it where that is known. */
export interface CoveredGround {
  terrain: Terrain
  cover: Cover | null
}

/**
 * Samples the ground between two places at no more than the grid's spacing, bilinear. Places are stepped along the
 * great circle of a sphere, which on such paths leaves the geodesic by less than a metre.
 */
export function groundProfile(
  terrain: Terrain,
  from: Place,
  to: Place,
  samples?: number,
  cover?: Cover | null,
): GroundProfile {
  const { distanceM, bearingDeg } = inverse(from, to)
  const lengthKm = distanceM / 1000
  const step = spacingM(terrain, from) ?? spacingM(terrain, to) ?? FALLBACK_SPACING_M
  const n = samples ?? Math.max(MIN, Math.min(MAX, Math.ceil((lengthKm * 1000) / step) + 1))
  const distancesKm = new Float64Array(n)
  const heightsM = new Float64Array(n)
  const along = greatCircle(from, to)
  let knownKm = lengthKm
  let lost = false
  for (let i = 0; i < n; i++) {
    const t = i / (n - 1)
    const p = along(t)
    const h = terrainHeight(terrain, p.lat, p.lon)
    distancesKm[i] = lengthKm * t
    heightsM[i] = h
    if (Number.isNaN(h) && !lost) {
      lost = true
      knownKm = i === 0 ? 0 : distancesKm[i - 1]!
    }
  }
  const stands = cover ? pathCover(cover, along, n) : null
  return { distancesKm, heightsM, lengthKm, bearingDeg, knownKm, to, cover: stands }
}

function pathCover(cover: Cover, along: (t: number) => Place, n: number): PathCover {
  const [woodTopM, builtTopM] = [new Float32Array(n), new Float32Array(n)]
  if (cover.areas.some((a) => a.heightM > 0))
    for (let i = 0; i < n; i++) {
      const at = coverAt(cover, along(i / (n - 1)))
      if (at) (at.kind === 'wood' ? woodTopM : builtTopM)[i] = at.heightM
    }
  return { woodTopM, builtTopM, near: coverAt(cover, along(0)), far: coverAt(cover, along(1)) }
}

function greatCircle(a: Place, b: Place): (t: number) => Place {
  const rad = Math.PI / 180
  const v = ({ lat, lon }: Place) => {
    const c = Math.cos(lat * rad)
    return [c * Math.cos(lon * rad), c * Math.sin(lon * rad), Math.sin(lat * rad)] as const
  }
  const [p, q] = [v(a), v(b)]
  const angle = Math.acos(Math.min(1, Math.max(-1, p[0] * q[0] + p[1] * q[1] + p[2] * q[2])))
  if (angle < 1e-9) return () => a
  return (t) => {
    const [s0, s1] = [Math.sin((1 - t) * angle) / Math.sin(angle), Math.sin(t * angle) / Math.sin(angle)]
    const [x, y, z] = [s0 * p[0] + s1 * q[0], s0 * p[1] + s1 * q[1], s0 * p[2] + s1 * q[2]]
    return { lat: Math.atan2(z, Math.hypot(x, y)) / rad, lon: Math.atan2(y, x) / rad }
  }
}

export type Clearance = 'clear' | 'grazing' | 'shadowed'

/** How a path clears the ground. */
export interface PathClearance {
  kind: Clearance
  /**
   * By how much the ground with the earth's bulge stands over the sight line where it rules, m; below 0 it is under it.
   */
  overM: number
  /** Where that is, km from the near end. */
  atKm: number
}

/** 0.6 of the first Fresnel zone is clear. */
export const CLEAR_SHARE = 0.6

/**
 * How the sight line clears the ground with the earth's bulge. Clear: by 0.6 of the first Fresnel zone, or, where the
 * antennas are lower than that, by as much as they stand over their own ground. Shadowed: the ground is in the way.
 * @param nearM, farM antenna heights over the ground at the ends
 */
export function pathClearance(
  profile: Profile,
  nearM: number,
  farM: number,
  frequencyMHz: number,
  k = USUAL_K,
): PathClearance {
  const { distancesKm: D, heightsM: H } = profile
  const n = D.length
  const d = D[n - 1]!
  const [a, b] = [H[0]! + nearM, H[n - 1]! + farM]
  let worst: PathClearance & { share: number } = { kind: 'clear', overM: -Infinity, atKm: 0, share: Infinity }
  for (let i = 1; i < n - 1; i++) {
    const di = D[i]!
    const over = H[i]! + bulgeM(di, d - di, k) - (a * (d - di) + b * di) / d
    const own = (nearM * (d - di) + farM * di) / d
    const wanted = Math.min(CLEAR_SHARE * fresnelM(frequencyMHz, di, d - di), own)
    const share = -over / wanted
    if (share < worst.share) worst = { kind: 'clear', overM: over, atKm: di, share }
  }
  const { share, ...rest } = worst
  return { ...rest, kind: share < 0 ? 'shadowed' : share < 0.999 ? 'grazing' : 'clear' }
}

/** Least height of the far antenna that the near one has in sight, the ground just touching the line, m over its ground. */
export function inSightHeightM(profile: Profile, nearM: number, k = USUAL_K): number {
  const { distancesKm: D, heightsM: H } = profile
  const n = D.length
  const d = D[n - 1]!
  const near = H[0]! + nearM
  let needed = -Infinity
  for (let i = 1; i < n - 1; i++) {
    const di = D[i]!
    needed = Math.max(needed, ((H[i]! + bulgeM(di, d - di, k)) * d - near * (d - di)) / di)
  }
  return Math.max(0, needed - H[n - 1]!)
}

/**
 * Least height of the near antenna that clears 0.6 of the first Fresnel zone over the profile, m over its
 * ground: max over i of (h_i + bulge + 0.6 F1 - h_rs d_i/d) d/(d - d_i) less the ground. In the far half no
 * more is asked than the far antenna stands over its own ground, else an antenna at 1.5 m asks for a mast of 300 m.
 */
export function clearingHeightM(profile: Profile, farM: number, frequencyMHz: number, k = USUAL_K): number {
  const { distancesKm: D, heightsM: H } = profile
  const n = D.length
  const d = D[n - 1]!
  const far = H[n - 1]! + farM
  let needed = -Infinity
  for (let i = 1; i < n - 1; i++) {
    const di = D[i]!
    const zone = CLEAR_SHARE * fresnelM(frequencyMHz, di, d - di)
    const asked = bulgeM(di, d - di, k) + zone
    const over = d - di < di ? Math.min(asked, farM) : asked
    needed = Math.max(needed, ((H[i]! + over - (far * di) / d) * d) / (d - di))
  }
  return Math.max(0, needed - H[0]!)
}

/** Heights between which a mast is looked for, m. */
const [MIN_MAST_M, MAX_MAST_M] = [0.5, 200]

/**
 * Least height of the near antenna at which diffraction costs no more than so many dB; null where no mast
 * brings it there.
 * @param lossDb the usual 6 dB is the ground just touching the sight line
 */
export function mastForLoss(
  profile: Profile,
  farM: number,
  path: DiffractionPath,
  lossDb = 6,
): number | null {
  const loss = (h: number) => deltaBullingtonLoss(profile, h, farM, path).lossDb
  if (loss(MAX_MAST_M) > lossDb) return null
  let [low, high] = [MIN_MAST_M, MAX_MAST_M]
  if (loss(low) <= lossDb) return low
  for (let i = 0; i < 24; i++) {
    const middle = (low + high) / 2
    if (loss(middle) > lossDb) low = middle
    else high = middle
  }
  return high
}
