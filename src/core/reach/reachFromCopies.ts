import { groupedBy } from '@/core/groupedBy'
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

const COARSE = 4

/**
 * Largest log likelihood over slopes of nought or more (chance falls with distance): among the listed ones,
 * then at the top of the parabola through the best and those beside it, and twice more nearer by. The value
 * is flat at its top, so that is enough.
 * @param near place among {@link SLOPES} of the best one next door; looked for from there as long as it gets
 *   better, else among all
 */
function bestSlope(f: (slope: number) => number, near: number | null): { at: number; value: number } {
  const last = SLOPES.length - 1
  const values = new Map<number, number>()
  const listed = (i: number) => {
    if (!values.has(i)) values.set(i, f(SLOPES[i]!))
    return values.get(i)!
  }
  let at = near ?? 0
  if (near === null) {
    for (let i = 1; i <= last; i++) if (listed(i) > listed(at)) at = i
  } else {
    for (const step of [-1, 1])
      for (let i = near + step, missed = 0; i >= 0 && i <= last && missed < 2; i += step)
        if (listed(i) > listed(at)) at = i
        else missed++
  }
  type Point = { x: number; y: number }
  const point = (i: number): Point => ({ x: SLOPES[i]!, y: listed(i) })
  const halfway = (i: number, k: number): Point => {
    const x = (SLOPES[i]! + SLOPES[k]!) / 2
    return { x, y: f(x) }
  }
  let three: [Point, Point, Point] =
    at === 0
      ? [point(0), halfway(0, 1), point(1)]
      : at === last
        ? [point(last - 1), halfway(last - 1, last), point(last)]
        : [point(at - 1), point(at), point(at + 1)]
  let best = Math.max(...three.map((p) => p.y))
  for (let round = 0; round < 3; round++) {
    const x = topOfParabola(...three)
    if (!(x > three[0].x && x < three[2].x) || Math.abs(x - three[1].x) < 1e-9) break
    const found = { x, y: f(x) }
    best = Math.max(best, found.y)
    const all = [...three, found].sort((p, q) => p.x - q.x)
    const highest = all.findIndex((p) => p.y === best)
    const top = Math.max(1, Math.min(2, highest))
    three = [all[top - 1]!, all[top]!, all[top + 1]!]
  }
  return { at, value: best }
}

function topOfParabola(a: { x: number; y: number }, b: typeof a, c: typeof a): number {
  const [left, right] = [(b.y - a.y) / (b.x - a.x), (c.y - b.y) / (c.x - b.x)]
  const bend = (right - left) / (c.x - a.x)
  return bend < 0 ? (a.x + b.x) / 2 - left / (2 * bend) : b.x
}

/** From here on marks that lie next to each other and tell the same are put together. */
const MANY_MARKS = 200
/** How far apart such marks may be, decades: a fiftieth of the distance. */
const TOGETHER = 0.01

/**
 * Marks within a hundredth of a decade with the same copies of the same tries: one at their mean, with how
 * many there are.
 */
function gathered(marks: readonly MarkCount[]): MarkCount[] {
  const alike = [...groupedBy(marks, (m) => `${Math.floor(m.x / TOGETHER)} ${m.copied}/${m.tries}`).values()]
  return alike.map((items) => ({
    ...items[0]!,
    x: items.reduce((sum, m) => sum + m.x, 0) / items.length,
    marks: items.length,
  }))
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

  const told = list.length > MANY_MARKS ? gathered(list) : list
  const outcomes: Outcome[] = told.map((m) => ({ x: m.x, copied: m.copied === 1, times: m.marks }))
  const logit = Math.log(chance / (1 - chance))
  const probit = single ? null : repeatedProbit(told, chance)
  const n = probit ? 72 : 144
  const [from, to] = [first - 0.9, last + 0.9]
  const placeAt = (i: number) => from + ((to - from) * i) / n
  const found = new Map<number, { at: number; value: number }>()
  /** The profile at a place, its slope looked for near that of the last one. */
  let near: number | null = null
  const log = (i: number): number => {
    const old = found.get(i)
    if (old) return old.value
    const place = placeAt(i)
    const made = bestSlope(
      (slope) =>
        probit ? probit(place, slope) : penalisedLogLikelihood(outcomes, logit + slope * place, -slope),
      near,
    )
    near = made.at
    found.set(i, made)
    return made.value
  }
  // Every fourth place shows where the top is; from there it goes outwards to where the profile is cut.
  let at = 0
  for (let i = 0; i <= n; i += COARSE) if (log(i) > log(at)) at = i
  for (let i = Math.max(0, at - COARSE), end = Math.min(n, at + COARSE); i <= end; i++)
    if (log(i) > log(at)) at = i
  const cut = log(at) - HALF_CHI_SQUARE_90
  const crossing = (step: 1 | -1): number | null => {
    near = found.get(at)!.at
    for (let i = at; i + step >= 0 && i + step <= n; i += step)
      if (log(i + step) < cut) {
        const f = (log(i) - cut) / (log(i) - log(i + step))
        return placeAt(i) + f * (placeAt(i + step) - placeAt(i))
      }
    return null
  }
  const [low, high] = [crossing(-1), crossing(1)]
  const settled = result.seen === 'some copied' && at > 0 && at < n
  const estimate = settled ? peak([at - 1, at, at + 1].map(log), [placeAt(at), placeAt(at + 1)]) : null
  return {
    ...result,
    estimateM: estimate === null ? null : 10 ** estimate,
    lowM: low === null ? null : 10 ** low,
    highM: high === null ? null : 10 ** high,
    extrapolated: estimate !== null && (estimate < first || estimate > last),
  }
}

/** The top of a parabola through a place and its neighbours. @param places of the middle one and the next */
function peak(logs: readonly number[], places: readonly number[]): number {
  const [a, b, c] = logs as [number, number, number]
  const bend = a - 2 * b + c
  const shift = bend < 0 ? (0.5 * (a - c)) / bend : 0
  return places[0]! + Math.max(-0.5, Math.min(0.5, shift)) * (places[1]! - places[0]!)
}

const NONE_OPEN = (r: Reach) => (r.seen === 'none copied' ? 0 : (r.estimateM ?? Infinity))

/** The usable reach: the worse of the two directions, each with its own interval. */
export function worseReach(a: Reach, b: Reach): Reach {
  return NONE_OPEN(a) <= NONE_OPEN(b) ? a : b
}
