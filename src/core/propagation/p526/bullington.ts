import { knifeEdgeLoss } from './knifeEdge'

/** A profile: distances from the near end, km, and heights over the sea, m; as many of each, the ends included. */
export interface Profile {
  distancesKm: ArrayLike<number>
  heightsM: ArrayLike<number>
}

/** What the Bullington construction found. */
export interface BullingtonPath {
  lossDb: number
  nu: number
  /** The far end is seen over the ground. */
  inSight: boolean
  /** Index of the point that rules: the nearest to the sight line, or what bounds the view from the near end. */
  rules: number
}

/** Loss of the one edge that stands for a path of d km, and what is added with its length, dB. */
export function edgeWithDistance(nu: number, d: number): number {
  const edge = knifeEdgeLoss(nu)
  if (edge === 0) return 0
  return edge + (1 - Math.exp(-edge / 6)) * (10 + 0.02 * d)
}

/**
 * The Bullington part of the method of ITU-R P.526-15, dB.
 * @param nearM, farM antenna heights over the sea, m
 * @param flat counts every height as 0, for the smooth path
 * @param radiusKm effective radius of the earth
 */
export function bullingtonLoss(
  profile: Profile,
  nearM: number,
  farM: number,
  at: { frequencyMHz: number; radiusKm: number; flat?: boolean },
): BullingtonPath {
  const { distancesKm, heightsM } = profile
  const n = distancesKm.length
  const d = distancesKm[n - 1]!
  const lambda = 299.792458 / at.frequencyMHz
  const half = 500 / at.radiusKm
  const height = (i: number) => (at.flat ? 0 : heightsM[i]!)
  let steepest = -Infinity
  let rules = -1
  for (let i = 1; i < n - 1; i++) {
    const di = distancesKm[i]!
    const slope = (height(i) + half * di * (d - di) - nearM) / di
    if (slope > steepest) {
      steepest = slope
      rules = i
    }
  }
  const straight = (farM - nearM) / d
  let nu = -Infinity
  const inSight = steepest < straight
  if (inSight) {
    for (let i = 1; i < n - 1; i++) {
      const di = distancesKm[i]!
      const over = height(i) + half * di * (d - di) - (nearM * (d - di) + farM * di) / d
      const v = over * Math.sqrt((0.002 * d) / (lambda * di * (d - di)))
      if (v > nu) {
        nu = v
        rules = i
      }
    }
  } else {
    let back = -Infinity
    for (let i = 1; i < n - 1; i++) {
      const di = distancesKm[i]!
      const slope = (height(i) + half * di * (d - di) - farM) / (d - di)
      if (slope > back) back = slope
    }
    const db = (farM - nearM + back * d) / (steepest + back)
    nu =
      (nearM + steepest * db - (nearM * (d - db) + farM * db) / d) *
      Math.sqrt((0.002 * d) / (lambda * db * (d - db)))
  }
  return { lossDb: edgeWithDistance(nu, d), nu, inSight, rules }
}
