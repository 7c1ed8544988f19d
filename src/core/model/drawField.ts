import { effectiveNumber } from '@/core/stats/numeric/effectiveNumber'
import { seededRandom, type SeededRandom } from '@/core/stats/numeric/seededRandom'
import type { SplitNormal } from '@/core/stats/numeric/splitNormal'
import { evenShares } from './evenShares'
import type { Field } from './field'
import { givenShared } from './givenShared'
import { factorAt } from './mode'
import type { Draw, FieldPoint, FitPoint } from './points'
import { SharedProposal } from './sharedProposal'

/** A draw's weight against the approximation that it was drawn from is cut off here. */
const MAX_LN_WEIGHT = 3

/** What a log of so many different reports costs is worth all draws; of more, fewer are made, a third at the least. */
const ALL_DRAWS_TO = 1500
const LEAST_SHARE = 1 / 3

/** How many draws a field is worth, an even number. @param usual of an ordinary log */
function drawsFor({ said }: Field, usual: number): number {
  return 2 * Math.round((usual / 2) * Math.min(1, Math.max(LEAST_SHARE, ALL_DRAWS_TO / said)))
}

/**
 * Draws of the field. At each point of the spreads what is shared is drawn about the mode, as often as the point's
 * weight has it, in pairs that lie opposite one another. For each of these what links have of their own and the
 * ground are moved to where they are then likeliest, and drawn about it. A draw's weight is the posterior of what is
 * shared, the rest integrated by Laplace's method, over what it was drawn from (Tierney and Kadane 1986; with the rest
 * weighed too, the small misfits of a hundred marks would add up, and hardly a draw be left).
 * @param lent see {@link SharedProposal}
 */
export function drawField(
  field: Field,
  at: readonly FieldPoint[],
  weightOf: ArrayLike<number>,
  usual: number,
  random: SeededRandom,
  lent?: ReadonlyMap<number, SplitNormal>,
): { points: FitPoint[]; draws: Draw[]; axes: readonly SplitNormal[]; effective: number } {
  const wanted = drawsFor(field, usual)
  const points: FitPoint[] = []
  const made: Draw[] = []
  const weights: number[] = []
  const off = new Float64Array(field.size)
  const chance = new Float64Array(field.layout.size)
  const own = new Float64Array(field.at)
  const proposal = proposalAt(field, at, weightOf, lent)
  // A source of its own for each point, so that one pair more at one leaves the draws of all others as they are.
  const sources = at.map(() => seededRandom(Math.floor(random.uniform() * 2 ** 31)))
  evenShares(weightOf, wanted / 2).forEach((pairs, i) => {
    if (pairs === 0) return
    const { theta, spreads, mode } = at[i]!
    const found = factorAt(field, mode, spreads)
    if (!found) return
    const { factor } = found
    const lnDetShared = factor.lnDetShared()
    const cuts = field.layout.cuts.map((k, d) => field.cutsAt(mode.x, d, new Float64Array(k)))
    const point = points.push({ theta, spreads, cuts, weight: weightOf[i]!, evidence: mode.evidence }) - 1
    const source = sources[i]!
    for (let k = 0; k < pairs; k++) {
      for (let j = 0; j < chance.length; j++) chance[j] = source.uniform()
      for (let j = 0; j < own.length; j++) own[j] = source.normal()
      for (const opposite of [false, true]) {
        const lnProposed = proposal.draw(mode.x, chance, opposite, off)
        factor.solveUpperPlaces(off)
        const x = mode.x.map((v, j) => v + off[j]!)
        const evidence = givenShared(field, spreads, x)
        if (evidence === null) continue
        const about = own.map((v) => (opposite ? -v : v))
        field.placesFactor.solveUpper(about)
        for (let j = 0; j < about.length; j++) x[j]! += about[j]!
        made.push({ point, x })
        const ln = evidence - 0.5 * lnDetShared - mode.evidence - lnProposed
        weights.push(Math.exp(Math.min(MAX_LN_WEIGHT, ln)))
      }
    }
  })
  const times = evenShares(weights, wanted)
  return {
    points,
    draws: made.flatMap((draw, i) => new Array<Draw>(times[i]!).fill(draw)),
    axes: proposal.axes,
    effective: effectiveNumber(weights),
  }
}

/** The proposal of draws, as wide as the posterior is about the likeliest of some points. */
function proposalAt(
  field: Field,
  at: readonly FieldPoint[],
  weightOf: ArrayLike<number>,
  lent?: ReadonlyMap<number, SplitNormal>,
): SharedProposal {
  const likeliest = at.reduce((best, _, i) => (weightOf[i]! > weightOf[best]! ? i : best), 0)
  const about = at[likeliest]!
  factorAt(field, about.mode, about.spreads)
  return new SharedProposal(field, about, lent)
}
