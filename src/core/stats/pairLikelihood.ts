import type { LevelCell } from './levelCell'
import { quickMeanExcess } from './quickMeanExcess'

/** H(x) = σ G((x-δ)/σ): the mean of max(0, x - δ + e), e ~ N(0, σ²). */
const above = (x: number, delta: number, sd: number) => sd * quickMeanExcess((x - delta) / sd)
/** H'(x) = σ G((δ-x)/σ). */
const below = (x: number, delta: number, sd: number) => sd * quickMeanExcess((delta - x) / sd)

function softer(spreadDb: number, softA: number, softB: number): number {
  if (softA === 0 && softB === 0) return spreadDb
  return Math.sqrt(spreadDb * spreadDb + softA * softA + softB * softB)
}

/**
 * Likelihood of one mark's pair of reports, the mark's own level free (flat), in closed form:
 * A's level is s + δ + eA, B's is s + eB, integrated over s.
 *
 * Up to a constant factor. Source: the plan's paired interval likelihood; checked in the tests against
 * brute-force integration.
 * @param a report of link A, dB
 * @param b report of link B, dB
 * @param delta difference A - B, dB
 * @param spreadDb σd, the spread of the difference at a mark, dB, above nought
 * @returns likelihood above nought, or 1 where both reports are open at the same end (they say nothing)
 */
export function pairLikelihood(a: LevelCell, b: LevelCell, delta: number, spreadDb: number): number {
  const aLow = Number.isFinite(a.lower)
  const aHigh = Number.isFinite(a.upper)
  const bLow = Number.isFinite(b.lower)
  const bHigh = Number.isFinite(b.upper)
  const uu = softer(spreadDb, a.softDb, b.softDb)
  const ul = softer(spreadDb, a.softDb, 0)
  const lu = softer(spreadDb, 0, b.softDb)
  let value: number
  if (aLow && aHigh && bLow && bHigh) {
    // The four linear parts cancel, so the side on which G stays small is taken: no loss of digits far out.
    const middle = (a.lower + a.upper - b.lower - b.upper) / 2
    const H = middle > delta ? below : above
    value =
      H(a.upper - b.lower, delta, ul) -
      H(a.lower - b.lower, delta, spreadDb) -
      H(a.upper - b.upper, delta, uu) +
      H(a.lower - b.upper, delta, lu)
  } else if (aLow && !bLow && bHigh) {
    value =
      below(a.lower - b.upper, delta, aHigh ? lu : uu) - (aHigh ? below(a.upper - b.upper, delta, uu) : 0)
  } else if (bLow && !aLow && aHigh) {
    value =
      above(a.upper - b.lower, delta, bHigh ? ul : uu) - (bHigh ? above(a.upper - b.upper, delta, uu) : 0)
  } else if (aLow && !aHigh && bLow && bHigh) {
    value = below(a.lower - b.upper, delta, uu) - below(a.lower - b.lower, delta, ul)
  } else if (bLow && !bHigh && aLow && aHigh) {
    value = above(a.upper - b.lower, delta, uu) - above(a.lower - b.lower, delta, lu)
  } else {
    return 1
  }
  return Math.max(value, 1e-300)
}
