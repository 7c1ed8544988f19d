import { describe, expect, it } from 'vitest'
import { alwaysValidInterval, alwaysValidOf, alwaysValidP } from './alwaysValid'
import { normalQuantile } from './numeric/normalQuantile'
import { seededRandom } from './numeric/seededRandom'

const PRIOR = { mean: 0, sd: 14 }

/** Draws of a normal posterior, evenly over its quantiles. */
const drawsOf = (mean: number, sd: number) =>
  Float64Array.from({ length: 400 }, (_, i) => mean + sd * normalQuantile((i + 0.5) / 400))

/** A walk of so many marks, each with spread 5 dB: the mean so far and its error, from the fourth mark on. */
function* looks(truth: number, marks: number, random: ReturnType<typeof seededRandom>) {
  let sum = 0
  for (let n = 1; n <= marks; n++) {
    sum += truth + 5 * random.normal()
    if (n >= 4) yield { n, draws: drawsOf(sum / n, 5 / Math.sqrt(n)) }
  }
}

describe('an interval of draws that stays valid', () => {
  it('misses the truth in at most one walk of ten, however often one looks', () => {
    const random = seededRandom(3)
    let missed = 0
    for (let walk = 0; walk < 200; walk++)
      for (const { draws } of looks(2, 60, random)) {
        const { low, high } = alwaysValidOf(draws, PRIOR)
        if ((low !== null && low > 2) || (high !== null && high < 2)) {
          missed++
          break
        }
      }
    expect(missed / 200).toBeLessThan(0.1)
  })

  it('calls one of two equals better in at most one walk of twenty', () => {
    const random = seededRandom(4)
    let wrong = 0
    for (let walk = 0; walk < 200; walk++)
      for (const { draws } of looks(0, 60, random))
        if (alwaysValidP(draws, PRIOR) < 0.05) {
          wrong++
          break
        }
    expect(wrong / 200).toBeLessThan(0.05)
  })

  it('says so after at most half as many marks again as a fixed plan, in the median', () => {
    const random = seededRandom(5)
    for (const truth of [3, 5]) {
      const fixed = Math.ceil(((normalQuantile(0.975) + normalQuantile(0.8)) * 5) ** 2 / truth ** 2)
      const stopped = Array.from({ length: 100 }, () => {
        for (const { n, draws } of looks(truth, 120, random)) if (alwaysValidP(draws, PRIOR) < 0.05) return n
        return 120
      }).sort((a, b) => a - b)
      expect(stopped[50]! / fixed).toBeLessThan(1.5)
    }
  })

  it('agrees with the closed form of the normal mixture', () => {
    // Robbins: (value - mean)² < s² (1 + s²/S²) (2 ln(1/α) + ln(1 + S²/s²)), S = 4.
    const [s, S] = [1.5, 4]
    const half = Math.sqrt(
      s * s * (1 + (s * s) / (S * S)) * (2 * Math.log(10) + Math.log(1 + (S * S) / (s * s))),
    )
    const { low, high } = alwaysValidOf(drawsOf(3, s), { mean: 0, sd: 1e6 })
    expect(Math.abs(low! - (3 - half))).toBeLessThan(0.1)
    expect(Math.abs(high! - (3 + half))).toBeLessThan(0.1)
  })

  it('is open where the draws say no more than the prior', () => {
    expect(alwaysValidOf(drawsOf(0, 14), PRIOR)).toEqual({ low: null, high: null })
    expect(alwaysValidP(drawsOf(0, 14), PRIOR)).toBe(1)
  })
})

describe('an interval of differences that stays valid', () => {
  it('does not shrink to nought on whole steps that are all the same', () => {
    const same = [0, 0, 0, 0, 0, 0]
    expect(alwaysValidInterval(same)).toEqual({ low: 0, high: 0 })
    const { low, high } = alwaysValidInterval(same, 0.1, 6 / Math.sqrt(6))
    expect(high! - low!).toBeGreaterThan(4)
  })
})
