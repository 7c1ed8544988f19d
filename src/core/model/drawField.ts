import { effectiveNumber } from '@/core/stats/numeric/effectiveNumber'
import { seededRandom, type SeededRandom } from '@/core/stats/numeric/seededRandom'
import type { SplitNormal } from '@/core/stats/numeric/splitNormal'
import { doneByTwo, NOBODY, type Laid, type Task } from './byTwo'
import { evenShares } from './evenShares'
import type { Field } from './field'
import { givenShared } from './givenShared'
import { factorAt } from './mode'
import type { Draw, FieldPoint, FitPoint } from './points'
import { axesAbout, SharedProposal } from './sharedProposal'

/** A draw's weight against the approximation that it was drawn from is cut off here. */
const MAX_LN_WEIGHT = 3

/** What a log of so many different reports costs is worth all draws; of more, fewer are made, a third at the least. */
const ALL_DRAWS_TO = 1500
const LEAST_SHARE = 1 / 3

/** How many draws a field is worth, an even number. @param usual of an ordinary log */
function drawsFor({ said }: Field, usual: number): number {
  return 2 * Math.round((usual / 2) * Math.min(1, Math.max(LEAST_SHARE, ALL_DRAWS_TO / said)))
}

/** A point at which draws are made, how many pairs of them, and what their chance begins with. */
interface AskedPoint extends FieldPoint {
  pairs: number
  seed: number
}

/** Draws made at a point, and how likely each is against what it was drawn from. */
interface DrawnAt {
  cuts: Float64Array[]
  made: { x: Float64Array; weight: number }[]
}

interface Ask {
  axes: readonly SplitNormal[]
  points: readonly AskedPoint[]
}

/** Draws at some points, made elsewhere; null for a point at which none could be made. */
export const DRAWS_TASK: Task<Ask, (DrawnAt | null)[]> = {
  name: 'draws',
  work: (field, { axes, points }) => drawnAt(field, axes, points),
  handed: (drawn) => drawn.flatMap((d) => (d ? buffersOf(d.made) : [])),
}

/** What draws lie in, each once. */
export const buffersOf = (draws: readonly { x: Float64Array }[]): ArrayBuffer[] => [
  ...new Set(draws.map((d) => d.x.buffer as ArrayBuffer)),
]

/**
 * Draws of the field. At each point of the spreads what is shared is drawn about the mode, as often as the point's
 * weight has it, in pairs that lie opposite one another. For each of these what links have of their own and the
 * ground are moved to where they are then likeliest, and drawn about it. A draw's weight is the posterior of what is
 * shared, the rest integrated by Laplace's method, over what it was drawn from (Tierney and Kadane 1986; with the rest
 * weighed too, the small misfits of a hundred marks would add up, and hardly a draw be left).
 * @param lent see {@link axesAbout} @param laid who may make some of them
 */
export function drawField(
  field: Field,
  at: readonly FieldPoint[],
  weightOf: ArrayLike<number>,
  usual: number,
  random: SeededRandom,
  { lent, laid = NOBODY }: { lent?: ReadonlyMap<number, SplitNormal>; laid?: Laid } = {},
): { points: FitPoint[]; draws: Draw[]; axes: readonly SplitNormal[]; effective: number } {
  const wanted = drawsFor(field, usual)
  const axes = axesAt(field, at, weightOf, lent)
  // A source of its own for each point, so that one pair more at one leaves the draws of all others as they are.
  const seeds = at.map(() => Math.floor(random.uniform() * 2 ** 31))
  const asked = evenShares(weightOf, wanted / 2).flatMap((pairs, i) =>
    pairs === 0 ? [] : [{ ...at[i]!, weight: weightOf[i]!, pairs, seed: seeds[i]! }],
  )
  const points: FitPoint[] = []
  const made: Draw[] = []
  const weights: number[] = []
  doneByTwo(
    laid,
    DRAWS_TASK,
    asked,
    (p) => p.pairs,
    (some) => ({ axes, points: some }),
    (some) => drawnAt(field, axes, some),
  ).forEach((drawn, i) => {
    if (!drawn) return
    const { theta, spreads, weight, mode } = asked[i]!
    const point = points.push({ theta, spreads, cuts: drawn.cuts, weight, evidence: mode.evidence }) - 1
    for (const { x, weight: of } of drawn.made) {
      made.push({ point, x })
      weights.push(of)
    }
  })
  const times = evenShares(weights, wanted)
  return {
    points,
    draws: made.flatMap((draw, i) => new Array<Draw>(times[i]!).fill(draw)),
    axes,
    effective: effectiveNumber(weights),
  }
}

function drawnAt(
  field: Field,
  axes: readonly SplitNormal[],
  points: readonly AskedPoint[],
): (DrawnAt | null)[] {
  const off = new Float64Array(field.size)
  const chance = new Float64Array(field.layout.size)
  const own = new Float64Array(field.at)
  const proposal = new SharedProposal(field, axes)
  return points.map(({ spreads, mode, pairs, seed }) => {
    const found = factorAt(field, mode, spreads)
    if (!found) return null
    const { factor } = found
    const lnDetShared = factor.lnDetShared()
    const cuts = field.layout.cuts.map((k, d) => field.cutsAt(mode.x, d, new Float64Array(k)))
    const made: DrawnAt['made'] = []
    const source = seededRandom(seed)
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
        const ln = evidence - 0.5 * lnDetShared - mode.evidence - lnProposed
        made.push({ x, weight: Math.exp(Math.min(MAX_LN_WEIGHT, ln)) })
      }
    }
    return { cuts, made }
  })
}

/** Of the proposal of draws, as wide as the posterior is about the likeliest of some points. */
function axesAt(
  field: Field,
  at: readonly FieldPoint[],
  weightOf: ArrayLike<number>,
  lent?: ReadonlyMap<number, SplitNormal>,
): SplitNormal[] {
  const likeliest = at.reduce((best, _, i) => (weightOf[i]! > weightOf[best]! ? i : best), 0)
  const about = at[likeliest]!
  factorAt(field, about.mode, about.spreads)
  return axesAbout(field, about, lent)
}
