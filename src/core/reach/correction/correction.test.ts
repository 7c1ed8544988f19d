import { describe, expect, it } from 'vitest'
import { direct, inverse, type Place } from '@/core/geo'
import { normalCdf, seededRandom, type SeededRandom } from '@/core/stats'
import { cholesky } from '@/core/stats/numeric/cholesky'
import { correctedBy, effectsOf, LINK_DB } from './correction'
import { intervalMoments, momentsBehind } from './intervalMoments'
import { learnCorrection, type MarginSeen } from './learnCorrection'

const BASE = { lat: 47.3, lon: -29.55 }

describe('moments of an interval', () => {
  it.each([
    [0, 9, -2, 3, 2.5],
    [5, 16, -Infinity, 0, 3],
    [-4, 25, 1, Infinity, 2],
    [10, 4, -1, 1, 2.5],
  ])(
    'of N(%s, %s) between %s and %s agree with a sum over a fine grid',
    (mean, variance, lower, upper, noise) => {
      const found = intervalMoments(mean, variance, lower, upper, noise)
      let [z, first, second] = [0, 0, 0]
      const [sd, step] = [Math.sqrt(variance), 0.005]
      for (let x = mean - 10 * sd; x < mean + 10 * sd; x += step) {
        const density = Math.exp(-((x - mean) ** 2) / (2 * variance)) / (sd * Math.sqrt(2 * Math.PI))
        const w = density * (normalCdf((upper - x) / noise) - normalCdf((lower - x) / noise)) * step
        z += w
        first += w * x
        second += w * x * x
      }
      expect(found.lnZ).toBeCloseTo(Math.log(z), 4)
      expect(found.mean).toBeCloseTo(first / z, 4)
      expect(found.variance).toBeCloseTo(second / z - (first / z) ** 2, 3)
    },
  )
  it('behind what a link has of its own agree with a sum over both', () => {
    const intervals = [
      { lower: 1, upper: 7 },
      { lower: -2, upper: Infinity },
    ]
    const [mean, sd, own, noise, step] = [-1, 4, 3, 2.5, 0.1]
    const found = momentsBehind(mean, sd * sd, own, intervals, noise)
    const pdf = (x: number, s: number) => Math.exp(-(x * x) / (2 * s * s)) / (s * Math.sqrt(2 * Math.PI))
    let [z, first, second] = [0, 0, 0]
    for (let g = mean - 8 * sd; g < mean + 8 * sd; g += step)
      for (let u = -8 * own; u < 8 * own; u += step) {
        const w = intervals.reduce(
          (p, { lower, upper }) =>
            p * (normalCdf((upper - g - u) / noise) - normalCdf((lower - g - u) / noise)),
          pdf(g - mean, sd) * pdf(u, own) * step * step,
        )
        z += w
        first += w * g
        second += w * g * g
      }
    expect(found.lnZ).toBeCloseTo(Math.log(z), 2)
    expect(found.mean).toBeCloseTo(first / z, 2)
    expect(found.variance).toBeCloseTo(second / z - (first / z) ** 2, 1)
  })

  it('what can hardly be still moves towards its edge', () => {
    const m = intervalMoments(0, 4, 100, 110, 1)
    expect(m.mean).toBeGreaterThan(50)
    expect(Number.isFinite(m.lnZ)).toBe(true)
  })
})

interface Truth {
  offsetDb: number
  slopeDb: number
  links: Record<string, number>
  shadowDb: number
  shadowM: number
}
const USUAL: Truth = { offsetDb: -14, slopeDb: -6, links: { A: 0, B: 4 }, shadowDb: 6, shadowM: 500 }

const legs = [40, 130, 250].map((bearing) =>
  Array.from({ length: 12 }, (_, i) => ({
    ...direct(BASE, bearing, 350 * (i + 1)),
    distanceM: 350 * (i + 1),
  })),
)
type Spot = Place & { distanceM: number }

/** Shadowing at places, by the covariance that is true. */
function shadows(places: readonly Spot[], { shadowDb, shadowM }: Truth, random: SeededRandom): number[] {
  const l = cholesky(
    places.map((p, i) =>
      places.map((q, j) => (i === j ? 1 + 1e-9 : Math.exp(-inverse(p, q).distanceM / shadowM))),
    ),
  )
  const white = places.map(() => random.normal())
  return l.map((row) => shadowDb * row.reduce((s, v, j) => s + v * white[j]!, 0))
}

/** A day of which the true margin at every place is known. */
function day(seed: number, truth = USUAL) {
  const random = seededRandom(seed)
  const places = legs.flat()
  const shadow = shadows(places, truth, random)
  const predicted = ({ distanceM }: Spot) => 45 - 35 * Math.log10(distanceM / 300)
  const marginAt = (i: number, key: string) =>
    predicted(places[i]!) +
    truth.offsetDb +
    truth.slopeDb * Math.log10(places[i]!.distanceM / 1000) +
    truth.links[key]! +
    shadow[i]!
  const seen = places.flatMap((place, i) =>
    Object.keys(truth.links).flatMap((key) =>
      (['to base', 'from base'] as const).flatMap((direction): MarginSeen[] => {
        const now = marginAt(i, key) + 2.5 * random.normal()
        const base = {
          checkId: `${i} ${key} ${direction}`,
          key,
          direction,
          place,
          distanceM: place.distanceM,
        }
        const copied: MarginSeen = {
          ...base,
          predictedDb: predicted(place),
          meter: null,
          lower: now > 0 ? 0 : -Infinity,
          upper: now > 0 ? Infinity : 0,
        }
        if (now < -5) return [copied]
        const unit = Math.round((now - 30) / 6)
        const meter = direction === 'to base' ? ('base' as const) : ('out' as const)
        return [copied, { ...copied, meter, lower: 6 * unit - 3, upper: 6 * unit + 3 }]
      }),
    ),
  )
  return { places, seen, marginAt, predicted }
}

describe('what a log teaches', () => {
  it('agrees with sampling on a small log, to a tenth of a dB in the mean and 5 % in the spread', () => {
    const at = (m: number): Spot => ({ ...direct(BASE, 90, m), distanceM: m })
    const [near, far] = [at(800), at(1600)]
    const one = (place: Spot, lower: number, upper: number, predictedDb: number): MarginSeen => ({
      checkId: `${place.distanceM} ${lower}`,
      ...{ key: 'A', direction: 'to base', place, distanceM: place.distanceM, meter: null },
      ...{ predictedDb, lower, upper },
    })
    const seen = [one(near, 0, Infinity, 12), one(far, -Infinity, 0, 6), one(far, -Infinity, 0, 5)]
    const c = learnCorrection(seen)!
    const random = seededRandom(5)
    const spreads = [15, 5, 10, 25, 25, LINK_DB[0], LINK_DB[1]]
    const places = c.places as Spot[]
    const cov = places.map((p, i) =>
      places.map((q, j) =>
        i === j ? c.shadowDb ** 2 : c.shadowDb ** 2 * Math.exp(-inverse(p, q).distanceM / c.shadowM),
      ),
    )
    const l = cholesky(cov)
    const own = () => c.ownDb * random.normal()
    const want = effectsOf(['A'], 'A', 'to base', 1600, null)
    let [total, first, second] = [0, 0, 0]
    for (let k = 0; k < 600_000; k++) {
      const beta = spreads.map((s) => s * random.normal())
      const white = places.map(() => random.normal())
      const z = l.map((row) => row.reduce((s, v, j) => s + v * white[j]!, 0))
      const ownAt = places.map(own)
      const value = (s: MarginSeen) =>
        s.predictedDb +
        ownAt[places.findIndex((p) => p.lat === s.place.lat && p.lon === s.place.lon)]! +
        effectsOf(['A'], 'A', 'to base', s.distanceM, null).reduce((t, v, i) => t + v * beta[i]!, 0) +
        z[places.findIndex((p) => p.lat === s.place.lat && p.lon === s.place.lon)]!
      const weight = seen.reduce(
        (w, s) => w * (s.lower === 0 ? normalCdf(value(s) / c.callDb) : normalCdf(-value(s) / c.callDb)),
        1,
      )
      const f =
        want.reduce((t, v, i) => t + v * beta[i]!, 0) +
        z[places.findIndex((p) => p.lat === far.lat && p.lon === far.lon)]! +
        own()
      total += weight
      first += weight * f
      second += weight * f * f
    }
    const mean = first / total
    const sd = Math.sqrt(second / total - mean * mean)
    const found = correctedBy(c, 'A', 'to base', far, 1600)
    expect(Math.abs(found.db - mean)).toBeLessThan(0.15)
    expect(Math.abs(found.placeSdDb / sd - 1)).toBeLessThan(0.05)
  })

  it('brings a prediction that lies 14 dB high to the truth, also on a leg that it was not told of', () => {
    let [before, after, held, count] = [0, 0, 0, 0]
    for (let seed = 1; seed <= 4; seed++) {
      const { places, seen, marginAt, predicted } = day(seed)
      for (const left of [0, 1, 2]) {
        const out = new Set(legs[left]!.map((p) => `${p.lat} ${p.lon}`))
        const c = learnCorrection(seen.filter((s) => !out.has(`${s.place.lat} ${s.place.lon}`)))!
        for (const [i, place] of places.entries()) {
          if (!out.has(`${place.lat} ${place.lon}`)) continue
          const truth = marginAt(i, 'A') - predicted(place)
          const { db, placeSdDb } = correctedBy(c, 'A', 'to base', place, place.distanceM)
          before += truth ** 2
          after += (truth - db) ** 2
          if (Math.abs(truth - db) < 1.645 * placeSdDb) held++
          count++
        }
      }
    }
    expect(Math.sqrt(after / count)).toBeLessThan(0.65 * Math.sqrt(before / count))
    expect(held / count).toBeGreaterThan(0.8)
  }, 120_000)

  it('knows links apart, and is surer near marks than far from them', () => {
    const { seen, places } = day(9)
    const c = learnCorrection(seen)!
    const [a, b] = ['A', 'B'].map(
      (key) => correctedBy(c, key, 'to base', places[4]!, places[4]!.distanceM).db,
    )
    expect(b! - a!).toBeGreaterThan(2)
    expect(b! - a!).toBeLessThan(6)
    const there = correctedBy(c, 'A', 'to base', places[4]!, 1750)
    const away = correctedBy(c, 'A', 'to base', direct(BASE, 190, 6000), 6000)
    expect(there.how).toBe('known')
    expect(away.how).toBe('only the prediction')
    expect(away.placeSdDb).toBeGreaterThan(there.placeSdDb + 2)
    // A link that was never tried learns from the others, and says that it is less sure.
    const other = correctedBy(c, 'C', 'to base', places[4]!, 1750)
    expect(other.placeSdDb).toBeGreaterThan(there.placeSdDb)
    expect(other.db).toBeLessThan(-5)
  }, 60_000)

  it('learns from copies alone, and from nothing but silence', () => {
    const { seen } = day(3)
    const copies = learnCorrection(seen.filter((s) => s.meter === null))!
    expect(correctedBy(copies, 'A', 'to base', legs[0]![3]!, 1400).db).toBeLessThan(-4)
    const silent = seen
      .filter((s) => s.meter === null)
      .map((s): MarginSeen => ({ ...s, lower: -Infinity, upper: 0 }))
    const c = learnCorrection(silent)!
    const { db, placeSdDb } = correctedBy(c, 'A', 'to base', legs[0]![0]!, 350)
    expect(db).toBeLessThan(-20)
    expect(Number.isFinite(placeSdDb)).toBe(true)
    expect(learnCorrection([])).toBeNull()
  }, 60_000)
})
