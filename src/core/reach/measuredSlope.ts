import { normalCdf, normalPdf } from '@/core/stats/numeric/normal'

/** One report as an interval in dB at a distance; reports of one group share their level at 1 km. */
export interface LevelAt {
  markId: string
  /** A link in a direction. */
  group: string
  distanceM: number
  lower: number
  upper: number
}

/** How the level falls on this ground. */
export interface MeasuredSlope {
  /** n: the level falls by 10 n dB a decade of distance. */
  slope: number
  /** 90 % interval, by leaving out one mark at a time. */
  low: number
  high: number
  /** Spread of levels about the line, dB. */
  spreadDb: number
  marks: number
  reports: number
}

/** Fewest marks for a slope to be quoted. */
const MIN_MARKS = 5
const ROUNDS = 400
const NARROWEST_DB = 0.5

interface Fit {
  slope: number
  spreadDb: number
}

/** Mean and variance of a normal level within an interval. */
function within(mean: number, sd: number, lower: number, upper: number): { mean: number; variance: number } {
  const [a, b] = [(lower - mean) / sd, (upper - mean) / sd]
  const mass = normalCdf(b) - normalCdf(a)
  if (mass < 1e-12) {
    // So far out that the interval's near edge is where the level has to be.
    const edge = a > 0 ? lower : upper
    return { mean: edge, variance: 0 }
  }
  const [pa, pb] = [Number.isFinite(a) ? normalPdf(a) : 0, Number.isFinite(b) ? normalPdf(b) : 0]
  const first = (pa - pb) / mass
  const second = ((Number.isFinite(a) ? a * pa : 0) - (Number.isFinite(b) ? b * pb : 0)) / mass
  return { mean: mean + sd * first, variance: Math.max(0, sd * sd * (1 + second - first * first)) }
}

/** Interval regression by expectation and maximisation: level = a(group) - 10 n lg d, normal about it. */
function fit(levels: readonly LevelAt[]): Fit | null {
  const groups = [...new Set(levels.map((l) => l.group))]
  const of = levels.map((l) => groups.indexOf(l.group))
  const x = levels.map((l) => 10 * Math.log10(l.distanceM / 1000))
  const count = groups.map((_, g) => of.filter((o) => o === g).length)
  const meanX = groups.map(
    (_, g) => levels.reduce((s, _l, i) => (of[i] === g ? s + x[i]! : s), 0) / count[g]!,
  )
  const dx = x.map((v, i) => v - meanX[of[i]!]!)
  const sxx = dx.reduce((s, d) => s + d * d, 0)
  if (!(sxx > 1e-9)) return null
  let slope = 3
  let sd = 8
  let at = levels.map((l) =>
    Number.isFinite(l.lower) && Number.isFinite(l.upper)
      ? (l.lower + l.upper) / 2
      : Number.isFinite(l.lower)
        ? l.lower + 3
        : l.upper - 3,
  )
  for (let round = 0; round < ROUNDS; round++) {
    const meanY = groups.map((_, g) => at.reduce((s, v, i) => (of[i] === g ? s + v : s), 0) / count[g]!)
    slope = -dx.reduce((s, d, i) => s + d * (at[i]! - meanY[of[i]!]!), 0) / sxx
    const line = levels.map((_, i) => meanY[of[i]!]! - slope * dx[i]!)
    const next = levels.map((l, i) => within(line[i]!, sd, l.lower, l.upper))
    const square = next.reduce((s, n, i) => s + (n.mean - line[i]!) ** 2 + n.variance, 0) / levels.length
    const newSd = Math.max(NARROWEST_DB, Math.sqrt(square))
    const moved = Math.max(Math.abs(newSd - sd), ...next.map((n, i) => Math.abs(n.mean - at[i]!)))
    sd = newSd
    at = next.map((n) => n.mean)
    if (moved < 1e-5) break
  }
  return { slope, spreadDb: sd }
}

/**
 * The slope measured on this ground, reports as the intervals that they are: not heard and full scale count. Interval
 * regression (Dempster, Laird and Rubin 1977); its interval by the jackknife over marks, since repeats and
 * directions at one mark are not further evidence.
 * @returns null below {@link MIN_MARKS} marks at different distances, or where nothing bounds the levels
 */
export function measuredSlope(levels: readonly LevelAt[]): MeasuredSlope | null {
  const used = levels.filter((l) => l.distanceM > 0 && (Number.isFinite(l.lower) || Number.isFinite(l.upper)))
  const marks = [...new Set(used.map((l) => l.markId))]
  const bounded = used.filter((l) => Number.isFinite(l.lower) && Number.isFinite(l.upper))
  if (marks.length < MIN_MARKS || new Set(bounded.map((l) => l.markId)).size < MIN_MARKS) return null
  const all = fit(used)
  if (!all) return null
  const without = marks.flatMap((m) => {
    const f = fit(used.filter((l) => l.markId !== m))
    return f ? [f.slope] : []
  })
  const mean = without.reduce((s, v) => s + v, 0) / without.length
  const n = without.length
  const error = Math.sqrt(((n - 1) / n) * without.reduce((s, v) => s + (v - mean) ** 2, 0))
  // 1.7 for the 90 % point of t at some thirty marks; a little wide below, a little narrow above.
  const half = (n > 12 ? 1.7 : 1.9) * error
  return {
    slope: all.slope,
    low: all.slope - half,
    high: all.slope + half,
    spreadDb: all.spreadDb,
    marks: marks.length,
    reports: used.length,
  }
}
