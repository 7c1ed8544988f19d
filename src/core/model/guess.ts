import { solveSpd } from '@/core/stats/numeric/cholesky'

/** Nearest points that a guess is made from, and the least that a straight line through them needs. */
const NEAREST = 18
/** Points at no distance do not outweigh all others. */
const SOFT = 0.05
const RIDGE = 1e-3
/** Points to either side are as near as one another, however it is rounded. */
const TIED = 1e-9

interface Known {
  at: Float64Array
  found: Float64Array
  /** Square of its distance from where a guess is made. */
  far: number
}

/**
 * Guesses what belongs to a point from what was found at others: a straight line through the nearest of them, each
 * weighing by its nearness (local linear regression). With few points, what the nearest one has.
 */
export class Guesses {
  private readonly known: Known[] = []

  add(at: Float64Array, found: Float64Array): void {
    this.known.push({ at, found, far: 0 })
  }

  /** @returns null before anything was added */
  guess(at: Float64Array): Float64Array | null {
    const near = this.nearest(at)
    if (near.length === 0) return null
    if (near.length < at.length + 2) return near[0]!.found
    const weights = near.map((k) => 1 / (SOFT + k.far))
    const rows = near.map((k) => [1, ...Array.from(k.at, (v, i) => v - at[i]!)])
    const n = at.length + 1
    const normal = Array.from({ length: n }, (_, i) =>
      Array.from({ length: n }, (__, j) =>
        rows.reduce((s, r, k) => s + weights[k]! * r[i]! * r[j]!, i === j && i > 0 ? RIDGE : 0),
      ),
    )
    const solved = solveSpd(normal, [Array.from({ length: n }, (_, i) => (i === 0 ? 1 : 0))])
    if (!solved) return near[0]!.found
    const guess = new Float64Array(near[0]!.found.length)
    near.forEach(({ found }, k) => {
      const share = weights[k]! * rows[k]!.reduce((s, v, i) => s + v * solved[0]![i]!, 0)
      for (let i = 0; i < guess.length; i++) guess[i]! += share * found[i]!
    })
    return guess
  }

  /** The nearest, nearest first. */
  private nearest(at: Float64Array): Known[] {
    const near: Known[] = []
    for (const known of this.known) {
      let far = 0
      for (let i = 0; i < at.length; i++) far += (known.at[i]! - at[i]!) ** 2
      known.far = far
      if (near.length === NEAREST && far >= near.at(-1)!.far - TIED) continue
      if (near.length === NEAREST) near.pop()
      let k = near.length
      while (k > 0 && near[k - 1]!.far > far + TIED) k--
      near.splice(k, 0, known)
    }
    return near
  }
}
