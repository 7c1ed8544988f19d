import { describe, expect, it } from 'vitest'
import { direct, inverse, type Place } from '@/core/geo'
import { seededRandom } from '@/core/stats'
import { aimAt, compassOf, declinationAt, sunAt, trueOf } from './compass'
import { fixOf, nextStand, type Bearing } from './fix'

const HERE: Place = { lat: 47.3, lon: -29.6 }
const TRUTH = direct(HERE, 60, 2400)
/** Stands round about, and the bearings taken there. */
const taken = (offs: readonly number[], sdDeg = 3, bothWays = false): Bearing[] =>
  [
    [180, 1500],
    [90, 900],
    [300, 1800],
    [20, 1200],
    [140, 2500],
  ]
    .slice(0, offs.length)
    .map(([b, d], i) => {
      const stand = direct(HERE, b!, d!)
      const bearingDeg = (inverse(stand, TRUTH).bearingDeg + offs[i]! + 360) % 360
      return { ...stand, id: `b${i}`, name: `Stand ${i + 1}`, bearingDeg, sdDeg, bothWays }
    })
const fixed = (b: Bearing[]) => {
  const f = fixOf(b)
  if (!f.ok) throw new Error(f.problems[0]!.message)
  return f.value
}
const codeOf = (b: Bearing[]) => {
  const f = fixOf(b)
  return f.ok ? null : f.problems[0]!.code
}

/** The likelihood of a place by geodesics, nothing of the plane. */
const costAt = (b: readonly Bearing[], p: Place) =>
  b.reduce((s, x) => {
    const off = ((inverse(x, p).bearingDeg - x.bearingDeg + 540) % 360) - 180
    return s + (off / x.sdDeg) ** 2
  }, 0)

describe('a fix', () => {
  it('is where the bearings cross', () => {
    expect(inverse(fixed(taken([0, 0, 0])).place, TRUTH).distanceM).toBeLessThan(2)
    expect(inverse(fixed(taken([0, 0])).place, TRUTH).distanceM).toBeLessThan(2)
  })

  it('is the most likely place of a search on a grid of geodesics', () => {
    const bearings = taken([2, -3, 1.5, -1])
    const fix = fixed(bearings)
    let best = { cost: Infinity, place: HERE }
    // 10 m a step, 1 km about the truth
    for (let e = -100; e <= 100; e++)
      for (let n = -100; n <= 100; n++) {
        const place = { lat: TRUTH.lat + (n * 10) / 111_180, lon: TRUTH.lon + (e * 10) / 75_600 }
        const cost = costAt(bearings, place)
        if (cost < best.cost) best = { cost, place }
      }
    expect(inverse(fix.place, best.place).distanceM).toBeLessThan(12)
  })

  it('has an ellipse that holds the truth in 87 to 93 of 100', () => {
    const r = seededRandom(11)
    let inside = 0
    for (let i = 0; i < 500; i++) {
      const { place, ellipse } = fixed(taken([0, 0, 0, 0].map(() => 3 * r.normal())))
      const { distanceM, bearingDeg } = inverse(place, TRUTH)
      const a = ((bearingDeg - ellipse.bearingDeg) * Math.PI) / 180
      if (
        Math.hypot((distanceM * Math.cos(a)) / ellipse.longM, (distanceM * Math.sin(a)) / ellipse.shortM) <= 1
      )
        inside++
    }
    expect(inside / 5).toBeGreaterThanOrEqual(87)
    expect(inside / 5).toBeLessThanOrEqual(93)
  }, 30_000)

  it('takes of a loop the way that the others point', () => {
    const loops = taken([0, 0, 0], 3, true).map((b, i) =>
      i === 1 ? { ...b, bearingDeg: (b.bearingDeg + 180) % 360 } : b,
    )
    const fix = fixed(loops)
    expect(inverse(fix.place, TRUTH).distanceM).toBeLessThan(2)
    expect(Math.abs(fix.contributions[1]!.takenDeg - inverse(loops[1]!, TRUTH).bearingDeg)).toBeLessThan(0.1)
  })

  it('points out the bearing that disagrees', () => {
    const fix = fixed(taken([1, -2, 1, 40, 0]))
    expect(fix.outlier).toBe('b3')
    expect(fix.agreement).toBeLessThan(0.001)
    expect(fixed(taken([1, -2, 1, 2, 0])).outlier).toBeNull()
  })

  it('tells what each bearing contributes, and where to stand next', () => {
    const bearings = taken([0, 0, 0])
    const fix = fixed(bearings)
    expect(fix.contributions.every((c) => c.withoutIt === null || c.withoutIt > 1)).toBe(true)
    const next = nextStand(fix, bearings, 3, 500, 1500)
    expect(next.areaLeft).toBeLessThan(1)
    const more = {
      ...next.place,
      id: 'n',
      name: 'next',
      sdDeg: 3,
      bothWays: false,
      bearingDeg: inverse(next.place, fix.place).bearingDeg,
    }
    const after = fixed([...bearings, more])
    const area = (f: typeof fix) => f.ellipse.longM * f.ellipse.shortM
    expect(area(after) / area(fix)).toBeCloseTo(next.areaLeft, 2)
  })

  it('is none of one bearing, one place, or lines that run apart', () => {
    expect(codeOf(taken([0]))).toBe('too-few')
    const [a, b] = taken([0, 0]) as [Bearing, Bearing]
    expect(codeOf([a, { ...b, lat: a.lat, lon: a.lon }])).toBe('one-place')
    expect(codeOf([a, { ...b, sdDeg: 0 }])).toBe('spread')
    const apart = [
      { ...a, ...HERE, bearingDeg: 270 },
      { ...b, ...direct(HERE, 90, 1000), bearingDeg: 90 },
    ]
    expect(codeOf(apart)).toBe('no-crossing')
    const side = [
      { ...a, ...HERE, bearingDeg: 0 },
      { ...b, ...direct(HERE, 90, 1000), bearingDeg: 0 },
    ]
    expect(codeOf(side)).toBe('no-crossing')
  })
})

describe('a compass', () => {
  it('is off by the World Magnetic Model’s published test values', () => {
    // Test values of WMM2025 (NOAA and BGS), at 2027.0: latitude, longitude, height in km, declination; the height of
    // some tens of km moves it by hundredths.
    const published = [
      [-66, -5, -17.22],
      [22, 174, 6.46],
      [54, 178, 0.63],
    ] as const
    for (const [lat, lon, decl] of published)
      expect(declinationAt({ lat, lon }, new Date('2027-01-01T00:00:00Z')).deg).toBeCloseTo(decl, 0)
    expect(declinationAt(HERE, new Date('2026-11-30T00:00:00Z')).model).toMatch(/WMM/)
  })

  it('is turned into true and back', () => {
    expect(trueOf(5, -9)).toBe(356)
    expect(compassOf(356, -9)).toBe(5)
  })
})

describe('aiming', () => {
  it('has the tilt by heights and the curve of the earth', () => {
    // 10 km and 100 m up: atan((100 - 5.887)/10000) = 0.5392 degrees; drop = d²/(2 · 8494.7 km)
    const aim = aimAt(HERE, 0, direct(HERE, 45, 10_000), 100)
    expect(aim.bearingDeg).toBeCloseTo(45, 6)
    expect(aim.tiltDeg).toBeCloseTo(0.5392, 3)
  })

  it('has the sun in the south at its highest, near 89.6 degrees less latitude plus declination', () => {
    // 21 June: declination 23.44; local noon at 29.6 W is 13:58 + equation of time (-1.9 min) UTC
    const sun = sunAt(HERE, new Date('2026-06-21T14:00:20Z'))
    expect(sun.azimuthDeg).toBeCloseTo(180, -0.5)
    expect(sun.altitudeDeg).toBeCloseTo(90 - 47.3 + 23.44, 0)
  })
})
