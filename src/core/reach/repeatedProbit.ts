import { normalCdf, normalPdf, normalQuantile } from '@/core/stats/normal'

/** Copies of tries at one mark, at a place on the axis. */
export interface MarkCount {
  x: number
  copied: number
  tries: number
  /** How many such marks; 1 where left out. */
  marks?: number
}

const NODES = Array.from({ length: 25 }, (_, i) => (i - 12) * 0.35)
const ETA_STEP = 0.2
const ETA_END = 24
/** Spreads between marks that are tried, on the probit scale; a half-normal prior with deviation 1.5. */
const SPREADS = [0.05, 0.4, 0.8, 1.3, 2, 3]

const kept = new Map<string, Float64Array>()
/** Counts of one log are few; those of very many logs are not kept for ever. */
const MAX_KEPT = 2000

/** A table that was made once is kept: counts come again and again. */
function tableOf(k: number, n: number, spread: number): Float64Array {
  const key = `${k}/${n} ${spread}`
  const old = kept.get(key)
  if (old) return old
  if (kept.size >= MAX_KEPT) kept.clear()
  const made = table(k, n, spread)
  kept.set(key, made)
  return made
}

/** Log chance of k copies of n at a mark by its linear predictor, the mark's own effect integrated out. */
function table(k: number, n: number, spread: number): Float64Array {
  const size = Math.round((2 * ETA_END) / ETA_STEP) + 1
  return Float64Array.from({ length: size }, (_, i) => {
    const eta = -ETA_END + i * ETA_STEP
    let sum = 0
    for (const v of NODES) {
      const p = normalCdf(eta + spread * v)
      const q = normalCdf(-eta - spread * v)
      sum += normalPdf(v) * p ** k * q ** (n - k) * 0.35
    }
    return Math.log(Math.max(sum, 1e-300))
  })
}

function read(values: Float64Array, eta: number): number {
  const x = Math.min(Math.max((eta + ETA_END) / ETA_STEP, 0), values.length - 1.001)
  const i = Math.floor(x)
  return values[i]! + (x - i) * (values[i + 1]! - values[i]!)
}

/**
 * A penalised random-intercept probit of copies on x: several checks from one spot share that spot, so marks are the
 * units. Gives the log likelihood profile of the place where the marginal chance of copy is `chance`.
 * @param marks counts by mark
 * @param chance marginal chance of copy, 0 to 1
 * @returns a function of (place, slope), the spread between marks maximised over; slope 0 or more, falling with x
 */
export function repeatedProbit(
  marks: readonly MarkCount[],
  chance: number,
): (place: number, slope: number) => number {
  const tables = SPREADS.map((spread) => marks.map((m) => tableOf(m.copied, m.tries, spread)))
  const z = normalQuantile(chance)
  const marginals = new Float64Array(marks.length)
  return (place, slope) => {
    let [s0, s1, s2] = [0, 0, 0]
    marks.forEach((m, i) => {
      const marginal = z - slope * (m.x - place)
      marginals[i] = marginal
      const p = Math.min(Math.max(normalCdf(marginal), 1e-12), 1 - 1e-12)
      const w = ((m.marks ?? 1) * normalPdf(marginal) ** 2) / (p * (1 - p))
      s0 += w
      s1 += w * m.x
      s2 += w * m.x * m.x
    })
    const penalty = 0.5 * Math.log(Math.max(s0 * s2 - s1 * s1, 1e-300))
    let best = -Infinity
    SPREADS.forEach((spread, s) => {
      const widen = Math.sqrt(1 + spread * spread)
      let log = penalty - 0.5 * (spread / 1.5) ** 2
      marks.forEach((m, i) => (log += (m.marks ?? 1) * read(tables[s]![i]!, marginals[i]! * widen)))
      best = Math.max(best, log)
    })
    return best
  }
}
