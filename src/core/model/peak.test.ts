import { describe, expect, it } from 'vitest'
import { peakOf } from './peak'
import { modelData } from './reports'
import { testRun } from './testing/runs'
import { ofAll, thinned } from './thinned'

/** A normal, with an edge that makes it none far out. Its precision is I + C, so its covariance is worked out by hand. */
const density = (times: number) => (x: Float64Array) => {
  const [a, b] = [x[0]! - 0.4, x[1]! + 0.3]
  return -0.5 * (x[0]! ** 2 + x[1]! ** 2) - 0.5 * times * (9 * a * a + 6 * a * b + 4 * b * b)
}

describe('the peak of a density', () => {
  // d/dx of the above nought, for times 1: (1 + 9) x + 3 y = 9·0.4 − 3·0.3 and 3 x + (1 + 4) y = 3·0.4 − 4·0.3.
  const x = [(2.7 * 5 - 0 * 3) / 41, (10 * 0 - 3 * 2.7) / 41]
  const covariance = [
    [5 / 41, -3 / 41],
    [-3 / 41, 10 / 41],
  ]

  it('is where its slope is nought, as narrow as it curves', () => {
    const peak = peakOf(2, density(1))
    expect([...peak.x].every((v, i) => Math.abs(v - x[i]!) < 0.1)).toBe(true)
    peak.covariance.forEach((row, i) => row.forEach((v, j) => expect(v).toBeCloseTo(covariance[i]![j]!, 4)))
  })

  it('is the same from a start', () => {
    const start = {
      x: Float64Array.of(0.3, -0.1),
      covariance: covariance.map((row) => row.map((v) => 2 * v)),
    }
    const peak = peakOf(2, density(1), start)
    expect([...peak.x].every((v, i) => Math.abs(v - x[i]!) < 0.1)).toBe(true)
    peak.covariance.forEach((row, i) => row.forEach((v, j) => expect(v).toBeCloseTo(covariance[i]![j]!, 4)))
  })

  it('of all reports is told by that of one in so many', () => {
    const few = peakOf(2, density(1))
    const all = ofAll(few, 5)
    const found = peakOf(2, density(5))
    all.covariance.forEach((row, i) =>
      row.forEach((v, j) => expect(v).toBeCloseTo(found.covariance[i]![j]!, 4)),
    )
  })
})

describe('a part of a long run', () => {
  const whole = modelData(testRun({ marks: 240, links: 2, listeners: 1 }))
  const part = modelData(thinned(whole, 4))

  it('is one in so many marks, near and far, beside their neighbours', () => {
    expect(part.marks).toHaveLength(60)
    expect(Math.min(...part.distanceM)).toBe(Math.min(...whole.distanceM))
    expect(Math.max(...part.distanceM)).toBeGreaterThan(0.75 * Math.max(...whole.distanceM))
    const beside = part.marks.filter((m, i) => part.marks[i + 1] === m + 1).length
    expect(beside).toBeGreaterThan(50)
  })
})
