import { normalCdf, normalQuantile } from '@/core/stats/numeric/normal'

/** Where one walk lost the link: heard this far out, lost by there, m; an open end is null. */
export interface EdgeWalk {
  heardToM: number | null
  lostByM: number | null
}

export interface EdgeReach {
  /** Median reach over walks like these, m, with its 90 % interval; an end that the walks leave open is null. */
  medianM: number
  lowM: number | null
  highM: number | null
  /** The reach of which nine walks in ten come short at most: the one to count on, m. */
  ninetyM: number
  walks: number
}

/**
 * Weak prior of the spread of ln reach between walks: about a factor of 1.3, since one to three walks have
 * none of their own.
 */
const EDGE_SPREAD_PRIOR = { median: 0.26, factor: 1.8 } as const

/**
 * Reach from walks to the edge: interval-censored, log-normal, ln reach ~ N(μ, σ²), μ flat, ln σ normal about
 * the stated prior, on a grid. A walk that was never lost says "at least", one never heard "less than".
 * @returns null where no walk bounds the reach from either side
 */
export function edgeReach(walks: readonly EdgeWalk[]): EdgeReach | null {
  const told = walks.filter((w) => w.heardToM !== null || w.lostByM !== null)
  const ends = told.flatMap((w) => [w.heardToM, w.lostByM]).filter((v): v is number => v !== null && v > 0)
  if (ends.length === 0) return null
  const [first, last] = [Math.log(Math.min(...ends)) - 2, Math.log(Math.max(...ends)) + 2]
  const n = 241
  const mus = Array.from({ length: n }, (_, i) => first + ((last - first) * i) / (n - 1))
  const logSpread = Math.log(EDGE_SPREAD_PRIOR.factor)
  const sigmas = Array.from(
    { length: 13 },
    (_, i) => EDGE_SPREAD_PRIOR.median * Math.exp((i - 6) * 0.4 * logSpread),
  )
  const weight = mus.map(() => 0)
  const ninety: { v: number; w: number }[] = []
  for (const sigma of sigmas) {
    const prior = Math.exp(-0.5 * (Math.log(sigma / EDGE_SPREAD_PRIOR.median) / logSpread) ** 2)
    mus.forEach((mu, i) => {
      const z = (m: number) => (Math.log(m) - mu) / sigma
      const w = told.reduce(
        (p, { heardToM, lostByM }) =>
          p *
          Math.max(
            1e-12,
            (lostByM === null ? 1 : normalCdf(z(lostByM))) - (heardToM === null ? 0 : normalCdf(z(heardToM))),
          ),
        prior,
      )
      weight[i]! += w
      ninety.push({ v: mu - normalQuantile(0.9) * sigma, w })
    })
  }
  const total = weight.reduce((s, v) => s + v, 0)
  const at = (p: number) => {
    let sum = 0
    const i = weight.findIndex((v) => (sum += v) >= p * total)
    return Math.exp(mus[Math.max(0, i)]!)
  }
  ninety.sort((a, b) => a.v - b.v)
  let sum = 0
  const middle = ninety.find((q) => (sum += q.w) >= total / 2)!
  return {
    medianM: at(0.5),
    lowM: told.some((w) => w.heardToM !== null) ? at(0.05) : null,
    highM: told.some((w) => w.lostByM !== null) ? at(0.95) : null,
    ninetyM: Math.exp(middle.v),
    walks: told.length,
  }
}
