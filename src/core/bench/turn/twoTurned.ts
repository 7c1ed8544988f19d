import { studentQuantile } from '@/core/stats'
import { beamDoubtDeg } from './beamDoubt'
import type { PatternFigures } from './pattern'
import { patternFigures } from './pattern'
import { pointsOf, repeatability, type TurnReading } from './readings'

/** Which of two does a thing better, or that it cannot be told. */
export interface PurposeVerdict {
  purpose: 'hears farther' | 'points sharper' | 'deeper null'
  better: 'first' | 'second' | 'cannot tell'
  /** First less second: dB, degrees (narrower is better), dB. Null where one of them has none. */
  by: number | null
  /** How far it may be off, the same unit (90 %); null where nothing was repeated. */
  off: number | null
  /** Why it cannot be told; empty where it can. */
  why: string
}

/** What may differ between two set-ups besides the antennas, and is taken out: dB, positive makes it weaker. */
export interface Evened {
  firstLossDb: number
  secondLossDb: number
}

const NOTHING_REPEATED = 'nothing was read twice, so nobody knows how well the readings repeat'

/**
 * Two antennas turned at the same spot before the same source, for each purpose by itself: a mean over all angles would
 * answer none of them.
 * @returns null where one of them has no pattern all round
 */
export function twoTurned(
  first: readonly TurnReading[],
  second: readonly TurnReading[],
  evened: Evened,
): PurposeVerdict[] | null {
  const [a, b] = [patternFigures(pointsOf(first)), patternFigures(pointsOf(second))]
  if (!a || !b) return null
  const [ra, rb] = [repeatability(first), repeatability(second)]
  const free = (ra?.free ?? 0) + (rb?.free ?? 0)
  const sd =
    free > 0
      ? Math.sqrt(((ra?.sdDb ?? 0) ** 2 * (ra?.free ?? 0) + (rb?.sdDb ?? 0) ** 2 * (rb?.free ?? 0)) / free)
      : null
  // Half of the 90 % interval of a mean of one angle, of each.
  const off = (r: readonly TurnReading[]) =>
    sd === null ? null : studentQuantile(0.95, free) * sd * Math.sqrt(pointsOf(r).length / r.length)
  const [offA, offB] = [off(first), off(second)]
  const half = offA === null || offB === null ? null : Math.hypot(offA, offB)
  return [hearsFarther(a, b, evened, half), pointsSharper(a, b, offA, offB), deeperNull(a, b, half)]
}

function verdictOf(
  purpose: PurposeVerdict['purpose'],
  by: number,
  off: number | null,
  firstIsBetter: boolean,
): PurposeVerdict {
  if (off === null) return { purpose, better: 'cannot tell', by, off, why: NOTHING_REPEATED }
  if (Math.abs(by) <= off)
    return { purpose, better: 'cannot tell', by, off, why: 'they differ by no more than the readings repeat' }
  return { purpose, better: firstIsBetter ? 'first' : 'second', by, off, why: '' }
}

function hearsFarther(a: PatternFigures, b: PatternFigures, e: Evened, half: number | null): PurposeVerdict {
  const by = a.peakDb + e.firstLossDb - (b.peakDb + e.secondLossDb)
  return verdictOf('hears farther', by, half, by > 0)
}

function pointsSharper(
  a: PatternFigures,
  b: PatternFigures,
  offA: number | null,
  offB: number | null,
): PurposeVerdict {
  const none = (why: string): PurposeVerdict => ({
    purpose: 'points sharper',
    better: 'cannot tell',
    by: null,
    off: null,
    why,
  })
  if (!a.beam3 || !b.beam3) return none('one of them falls by 3 dB on no side: it does not point')
  const by = a.beam3.widthDeg - b.beam3.widthDeg
  const [slopeA, slopeB] = [a.sharpness.beam, b.sharpness.beam]
  const off =
    offA === null || offB === null || !slopeA || !slopeB
      ? null
      : Math.hypot(beamDoubtDeg(offA, slopeA), beamDoubtDeg(offB, slopeB))
  return verdictOf('points sharper', by, off, by < 0)
}

function deeperNull(a: PatternFigures, b: PatternFigures, half: number | null): PurposeVerdict {
  const none = (why: string): PurposeVerdict => ({
    purpose: 'deeper null',
    better: 'cannot tell',
    by: null,
    off: null,
    why,
  })
  const deepest = (f: PatternFigures) =>
    f.nulls.reduce((d, x) => (x.depth.db > d.db ? x.depth : d), { db: 0, atLeast: false })
  const [na, nb] = [deepest(a), deepest(b)]
  if (na.db === 0 && nb.db === 0) return none('neither has a null')
  const by = na.db - nb.db
  const shallowerIsFloored = by > 0 ? nb.atLeast : na.atLeast
  if (shallowerIsFloored)
    return { ...none('a null goes below the receiver’s floor, so it is deeper than was seen'), by }
  return verdictOf('deeper null', by, half === null ? null : half * Math.SQRT2, by > 0)
}
