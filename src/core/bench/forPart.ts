import { turnDeg } from '@/core/geo'
import { velocityFactorOf, type LeadMeasured } from './line'
import { readings, type Sweep } from './sweep'
import { pointsOf, type TurnReading } from './turn'

/** The most points of a sweep that a part keeps; a budget reads between them. */
const MOST_SWR = 81
/** Above this an SWR says no more than that the antenna does not work there. */
const HIGHEST_SWR = 99

/** A sweep as a part keeps it: SWR at frequencies, evenly thinned, the ends and the best point kept. */
export function swrPointsOf(s: Sweep): { frequencyMHz: number; swr: number }[] {
  const all = readings(s)
  const best = all.reduce((b, r, i) => (r.size < all[b]!.size ? i : b), 0)
  const every = Math.ceil((all.length - 1) / (MOST_SWR - 1)) || 1
  return all
    .filter((_, i) => i % every === 0 || i === all.length - 1 || i === best)
    .map((r) => ({
      frequencyMHz: Number(r.frequencyMHz.toPrecision(8)),
      swr: Number(Math.min(HIGHEST_SWR, Math.max(1, r.swr)).toFixed(3)),
    }))
}

/** A turn as a part keeps it: dB below the strongest, by angle from it. */
export function patternPointsOf(turned: readonly TurnReading[]): { angleDeg: number; db: number }[] {
  const points = pointsOf(turned)
  const top = points.reduce((a, b) => (b.db > a.db ? b : a))
  return points
    .map((p) => ({
      angleDeg: Number(turnDeg(p.angleDeg - top.angleDeg).toFixed(2)),
      db: Number((p.db - top.db).toFixed(2)),
    }))
    .sort((a, b) => a.angleDeg - b.angleDeg)
}

/** The most points of a data sheet that a lead keeps. */
const MOST_LEAD_POINTS = 12

/**
 * A lead as a part keeps it: loss by the hundred metres over frequency, and its velocity factor.
 * @param lengthM by the tape, above 0
 */
export function leadPointsOf(m: LeadMeasured, lengthM: number) {
  const every = Math.max(1, Math.ceil(m.frequencyMHz.length / MOST_LEAD_POINTS))
  return {
    points: m.frequencyMHz.flatMap((f, i) =>
      i % every === 0 && m.lossDb[i]! > 0
        ? [
            {
              frequencyMHz: Number(f.toPrecision(6)),
              dbPer100m: Number(((m.lossDb[i]! / lengthM) * 100).toFixed(2)),
            },
          ]
        : [],
    ),
    velocityFactor: Number(Math.min(1, velocityFactorOf(lengthM, m.electricalM)).toFixed(3)),
  }
}
