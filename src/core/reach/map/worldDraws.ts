import { filled } from '@/core/stats/numeric/filled'
import type { Place } from '@/core/geo'
import type { Link } from '@/core/kit/rig/rig'
import { linkDoubtDb, type TakenGains } from '@/core/kit/rig/taken'
import { cholesky } from '@/core/stats/numeric/cholesky'
import { seededRandom, type SeededRandom } from '@/core/stats/numeric/seededRandom'
import {
  BETWEEN_BASES,
  effectsOf,
  elementOf,
  LINK_DB,
  shadowCovariance,
  weightsAt,
  type Correction,
} from '../correction/correction'
import { priorCorrection } from '../correction/learnCorrection'
import { linkKey } from '../linkKey'
import type { OneWay } from './oneWays'

/** Enough for shares and their intervals. */
export const USUAL_DRAWS = 200
const SEED = 20_261_130
const STREAMS = ['log', 'places', 'links', 'sites', 'relays', 'own'] as const

/** Chances of their own for each thing that is drawn, so that what is asked beside does not change them. */
export const stream = (of: (typeof STREAMS)[number], nth = 0): SeededRandom =>
  seededRandom(SEED + STREAMS.indexOf(of) + STREAMS.length * nth)

/** The lower triangle whose square is a covariance, given whole or by its own lower triangle. */
const factorOf = (covariance: readonly (readonly number[])[]): Float64Array[] => {
  const at = elementOf(covariance)
  return cholesky(covariance.map((_, i) => covariance.map((__, j) => at(i, j)))).map((row) =>
    Float64Array.from(row),
  )
}

/** Draws of a normal vector with a covariance by its factor. */
function drawer(factor: readonly Float64Array[], random: SeededRandom) {
  const z = new Float64Array(factor.length)
  return () => {
    for (let i = 0; i < z.length; i++) z[i] = random.normal()
    return filled(factor.length, (i) => {
      const row = factor[i]!
      let s = 0
      for (let j = 0; j <= i; j++) s += row[j]! * z[j]!
      return s
    })
  }
}

/** Prior covariance of the shadowing at places as seen from one base, dB². */
const shadowAt = ({ shadowDb, shadowM }: Correction, places: readonly SeenPlace[]) =>
  shadowCovariance(
    places.map((p) => p.place),
    shadowDb,
    shadowM,
  )

/** Covariance of what the log does not tell of the places' shadowing, dB². */
function leftOver(
  c: Correction,
  places: readonly SeenPlace[],
  told: readonly ({ near: number[]; weights: number[] } | null)[],
) {
  return shadowAt(c, places).map((row, i) =>
    row.slice(0, i + 1).map((v, j) => {
      const [a, b] = [told[i], told[j]]
      if (!a || !b) return v
      let s = v
      for (let k = 0; k < a.near.length; k++) s -= a.near[k]! * b.weights[k]!
      return s
    }),
  )
}

/** A place as it is seen from a base. */
export interface SeenPlace {
  place: Place
  distanceM: number
  /** Another base than the log's that it is seen from, the same for all of them; left out for the log's own. */
  from?: string
}

interface WorldAsk {
  places: readonly SeenPlace[]
  links: readonly Link[]
  correction?: Correction | null | undefined
  /** What antennas of unknown gain are taken for. */
  gains?: TakenGains
}

/** What is drawn of the world before any link is asked about. */
export interface WorldDraws {
  /** What was learnt, or is to be thought before any check. */
  c: Correction
  draws: number
  /** What is not known of each link's rigs, by its key, dB. */
  doubts: Record<string, number>
  /** Of draw k what all links are off by, then the shadowing learnt, dB. */
  off: Float64Array[]
  /** Of place p in draw k its shadowing, dB, at k · places + p. */
  shadow: Float64Array
}

/**
 * Draws of what was learnt and of the shadowing at places, jointly. Links, other bases and whatever else is asked
 * beside take their chances from elsewhere, so that they change nothing here.
 */
export function worldDraws({ places, links, correction, gains }: WorldAsk, draws = USUAL_DRAWS): WorldDraws {
  const doubts = Object.fromEntries(links.map((l) => [linkKey(l), linkDoubtDb(l, gains)]))
  const c = correction ?? priorCorrection(Object.keys(doubts), Object.values(doubts))
  const told = places.map(({ place }) => weightsAt(c, place))
  const drawLearnt = drawer(factorOf(c.covariance), stream('log'))
  const drawLeft = drawer(factorOf(leftOver(c, places, told)), stream('places'))
  const first = c.mean.length - c.places.length
  const shadow = new Float64Array(draws * places.length)
  const off = Array.from({ length: draws }, (_, k) => {
    const learnt = drawLearnt().map((v, i) => v + c.mean[i]!)
    const left = drawLeft()
    for (let p = 0; p < places.length; p++) {
      let s = left[p]!
      const weights = told[p]?.weights
      if (weights) for (let i = 0; i < weights.length; i++) s += weights[i]! * learnt[first + i]!
      shadow[k * places.length + p] = s
    }
    return learnt
  })
  const world = { c, draws, off, shadow, doubts }
  const from = places[0]?.from
  return from === undefined ? world : { ...world, shadow: shadowsFrom(world, places)(from) }
}

/**
 * The shadowing of the same places as seen from other bases, by id: of what it is from the log's own it has so much in
 * common, and any two others share of the rest as much as makes all pairs alike. What the log knows of a place goes
 * over with it.
 */
export function shadowsFrom(
  { c, draws, shadow }: WorldDraws,
  places: readonly SeenPlace[],
): (from: string) => Float64Array {
  const n = places.length
  const rest = Math.sqrt(1 - BETWEEN_BASES ** 2)
  const common = Math.sqrt(BETWEEN_BASES / (1 + BETWEEN_BASES))
  const own = Math.sqrt(1 - common ** 2)
  const factor = factorOf(shadowAt(c, places))
  const shared = Array.from({ length: draws }, drawer(factor, stream('sites')))
  return (from) => {
    const drawOwn = drawer(factor, stream('sites', nthOf(from)))
    const found = new Float64Array(draws * n)
    for (let k = 0; k < draws; k++) {
      const alone = drawOwn()
      for (let p = 0; p < n; p++)
        found[k * n + p] =
          BETWEEN_BASES * shadow[k * n + p]! + rest * (common * shared[k]![p]! + own * alone[p]!)
    }
    return found
  }
}

/**
 * What a link has of its own at each place, the same both ways, dB, at k · places + p; whatever other links are asked
 * beside it, it is the same.
 */
export function ownDraws(
  { c, draws }: Pick<WorldDraws, 'c' | 'draws'>,
  places: readonly SeenPlace[],
  link: Link,
): Float64Array {
  const random = stream('own', nthOf(`${linkKey(link)} ${places[0]?.from ?? ''}`))
  const placeKeys = places.map(({ place }) => `${place.lat} ${place.lon}`)
  const firstAt = new Map(placeKeys.map((key, p) => [key, p] as const).reverse())
  const firsts = placeKeys.map((key) => firstAt.get(key)!)
  const n = places.length
  const own = new Float64Array(draws * n)
  for (let k = 0; k < draws; k++)
    firsts.forEach((first, p) => {
      own[k * n + p] = first < p ? own[k * n + first]! : c.ownDb * random.normal()
    })
  return own
}

/** Another number for every site, and for every link. */
const nthOf = (id: string) => 1 + ([...id].reduce((h, c) => (31 * h + c.charCodeAt(0)) >>> 0, 7) % 100_000)

/** What a link is off by in a direction at a distance, in each draw, dB, its shadowing aside; see {@link ownDraws}. */
export function linkDraws(
  { c, draws, off, doubts }: WorldDraws,
  link: Link,
  ways: readonly OneWay[],
): (k: number, w: number, distanceM: number) => number {
  const random = stream('links', nthOf(linkKey(link)))
  const ownDb = Math.hypot(LINK_DB[0], doubts[linkKey(link)] ?? 0)
  // What a link without checks may be off by is its own.
  const own = c.links.includes(linkKey(link))
    ? null
    : Array.from({ length: draws }, () => [ownDb * random.normal(), (LINK_DB[1] * random.normal()) / 2])
  const kept = ways.map(() => new Map<number, (readonly [number, number])[]>())
  const effects = (w: number, distanceM: number) => {
    const known = kept[w]!.get(distanceM)
    if (known) return known
    const made = effectsOf(c.links, linkKey(link), ways[w]!, distanceM, null).flatMap((v, i) =>
      v === 0 ? [] : [[i, v] as const],
    )
    kept[w]!.set(distanceM, made)
    return made
  }
  return (k, w, distanceM) => {
    const [both, way] = own?.[k] ?? [0, 0]
    let s = both! + (ways[w] === 'to base' ? way! : -way!)
    const by = off[k]!
    for (const [i, v] of effects(w, distanceM)) s += v * by[i]!
    return s
  }
}
