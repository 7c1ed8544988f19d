import { describe, expect, it } from 'vitest'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { measuredSlope, type LevelAt } from './measuredSlope'

const distances = [300, 500, 800, 1200, 1700, 2300, 3000, 3800]

/** Levels along a line of a known slope, seen through steps and thresholds. */
function field(seed: number, slope: number, sd: number, step: number, floor = -Infinity): LevelAt[] {
  const random = seededRandom(seed)
  return ['up', 'down'].flatMap((group, g) =>
    distances.map((distanceM, i) => {
      const level = -80 - 4 * g - 10 * slope * Math.log10(distanceM / 1000) + sd * random.normal()
      const lower = Math.floor(level / step) * step
      return level < floor
        ? { markId: `m${i}`, group, distanceM, lower: -Infinity, upper: floor }
        : { markId: `m${i}`, group, distanceM, lower, upper: lower + step }
    }),
  )
}

describe('measuredSlope', () => {
  it('is the least-squares slope where reports are as good as exact', () => {
    const exact = field(1, 3.6, 0, 0.001)
    expect(measuredSlope(exact)!.slope).toBeCloseTo(3.6, 3)
    // numpy.polyfit of -80, -92, -97, -101, -107, -110 dB at 0.3, 0.5, 0.8, 1.2, 1.7, 2.3 km: -32.39979 dB a decade.
    const six = [
      [300, -80],
      [500, -92],
      [800, -97],
      [1200, -101],
      [1700, -107],
      [2300, -110],
    ].map(([d, l], i) => ({
      markId: `${i}`,
      group: 'g',
      distanceM: d!,
      lower: l! - 0.001,
      upper: l! + 0.001,
    }))
    expect(measuredSlope(six)!.slope).toBeCloseTo(3.239979, 4)
  })
  it('is not flattened by checks that nobody heard, and its interval holds the truth', () => {
    let held = 0
    let sum = 0
    for (let seed = 1; seed <= 60; seed++) {
      const m = measuredSlope(field(seed, 4, 3, 6, -100))!
      sum += m.slope / 60
      if (m.low <= 4 && m.high >= 4) held++
    }
    expect(Math.abs(sum - 4)).toBeLessThan(0.25)
    expect(held).toBeGreaterThanOrEqual(48)
  })
  it('says nothing from a few marks, one distance, or silence alone', () => {
    expect(measuredSlope(field(1, 4, 1, 6).filter((l) => l.distanceM < 1000))).toBeNull()
    expect(measuredSlope(field(1, 4, 1, 6).map((l) => ({ ...l, distanceM: 500 })))).toBeNull()
    expect(measuredSlope(field(1, 4, 1, 6).map((l) => ({ ...l, lower: -Infinity })))).toBeNull()
    expect(measuredSlope([])).toBeNull()
  })
})
