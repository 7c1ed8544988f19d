import type { Place } from '@/core/geo'
import { metresPerDegree } from '@/core/geo/degrees'
import type { Direction } from '@/core/kit/rig/rig'
import { onceWhileHeld } from '@/core/onceEach'
import { inverseSpd } from '@/core/stats/numeric/cholesky'

/** What a log taught of a prediction, as it goes over the wire: a normal posterior of effects and of places. */
export interface Correction {
  /** Checks and marks that it was learnt from. */
  checks: number
  marks: number
  /** Links by their key, in the order of their effects. */
  links: string[]
  /** Places whose own shadowing was learnt. */
  places: Place[]
  /** Of the effects, then of the places, dB; and the lower triangle of their covariance, by rows. */
  mean: number[]
  covariance: number[][]
  /** Spread of shadowing from place to place, dB, and how far it reaches, m. */
  shadowDb: number
  shadowM: number
  /** Spread of a link of its own against the others at a place, both ways alike, dB. */
  ownDb: number
  /** Spread from call to call, dB. */
  callDb: number
}

/** Digits that go over the wire: a hundredth of a dB is more than anybody sees. */
const DIGITS = 5
const short = (v: number) => Number(v.toPrecision(DIGITS))
/** Reads a symmetric matrix that is given whole or by its lower triangle. */
export const elementOf = (rows: readonly (readonly number[])[]) => (i: number, j: number) =>
  rows[Math.max(i, j)]![Math.min(i, j)]!

/** A posterior as it is kept, of its covariance the lower triangle. */
export const asKept = (mean: number[], covariance: number[][]) => ({
  mean: mean.map(short),
  covariance: covariance.map((row, i) => row.slice(0, i + 1).map(short)),
})

/** Distance that the slope turns about, m. */
const MIDDLE_M = 1000

/**
 * Which effects a margin of a link in a direction at a distance has, as a vector over all of them: on the whole, by
 * direction, with distance, the zeros of both meters, then each link and each link by direction.
 */
export function effectsOf(
  links: readonly string[],
  key: string,
  direction: Exclude<Direction, 'loop'>,
  distanceM: number,
  meter: 'base' | 'out' | null,
): number[] {
  const way = direction === 'to base' ? 0.5 : -0.5
  const link = links.indexOf(key)
  return [
    1,
    way,
    Math.log10(Math.max(distanceM, 20) / MIDDLE_M),
    meter === 'base' ? 1 : 0,
    meter === 'out' ? 1 : 0,
    ...links.map((_, i) => (i === link ? 1 : 0)),
    ...links.map((_, i) => (i === link ? way : 0)),
  ]
}

/** Spread among links that a link without checks may be off by, dB: by itself, and by its directions. */
export const LINK_DB = [5, 2.5] as const

/** What a margin is corrected by. */
export interface Corrected {
  /** To be added to the predicted margin, dB. */
  db: number
  /** How far the median at this place may be off, and what calls there spread by, dB. */
  placeSdDb: number
  callSdDb: number
  /** Near what was logged, between it, or as far from it as the prediction alone. */
  how: 'known' | 'inferred' | 'only the prediction'
}

/** Shares of the shadowing's variance that are left where a place counts as known, or as inferred. */
const [KNOWN, INFERRED] = [0.35, 0.85]

/** Metres between two places, as on a plane: over some kilometres it is as good, and it is asked thousands of times. */
export function apartM(a: Place, b: Place): number {
  const degree = metresPerDegree((a.lat + b.lat) / 2)
  return Math.hypot((a.lat - b.lat) * degree.lat, (a.lon - b.lon) * degree.lon)
}

/** Prior covariance of the shadowing at places, dB², by rows. */
export const shadowCovariance = (places: readonly Place[], shadowDb: number, shadowM: number): number[][] =>
  places.map((p, i) =>
    places.map((q, j) =>
      i === j ? shadowDb ** 2 + NUGGET : shadowDb ** 2 * Math.exp(-apartM(p, q) / shadowM),
    ),
  )
/** Keeps it definite where two places are one, dB². */
const NUGGET = 1e-6

/** What of a correction is the same for every place, worked out once. */
interface Prepared {
  /** Inverse of the prior covariance of the places. */
  inverse: number[][]
  /** That by the mean of the places: what nearness is worth, dB. */
  perNear: number[]
  /** That about their covariance, less itself: what the log takes of a place's variance. */
  quadratic: number[][]
  /** Of each effect with the places, by the inverse. */
  mixed: number[][]
  /** Covariance of the effects, whole. */
  effects: number[][]
}

const preparedOf = onceWhileHeld((c: Correction): Prepared => {
  const n = c.places.length
  const m = c.mean.length - n
  const inverse = inverseSpd(shadowCovariance(c.places, c.shadowDb, c.shadowM)) ?? []
  const sigma = elementOf(c.covariance)
  const times = (a: number[][], b: number[][]) =>
    a.map((row) => Array.from({ length: n }, (_, j) => row.reduce((s, v, k) => s + v * b[k]![j]!, 0)))
  const square = (rows: number, from: number) =>
    Array.from({ length: rows }, (_, i) => Array.from({ length: n }, (__, j) => sigma(from + i, m + j)))
  const about = times(times(inverse, square(n, m)), inverse)
  return {
    inverse,
    perNear: inverse.map((row) => row.reduce((s, v, j) => s + v * c.mean[m + j]!, 0)),
    quadratic: about.map((row, i) => row.map((v, j) => v - inverse[i]![j]!)),
    mixed: times(square(m, 0), inverse),
    effects: Array.from({ length: m }, (_, i) => Array.from({ length: m }, (__, j) => sigma(i, j))),
  }
})

/** Beyond so many of its lengths shadowing has nothing in common, e^-8. */
const LENGTHS = 8

/**
 * Of its shadowing a place has this much in common as seen from two bases: correlation 0.5 between sites, as 3GPP
 * TR 36.942 takes it.
 */
export const BETWEEN_BASES = 0.5

/** So much of its shadowing a place has in common with what was learnt of it. */
export const sharedShadow = (fromOther: boolean) => (fromOther ? BETWEEN_BASES : 1)

/** The places learnt that have something in common with a place, and their covariance with it, dB². */
function nearnessOf(
  { places, shadowDb, shadowM }: Correction,
  place: Place | null,
  share: number,
): { of: number[]; near: number[] } {
  const [of, near]: [number[], number[]] = [[], []]
  if (place === null) return { of, near }
  const degree = metresPerDegree(place.lat)
  for (let i = 0; i < places.length; i++) {
    const p = places[i]!
    const m = Math.hypot((p.lat - place.lat) * degree.lat, (p.lon - place.lon) * degree.lon)
    if (m > LENGTHS * shadowM) continue
    of.push(i)
    near.push(share * shadowDb ** 2 * Math.exp(-m / shadowM))
  }
  return { of, near }
}

/**
 * What the learnt places weigh in a place's shadowing, and their covariance with it, dB²; null where they say
 * nothing.
 */
export function weightsAt(c: Correction, place: Place): { near: number[]; weights: number[] } | null {
  const { of, near } = nearnessOf(c, place, 1)
  if (of.length === 0) return null
  const { inverse } = preparedOf(c)
  const all = new Array<number>(c.places.length).fill(0)
  of.forEach((i, k) => (all[i] = near[k]!))
  return { near: all, weights: inverse.map((row) => of.reduce((s, i, k) => s + row[i]! * near[k]!, 0)) }
}

/** How a place is known by the share of its shadowing's variance that is left. */
const howBy = (share: number): Corrected['how'] =>
  share < KNOWN ? 'known' : share < INFERRED ? 'inferred' : 'only the prediction'

/** What is asked of a correction beside a link, a direction and a place. */
interface Asking {
  /** Whose reading it is to be, with that meter's own zero; null for the margin itself. */
  meter?: 'base' | 'out' | null
  /** Of shadowing that it has in common with what was learnt, {@link sharedShadow}. */
  share?: number
  /** What is not known of the link's rigs, where the log does not know it either, dB. */
  doubtDb?: number | undefined
}

/**
 * What the log says of places, for a link and direction.
 * @param key of the link; one that the log does not know learns from the others
 * @returns of a place (null where nothing is to be taken from others) at a distance from the base, m
 */
export function correcting(
  c: Correction,
  key: string,
  direction: Exclude<Direction, 'loop'>,
  { meter = null, share = 1, doubtDb = 0 }: Asking = {},
): (place: Place | null, distanceM: number) => Corrected {
  const { inverse, perNear, quadratic, mixed, effects } = preparedOf(c)
  const strange = c.links.includes(key) ? 0 : LINK_DB[0] ** 2 + LINK_DB[1] ** 2 / 4 + doubtDb ** 2
  const variance = c.shadowDb ** 2
  const own = c.ownDb ** 2
  return (place, distanceM) => {
    const by = effectsOf(c.links, key, direction, distanceM, meter)
    const { of, near } = nearnessOf(c, place, share)
    let [db, doubt, told] = [0, variance + own + strange, 0]
    for (let i = 0; i < by.length; i++) {
      const v = by[i]!
      if (v === 0) continue
      db += v * c.mean[i]!
      for (let j = 0; j < by.length; j++) if (by[j] !== 0) doubt += v * by[j]! * effects[i]![j]!
      const row = mixed[i]!
      for (let k = 0; k < of.length; k++) doubt += 2 * v * row[of[k]!]! * near[k]!
    }
    for (let k = 0; k < of.length; k++) {
      const [i, n] = [of[k]!, near[k]!]
      db += perNear[i]! * n
      const [q, p] = [quadratic[i]!, inverse[i]!]
      for (let l = 0; l < of.length; l++) {
        const both = n * near[l]!
        doubt += both * q[of[l]!]!
        told += both * p[of[l]!]!
      }
    }
    return {
      db,
      placeSdDb: Math.sqrt(Math.max(0, doubt)),
      callSdDb: c.callDb,
      how: howBy(Math.max(0, variance - told) / (variance || 1)),
    }
  }
}

/** As {@link correcting}, of one place. */
export const correctedBy = (
  c: Correction,
  key: string,
  direction: Exclude<Direction, 'loop'>,
  place: Place | null,
  distanceM: number,
  asking?: Asking,
): Corrected => correcting(c, key, direction, asking)(place, distanceM)
