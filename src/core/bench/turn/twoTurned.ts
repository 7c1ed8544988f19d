import { beamDoubtDeg } from './beamDoubt'
import { patternFigures, type PatternFigures } from './pattern'
import { meanOffDb, pointsOf, repeatability, type TurnReading } from './readings'

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
  const [offA, offB] = offsOf(first, second)
  const half = offA === null || offB === null ? null : Math.hypot(offA, offB)
  return [hearsFarther(a, b, evened, half), pointsSharper(a, b, offA, offB), deeperNull(a, b, half)]
}

/** How far a mean of one angle may be off, dB, of each; by the spread of both, since the receiver was the same. */
function offsOf(
  first: readonly TurnReading[],
  second: readonly TurnReading[],
): [number | null, number | null] {
  const repeats = [first, second].flatMap((r) => repeatability(r) ?? [])
  if (repeats.length === 0) return [null, null]
  const free = repeats.reduce((s, r) => s + r.free, 0)
  const sdDb = Math.sqrt(repeats.reduce((s, r) => s + r.sdDb ** 2 * r.free, 0) / free)
  const off = (r: readonly TurnReading[]) => meanOffDb({ sdDb, free, times: r.length / pointsOf(r).length })
  return [off(first), off(second)]
}

/** A purpose that cannot be told, and why. */
const untold = (
  purpose: PurposeVerdict['purpose'],
  why: string,
  by: number | null = null,
  off: number | null = null,
): PurposeVerdict => ({ purpose, better: 'cannot tell', by, off, why })

function verdictOf(
  purpose: PurposeVerdict['purpose'],
  by: number,
  off: number | null,
  firstIsBetter: boolean,
): PurposeVerdict {
  if (off === null) return untold(purpose, NOTHING_REPEATED, by)
  if (Math.abs(by) <= off) return untold(purpose, 'they differ by no more than the readings repeat', by, off)
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
  if (!a.beam3 || !b.beam3)
    return untold('points sharper', 'one of them falls by 3 dB on no side: it does not point')
  const by = a.beam3.widthDeg - b.beam3.widthDeg
  const [slopeA, slopeB] = [a.sharpness.beam, b.sharpness.beam]
  const off =
    offA === null || offB === null || !slopeA || !slopeB
      ? null
      : Math.hypot(beamDoubtDeg(offA, slopeA), beamDoubtDeg(offB, slopeB))
  return verdictOf('points sharper', by, off, by < 0)
}

function deeperNull(a: PatternFigures, b: PatternFigures, half: number | null): PurposeVerdict {
  const deepest = (f: PatternFigures) =>
    f.nulls.reduce((d, x) => (x.depth.db > d.db ? x.depth : d), { db: 0, atLeast: false })
  const [na, nb] = [deepest(a), deepest(b)]
  if (na.db === 0 && nb.db === 0) return untold('deeper null', 'neither has a null')
  const by = na.db - nb.db
  const shallowerIsFloored = by > 0 ? nb.atLeast : na.atLeast
  if (shallowerIsFloored)
    return untold('deeper null', 'a null goes below the receiver’s floor, so it is deeper than was seen', by)
  return verdictOf('deeper null', by, half === null ? null : half * Math.SQRT2, by > 0)
}
