import { describe, expect, it } from 'vitest'
import { intervalRegression, type IntervalObservation } from './intervalRegression'
import { normalCdf } from '../numeric/normal'
import { normalQuantile } from '../numeric/normalQuantile'

/** Seed; intercept, slope on lg distance, offset of the second group, scale, log likelihood. */
const OF_R: [number, number, number, number, number, number][] = [
  [1, -63.43009608, -38.5824513, 5.90944874, 0.8717393, -6.67107241],
  [3, -59.99715723, -36.55391937, 3.06821398, 2.84950857, -11.10158423],
  [4, -60.19014334, -26.20687144, 2.53195039, 4.37701557, -47.45737989],
  [5, -60.15494835, -39.43230376, 7.01222799, 4.48888184, -30.02069088],
  [6, -65.8627856, 388.04133755, 10.38536549, 6.19236085, -34.65996706],
  [7, -60.82746354, -28.91004801, 3.9605233, 9.3838615, -70.00879113],
  [8, -61.26298902, -36.63463149, 6.77621938, 6.50187059, -49.61523923],
  [9, -60.38264542, -26.86940652, 4.14694705, 0.1754052, -3.73301917],
  [10, -59.59908728, -37.88841194, 4.25236805, 0.96316081, -32.60610391],
  [11, -59.56135989, -23.02405318, 3.97441485, 0.67824426, -15.81972068],
  [12, -59.82133772, -242.80227645, 4.54019681, 4.12715401, -47.15881988],
  [13, -59.92679332, -44.75952294, 3.78721927, 4.43933197, -76.38439559],
  [14, -60.57851995, -27.00431882, 3.56994873, 3.57095371, -66.03309409],
  [15, -65.93064656, -37.40244765, 9.82160286, 8.81647192, -52.26600272],
  [16, -58.85459685, -31.20918303, 6.06753674, 7.9994869, -152.15791377],
  [17, -60.34542102, -33.36373075, 3.04921036, 10.13561459, -112.20855331],
  [19, -59.7476758, -30.32031629, 3.55827434, 0.68821328, -64.65168647],
  [20, -60.00914211, -40.77582065, 4.37859826, 0.79623332, -19.98244013],
  [21, -59.29346895, -26.06319036, 4.39022274, 3.26011871, -62.3405367],
  [22, -60.9664226, -34.59820346, 4.2694748, 4.47917807, -157.50705938],
  [23, -59.63862292, -22.76383195, 2.3960238, 3.69972404, -120.08591864],
  [24, -61.81080835, 509.32743461, 3.26333246, 7.70114474, -130.89607859],
]

/** Park and Miller's generator, the same in the R script that made the figures. */
function lcg(seed: number) {
  let s = seed
  return () => (s = (s * 16807) % 2147483647) / 2147483647
}

function dataOf(k: number): IntervalObservation[] {
  const u = lcg(1000 + k)
  for (let i = 0; i < 20; i++) u()
  const n = 6 + 3 * k
  const step = [6, 1, 3][k % 3]!
  const sd = [1, 4, 8][Math.floor(k / 3) % 3]!
  const slope = 20 + 25 * u()
  return Array.from({ length: n }, (_, j) => {
    const d = k % 6 === 0 ? 1 + 0.02 * u() : 0.2 + 4 * u()
    const x = Math.log10(d)
    const g = (j + 1) % 2
    const y = -60 - slope * x + 4 * g + sd * normalQuantile(u())
    const b = Math.round(y / step) * step
    const reading = { lower: b - step / 2, upper: b + step / 2 }
    const seen =
      y > -45 ? { lower: -45, upper: Infinity } : y < -75 ? { lower: -Infinity, upper: -75 } : reading
    return { x: [1, x, g], ...seen }
  })
}

describe('interval regression', () => {
  // Expected: survival 3.x in R, survreg(Surv(lower, upper, type = "interval2") ~ x + g, dist = "gaussian"), its
  // tolerance at 1e-12; every sixth set has its distances within 2 % of each other, so that the slope is
  // ill-conditioned.
  it.each(OF_R)('agrees with survreg on data set %i', (k, ...expected) => {
    const fit = intervalRegression(dataOf(k))!
    expect(fit.converged).toBe(true)
    const found = [...fit.coefficients, fit.sd, fit.logLikelihood]
    found.forEach((v, i) =>
      expect(Math.abs(v - expected[i]!)).toBeLessThan(1e-4 * Math.max(1, Math.abs(expected[i]!))),
    )
  })
  it('exact values are ordinary least squares, with the spread divided by n', () => {
    const data = [1, 2, 3, 4].map((x, i) => ({ x: [1, x], lower: [2, 3, 5, 4][i]!, upper: [2, 3, 5, 4][i]! }))
    const fit = intervalRegression(data)!
    expect(fit.coefficients[0]).toBeCloseTo(1.5, 6)
    expect(fit.coefficients[1]).toBeCloseTo(0.8, 6)
    expect(fit.sd).toBeCloseTo(Math.sqrt(1.8 / 4), 6)
  })
  it('half above a bound puts the mean on it', () => {
    const data = Array.from({ length: 20 }, (_, i) => ({
      x: [1],
      lower: i % 2 ? 5 : 1,
      upper: i % 2 ? 9 : 5,
    }))
    const fit = intervalRegression(data)!
    expect(fit.coefficients[0]).toBeCloseTo(5, 6)
    // Half of the chance lies between the mean and 4 above it, as nearly as a normal allows.
    expect(normalCdf(4 / fit.sd)).toBeGreaterThan(0.99)
  })
  it('where a line fits every interval the spread has no estimate, and none is made up (survreg does not converge)', () => {
    expect(intervalRegression(dataOf(2))).toBeNull()
  })
  it('says nothing rather than something wrong', () => {
    expect(intervalRegression([])).toBeNull()
    expect(intervalRegression([{ x: [1], lower: -Infinity, upper: Infinity }])).toBeNull()
    const same = Array.from({ length: 5 }, () => ({ x: [1, 2], lower: 1, upper: 3 }))
    expect(intervalRegression(same)).toBeNull()
  })
})
