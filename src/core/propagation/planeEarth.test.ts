import { describe, expect, it } from 'vitest'
import { direct, inverse, placesAlong, alongNearest } from '@/core/geo'
import { freeSpaceLoss, planeEarthBreakKm, planeEarthLoss } from '.'
import { dbmOfWatts, eirpDbm, wattsOfDbm, wavelengthM } from '@/core/rf'
import { distanceText, fromAxis, fromLength, heightText, toAxis, toLength } from '@/core/units'

describe('levels and losses, against the plan’s check values', () => {
  it('power', () => {
    expect(dbmOfWatts(5)).toBeCloseTo(36.99, 2)
    expect(wattsOfDbm(36.9897)).toBeCloseTo(5, 4)
    expect(eirpDbm(25, 5.2, 1.9)).toBeCloseTo(47.28, 2)
    expect(() => dbmOfWatts(0)).toThrow(/powerW/)
    expect(wavelengthM(460) / 4).toBeCloseTo(0.1629, 4)
  })
  it('free space and plane earth', () => {
    expect(freeSpaceLoss(150, 5)).toBeCloseTo(89.95, 2)
    expect(freeSpaceLoss(900, 2)).toBeCloseTo(97.55, 2)
    expect(planeEarthLoss(150, 8, 10, 1.5)).toBeCloseTo(132.6, 2)
    expect(planeEarthLoss(450, 0.05, 10, 1.5)).toBe(freeSpaceLoss(450, 0.05))
    // At the break the two are within 6 dB of one another by construction: 4π h1 h2/λ.
    const d = planeEarthBreakKm(450, 10, 1.5)
    expect(planeEarthLoss(450, d, 10, 1.5)).toBeCloseTo(freeSpaceLoss(450, d), 0)
    expect(() => freeSpaceLoss(150, 0)).toThrow(/distanceKm/)
    expect(() => planeEarthLoss(150, 1, -1, 2)).toThrow(/heights/)
  })
})

describe('geodesic', () => {
  it('agrees with a degree of the meridian on WGS 84', () => {
    // 110 574.39 m from the equator to 1 degree north, by the series for the meridian arc.
    expect(inverse({ lat: 0, lon: 0 }, { lat: 1, lon: 0 }).distanceM).toBeCloseTo(110574.39, 1)
  })
  it('goes there and back, across 180 degrees too', () => {
    const a = { lat: 47.298807, lon: 179.99 }
    const b = direct(a, 77, 5000)
    const r = inverse(a, b)
    expect(r.distanceM).toBeCloseTo(5000, 6)
    expect(r.bearingDeg).toBeCloseTo(77, 8)
    expect(inverse(b, a).bearingDeg).toBeCloseTo(r.backBearingDeg, 8)
  })
  it('places marks along a way and finds them again', () => {
    const start = { lat: 47.3, lon: -29.5 }
    const bend = direct(start, 90, 1000)
    const track = [start, bend, direct(bend, 0, 1000)]
    const marks = placesAlong(track, 400)
    expect(marks.map((m) => m.alongM)).toEqual([400, 800, 1200, 1600, 2000])
    expect(inverse(start, marks[0]!.place).distanceM).toBeCloseTo(400, 6)
    expect(inverse(bend, marks[2]!.place).distanceM).toBeCloseTo(200, 6)
    expect(alongNearest(track, bend)).toBeCloseTo(1000, 6)
    expect(() => placesAlong(track, 0)).toThrow(RangeError)
  })
})

describe('units', () => {
  it('writes distances and heights in either system, never both', () => {
    expect([850, 994, 1000, 2940, 12_300].map((m) => distanceText(m, 'metric'))).toEqual([
      '850 m',
      '990 m',
      '1.0 km',
      '2.9 km',
      '12 km',
    ])
    expect([850, 2940, 40_000].map((m) => distanceText(m, 'imperial'))).toEqual(['930 yd', '1.8 mi', '25 mi'])
    expect(heightText(8, 'metric')).toBe('8 m')
    expect(heightText(8, 'imperial')).toBe('26 ft')
    expect(fromAxis(toAxis(1234, 'imperial'), 'imperial')).toBeCloseTo(1234, 9)
    expect(fromLength(toLength(1.4, 'imperial'), 'imperial')).toBeCloseTo(1.4, 9)
  })
})
