import type { Place } from '@/core/geo'
import { groupedBy } from '@/core/groupedBy'
import type { Direction } from '@/core/kit/rig/rig'
import { cholesky, inverseSpd } from '@/core/stats/numeric/cholesky'
import { dot } from '@/core/stats/numeric/dot'
import { apartM, asKept, effectsOf, LINK_DB, shadowCovariance, type Correction } from './correction'
import { momentsBehind } from './intervalMoments'

/** What one check says of the margin that was predicted for it. */
export interface MarginSeen {
  checkId: string
  key: string
  direction: Exclude<Direction, 'loop'>
  place: Place
  distanceM: number
  /** The margin that was predicted, dB. */
  predictedDb: number
  /** What is not known of the link's rigs, dB; none where left out. */
  doubtDb?: number
  /**
   * Whose meter it was read on; null where it says that the copy was as agreed (a margin above 0) or was not (below).
   */
  meter: 'base' | 'out' | null
  /** Bounds, dB; of a meter with a zero of its own. */
  lower: number
  upper: number
}

/** Places whose shadowing is learnt at most; more are thinned out evenly. */
const MOST_PLACES = 60
/** Prior spreads of the effects, dB: on the whole, by direction, by tenfold distance, a meter's zero. */
const SHARED_DB = [15, 5, 10, 25, 25] as const
export type Spreads = Pick<Correction, 'shadowDb' | 'shadowM' | 'ownDb' | 'callDb'>

/** Of a correction what it says of how things spread. */
export const spreadsOf = ({ shadowDb, shadowM, ownDb, callDb }: Spreads): Spreads => ({
  ...{ shadowDb, shadowM, ownDb, callDb },
})

interface Tried {
  lnZ: number
  standIns: StandIns
  correction: Correction
}
/** What is tried of shadowing, its reach and the spread of calls, one after another; the likelihood chooses. */
const TRIED: Record<keyof Spreads, readonly number[]> = {
  shadowDb: [3, 4.5, 6, 7.5, 9, 11],
  callDb: [2.5, 4.5],
  ownDb: [1, 2, 3, 4.5],
  shadowM: [150, 300, 600, 1200],
}
/**
 * Shadowing on the whole, and what a link has of its own at a place, dB, and how far they are off that as a logarithm:
 * a few marks tell little of it. The second is as the joint model of the findings takes it.
 */
const USUAL = { shadowDb: [8, 0.3], ownDb: [2, 0.7] } as const
const ORDER = ['shadowDb', 'callDb', 'ownDb', 'shadowM', 'shadowDb'] as const
const FIRST_TRIED: Spreads = { shadowDb: 6, shadowM: 600, ownDb: 2, callDb: 2.5 }

/** ln of how usual spreads are, by what is thought before any check. */
const lnUsual = (spreads: Spreads) =>
  (['shadowDb', 'ownDb'] as const).reduce((sum, key) => {
    const [usual, spread] = USUAL[key]
    return sum - (Math.log(spreads[key] / usual) / spread) ** 2 / 2
  }, 0)

/** A place that has less part in another's shadowing is left out of it. */
const LEAST_WEIGHT = 1e-6
const SWEEPS = 30
const DAMPING = 0.7
const DONE = 1e-3

/** What was seen of one link, direction and place on one meter, or of its copies: they have the same latent. */
interface Site {
  /** Which effects and places it is made of, and how much of each. */
  of: number[]
  by: number[]
  /** How many spreads of a link's own at a place it has: where both ways were seen, their mean has one. */
  own: number
  intervals: { lower: number; upper: number }[]
}

/** @param doubts what is not known of each link's rigs, dB */
const effectSpreads = (doubts: readonly number[]) => [
  ...SHARED_DB,
  ...doubts.map((d) => Math.hypot(LINK_DB[0], d)),
  ...doubts.map(() => LINK_DB[1]),
]

/**
 * What is to be thought of links before any check: nothing is off on the whole, and by how much it may be.
 * @param doubts what is not known of each link's rigs, dB
 */
export function priorCorrection(
  links: readonly string[],
  doubts: readonly number[] = links.map(() => 0),
): Correction {
  const spreads = effectSpreads(doubts)
  return {
    checks: 0,
    marks: 0,
    links: [...links],
    places: [],
    mean: spreads.map(() => 0),
    covariance: spreads.map((s, i) => Array.from({ length: i + 1 }, (_, j) => (i === j ? s * s : 0))),
    ...FIRST_TRIED,
    shadowDb: USUAL.shadowDb[0],
  }
}

/** The prior of effects and places, its inverse and the logarithm of its determinant. */
function priorOf(doubts: readonly number[], places: readonly Place[], shadowDb: number, shadowM: number) {
  const spreads = effectSpreads(doubts)
  const between = shadowCovariance(places, shadowDb, shadowM)
  const placesInverse = places.length > 0 ? inverseSpd(between) : []
  if (placesInverse === null) return null
  const n = spreads.length + places.length
  const precision = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  spreads.forEach((s, i) => (precision[i]![i] = 1 / (s * s)))
  placesInverse.forEach((row, i) =>
    row.forEach((v, j) => (precision[spreads.length + i]![spreads.length + j] = v)),
  )
  const lnDet = spreads.reduce((sum, s) => sum + 2 * Math.log(s), 0) + lnDetOf(between)
  return { precision, placesInverse, lnDet }
}

const lnDetOf = (a: number[][]) => 2 * cholesky(a).reduce((sum, row, i) => sum + Math.log(row[i]!), 0)

type Prior = NonNullable<ReturnType<typeof priorOf>>

/** What stands in for each site: a normal's precision, and that by its mean. */
interface StandIns {
  tau: Float64Array
  nu: Float64Array
}

/**
 * Expectation propagation for intervals seen of linear combinations of a normal vector (Minka 2001; Rasmussen and
 * Williams 2006, 3.6): every interval is stood in for by a normal of its own until nothing moves.
 * @param from what stood in for the same sites under other spreads, to begin with
 */
function propagate(prior: Prior, sites: readonly Site[], { callDb, ownDb }: Spreads, from: StandIns | null) {
  const tau = from?.tau.slice() ?? new Float64Array(sites.length)
  const nu = from?.nu.slice() ?? new Float64Array(sites.length)
  let now = given(prior, sites, { tau, nu })
  if (!now) return null
  let lnZ = -Infinity
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    const { mean, covariance } = now
    let moved = 0
    let part = 0
    for (const [i, { of, by, own, intervals }] of sites.entries()) {
      let [v, m] = [0, 0]
      for (let a = 0; a < of.length; a++) {
        const row = covariance[of[a]!]!
        m += by[a]! * mean[of[a]!]!
        for (let c = 0; c < of.length; c++) v += by[a]! * by[c]! * row[of[c]!]!
      }
      const left = 1 / v - tau[i]!
      if (!(left > 1e-9)) continue
      const [cv, cm] = [1 / left, (m / v - nu[i]!) / left]
      const seen = momentsBehind(cm, cv, own * ownDb, intervals, callDb)
      const [t, u] = [Math.max(0, 1 / seen.variance - left), seen.mean / seen.variance - cm * left]
      const [dt, du] = [DAMPING * (t - tau[i]!), DAMPING * (u - nu[i]!)]
      part +=
        seen.lnZ +
        0.5 * Math.log(1 + tau[i]! * cv) +
        (tau[i]! * cm * cm - 2 * cm * nu[i]! - cv * nu[i]! ** 2) / (2 * (1 + cv * tau[i]!))
      tau[i] = tau[i]! + dt
      nu[i] = nu[i]! + du
      moved = Math.max(moved, Math.abs(dt) * v)
    }
    now = given(prior, sites, { tau, nu })
    if (!now) return null
    lnZ = part + 0.5 * now.pull - 0.5 * (prior.lnDet + now.lnDet)
    if (moved < DONE) break
  }
  return { ...now, lnZ, standIns: { tau, nu } }
}

/** The normal posterior with the sites' stand-ins; null where it is not definite. */
function given(prior: Prior, sites: readonly Site[], { tau, nu }: StandIns) {
  const precision = prior.precision.map((row) => [...row])
  const b = new Array<number>(precision.length).fill(0)
  for (const [i, { of, by }] of sites.entries())
    for (let a = 0; a < of.length; a++) {
      b[of[a]!] = b[of[a]!]! + by[a]! * nu[i]!
      const row = precision[of[a]!]!
      for (let c = 0; c < of.length; c++) row[of[c]!] = row[of[c]!]! + by[a]! * tau[i]! * by[c]!
    }
  const covariance = inverseSpd(precision)
  if (!covariance) return null
  const mean = covariance.map((row) => dot(row, b))
  return { mean, covariance, pull: dot(b, mean), lnDet: lnDetOf(precision) }
}

/** At most so many of them, spread evenly. */
function thinned(places: readonly Place[]): Place[] {
  const every = Math.max(1, places.length / MOST_PLACES)
  return Array.from(
    { length: Math.min(places.length, MOST_PLACES) },
    (_, i) => places[Math.floor(i * every)]!,
  )
}

const middle = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0

/** Where a meter's zero is looked for: the middle of what it read less what was predicted. */
export function zeroOf(seen: readonly MarginSeen[], meter: 'base' | 'out'): number {
  return middle(
    seen.flatMap((s) =>
      s.meter === meter && Number.isFinite(s.lower) && Number.isFinite(s.upper)
        ? [(s.lower + s.upper) / 2 - s.predictedDb]
        : [],
    ),
  )
}

const placeKey = ({ key, place }: MarginSeen) => `${key} ${place.lat} ${place.lon}`

/** What was seen together, as intervals of combinations of effects and places. */
function sitesOf(
  together: readonly MarginSeen[][],
  links: readonly string[],
  places: readonly Place[],
  prior: Prior,
  zero: Record<'base' | 'out', number>,
  { shadowDb, shadowM }: Spreads,
): Site[] {
  const waysOf = groupedBy(
    together.map(([s]) => s!),
    placeKey,
  )
  return together.map((same): Site => {
    const [s] = same as [MarginSeen, ...MarginSeen[]]
    const near = places.map((p) => shadowDb ** 2 * Math.exp(-apartM(p, s.place) / shadowM))
    const weights = prior.placesInverse.map((row) => dot(row, near))
    const vector = [...effectsOf(links, s.key, s.direction, s.distanceM, s.meter), ...weights]
    const of = vector.flatMap((v, i) => (Math.abs(v) > LEAST_WEIGHT ? [i] : []))
    return {
      of,
      by: of.map((i) => vector[i]!),
      own: Math.sqrt(new Set(waysOf.get(placeKey(s))!.map((w) => w.direction)).size),
      intervals: same.map(({ lower, upper, predictedDb, meter }) => {
        const off = predictedDb + (meter === null ? 0 : zero[meter])
        return { lower: lower - off, upper: upper - off }
      }),
    }
  })
}

/**
 * Learns from a log what a prediction is off by: on the whole, by direction, link and distance, and from place to place
 * by shadowing that neighbours share. Reports are intervals, copies say on which side of nought a margin was; both go
 * into one normal posterior by expectation propagation, and the likelihood chooses spreads and the reach of shadowing.
 * @param fixed spreads that are taken as they are, where they were learnt before
 * @param shadowed false for what knows of no place: whole, direction, distance and links alone
 * @returns null where nothing was seen
 */
export function learnCorrection(
  seen: readonly MarginSeen[],
  { fixed = null, shadowed = true }: { fixed?: Spreads | null; shadowed?: boolean } = {},
): Correction | null {
  if (seen.length === 0) return null
  const links = [...new Set(seen.map((s) => s.key))]
  const doubts = links.map((key) => seen.find((s) => s.key === key)!.doubtDb ?? 0)
  const byPlace = new Map(seen.map((s) => [`${s.place.lat} ${s.place.lon}`, s.place]))
  const places = shadowed ? thinned([...byPlace.values()]) : []
  const zero = { base: zeroOf(seen, 'base'), out: zeroOf(seen, 'out') }
  const together = groupedBy(seen, (s) => `${s.key} ${s.direction} ${s.place.lat} ${s.place.lon} ${s.meter}`)
  const learnt = { checks: new Set(seen.map((s) => s.checkId)).size, marks: byPlace.size }
  const tryWith = (spreads: Spreads, from: StandIns | null = null): Tried | null => {
    const prior = priorOf(doubts, places, spreads.shadowDb, spreads.shadowM)
    const sites = prior && sitesOf([...together.values()], links, places, prior, zero, spreads)
    const found = sites && propagate(prior, sites, spreads, from)
    if (!found) return null
    const { mean, covariance, lnZ, standIns } = found
    return {
      ...{ lnZ: lnZ + lnUsual(spreads), standIns },
      correction: { ...learnt, ...spreads, links, places, ...asKept(mean, covariance) },
    }
  }
  let best = tryWith(fixed ?? FIRST_TRIED)
  if (fixed) return best?.correction ?? null
  for (const key of ORDER)
    for (const value of TRIED[key]) {
      const from = best?.correction ?? FIRST_TRIED
      if (value === from[key]) continue
      const found = tryWith({ ...spreadsOf(from), [key]: value }, best?.standIns)
      if (found && found.lnZ > (best?.lnZ ?? -Infinity)) best = found
    }
  return best?.correction ?? null
}
