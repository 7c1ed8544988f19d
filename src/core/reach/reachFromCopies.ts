import { penalisedLogLikelihood, type Outcome } from './firthLogistic'
import { repeatedProbit, type MarkCount } from './repeatedProbit'

/** One check's outcome by the copy rule. */
export interface CopyAt {
  markId: string
  distanceM: number
  copied: boolean
}

export interface Reach {
  method: 'Firth logistic on lg distance' | 'random-intercept probit on lg distance' | 'none'
  /** Chance of the agreed copy, 0 to 1. */
  chance: number
  /** m; null where the reports do not fix it. */
  estimateM: number | null
  /** 5 and 95 per cent points of the profile, m; null is open. */
  lowM: number | null
  highM: number | null
  /** All copied, none copied, or some of each. */
  seen: 'all copied' | 'none copied' | 'some copied' | 'too few marks'
  nearestM: number
  farthestM: number
  /** The estimate lies beyond the marks on either side. */
  extrapolated: boolean
  marks: number
}

const HALF_CHI_SQUARE_90 = 1.3527717270304756
const SLOPES = Array.from({ length: 46 }, (_, i) => (i === 0 ? 0 : 0.4 * 1.13 ** i))

/** Largest log likelihood over slopes of nought or more (chance falls with distance), refined around the best. */
function bestSlope(f: (slope: number) => number): number {
  let at = 0
  let best = -Infinity
  SLOPES.forEach((s, i) => {
    const v = f(s)
    if (v > best) {
      best = v
      at = i
    }
  })
  let low = SLOPES[Math.max(0, at - 1)]!
  let high = SLOPES[Math.min(SLOPES.length - 1, at + 1)]!
  for (let i = 0; i < 12; i++) {
    const a = low + (high - low) * 0.382
    const b = low + (high - low) * 0.618
    if (f(a) > f(b)) high = b
    else low = a
  }
  return Math.max(best, f((low + high) / 2))
}

/**
 * Reach from copies: the distance at which the chance of the agreed copy falls to the stated one, with its 90 %
 * profile interval whose ends may be open. One check a mark: logistic with Firth's penalty; several: a penalised
 * random-intercept probit by mark, quoted as the marginal chance.
 * @param checks outcomes; distances above 0 m
 * @param chance 0 to 1
 */
export function reachFromCopies(checks: readonly CopyAt[], chance: number): Reach {
  const marks = new Map<string, MarkCount>()
  for (const c of checks) {
    const m = marks.get(c.markId) ?? { x: Math.log10(c.distanceM), copied: 0, tries: 0 }
    m.tries++
    if (c.copied) m.copied++
    marks.set(c.markId, m)
  }
  const list = [...marks.values()]
  const xs = list.map((m) => m.x)
  const [first, last] = [Math.min(...xs), Math.max(...xs)]
  const copied = list.reduce((s, m) => s + m.copied, 0)
  const result: Reach = {
    method: 'none',
    chance,
    estimateM: null,
    lowM: null,
    highM: null,
    seen: copied === checks.length ? 'all copied' : copied === 0 ? 'none copied' : 'some copied',
    nearestM: list.length ? 10 ** first : 0,
    farthestM: list.length ? 10 ** last : 0,
    extrapolated: false,
    marks: list.length,
  }
  if (list.length < 4 || !(last > first)) return { ...result, seen: 'too few marks' }
  const single = list.every((m) => m.tries === 1)
  result.method = single ? 'Firth logistic on lg distance' : 'random-intercept probit on lg distance'

  const outcomes: Outcome[] = list.map((m) => ({ x: m.x, copied: m.copied === 1 }))
  const logit = Math.log(chance / (1 - chance))
  const probit = single ? null : repeatedProbit(list, chance)
  const profile = (place: number) =>
    bestSlope((slope) =>
      probit ? probit(place, slope) : penalisedLogLikelihood(outcomes, logit + slope * place, -slope),
    )
  const n = probit ? 72 : 144
  const [from, to] = [first - 0.9, last + 0.9]
  const places = Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n)
  const logs = places.map(profile)
  const top = Math.max(...logs)
  const at = logs.indexOf(top)
  const cut = top - HALF_CHI_SQUARE_90
  const cross = (i: number, j: number) => {
    const f = (logs[i]! - cut) / (logs[i]! - logs[j]!)
    return places[i]! + f * (places[j]! - places[i]!)
  }
  let low: number | null = null
  for (let i = at; i > 0; i--)
    if (logs[i - 1]! < cut) {
      low = cross(i, i - 1)
      break
    }
  let high: number | null = null
  for (let i = at; i < n; i++)
    if (logs[i + 1]! < cut) {
      high = cross(i, i + 1)
      break
    }
  const settled = result.seen === 'some copied' && at > 0 && at < n
  const estimate = settled ? peak(places, logs, at) : null
  return {
    ...result,
    estimateM: estimate === null ? null : 10 ** estimate,
    lowM: low === null ? null : 10 ** low,
    highM: high === null ? null : 10 ** high,
    extrapolated: estimate !== null && (estimate < first || estimate > last),
  }
}

function peak(places: readonly number[], logs: readonly number[], at: number): number {
  const [a, b, c] = [logs[at - 1]!, logs[at]!, logs[at + 1]!]
  const bend = a - 2 * b + c
  const shift = bend < 0 ? (0.5 * (a - c)) / bend : 0
  return places[at]! + Math.max(-0.5, Math.min(0.5, shift)) * (places[1]! - places[0]!)
}

const NONE_OPEN = (r: Reach) => (r.seen === 'none copied' ? 0 : (r.estimateM ?? Infinity))

/** The usable reach: the worse of the two directions, each with its own interval. */
export function worseReach(a: Reach, b: Reach): Reach {
  return NONE_OPEN(a) <= NONE_OPEN(b) ? a : b
}
