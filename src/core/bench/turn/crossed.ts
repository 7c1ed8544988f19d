import { minimise } from '@/core/stats'
import { polarisationLossDb } from '@/core/rf'
import type { TurnPoint } from './readings'

/** The cosine law laid through levels of two linear antennas turned against each other. */
export interface CosineFit {
  /** Where they are aligned by the levels, degrees from what was written down as 0; -90 to below 90. */
  alignedDeg: number
  /** Cross-polar isolation, dB; `atLeast` where the receiver's floor hides it. */
  isolationDb: number
  atLeast: boolean
  /** Level where they are aligned, dB. */
  levelDb: number
  /** Root mean square of what lies off the law, dB. */
  offDb: number
}

const FEWEST_ANGLES = 4
const MOST_ISOLATION_DB = 50
/** Cosine of the angle from which on two antennas count as crossed: within 15 degrees of it. */
const NEAR_CROSSED = 0.26

/** What a level misses the law by, dB; one at the floor is missed only where the law lies above it. */
const miss = (p: TurnPoint, lawDb: number) => (p.atOrBelow ? Math.max(0, lawDb - p.db) : p.db - lawDb)

/**
 * Fits level - 10 lg(cos²θ + sin²θ · 10^(-X/10)) to levels by angle, least squares in dB, levels at the floor as "at
 * or below".
 * @param points of two linear antennas, four angles or more
 * @returns null of fewer
 */
export function fitCosine(points: readonly TurnPoint[]): CosineFit | null {
  if (points.length < FEWEST_ANGLES) return null
  const cost = ([aligned, isolation, level]: readonly number[]) =>
    isolation! < 0 || isolation! > MOST_ISOLATION_DB
      ? Infinity
      : points.reduce(
          (s, p) => s + miss(p, level! - polarisationLossDb(p.angleDeg - aligned!, isolation!)) ** 2,
          0,
        )
  const top = Math.max(...points.map((p) => p.db))
  // The law has several valleys: begin from each eighth of a half turn.
  const best = Array.from({ length: 8 }, (_, i) =>
    minimise(cost, [i * 22.5, 20, top], [8, 6, 3], 1e-4),
  ).reduce((a, b) => (b.value < a.value ? b : a))
  const [aligned, isolation, level] = best.x as [number, number, number]
  // The level nearest to a right angle tells the isolation; at the floor it only tells how much it is at least.
  const offCrossed = (p: TurnPoint) => Math.abs(Math.cos(((p.angleDeg - aligned) * Math.PI) / 180))
  const crossed = points.reduce((a, b) => (offCrossed(b) < offCrossed(a) ? b : a))
  const hidden = crossed.atOrBelow && offCrossed(crossed) < NEAR_CROSSED
  return {
    alignedDeg: ((((aligned + 90) % 180) + 180) % 180) - 90,
    isolationDb: hidden ? Math.min(isolation, level - crossed.db) : isolation,
    atLeast: hidden || isolation > MOST_ISOLATION_DB - 1,
    levelDb: level,
    offDb: Math.sqrt(best.value / points.length),
  }
}

/** Angle between two linear antennas at which so much is lost; null where the isolation never lets it. */
export function angleLosing(lossDb: number, isolationDb: number): number | null {
  const [wanted, cross] = [10 ** (-lossDb / 10), 10 ** (-isolationDb / 10)]
  if (wanted < cross) return null
  const sine = (1 - wanted) / (1 - cross)
  return sine > 1 ? null : (Math.asin(Math.sqrt(sine)) * 180) / Math.PI
}
