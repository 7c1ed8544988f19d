import { describe, expect, it } from 'vitest'
import { alwaysValidInterval } from '../alwaysValid'
import { clopperPearson } from './clopperPearson'
import { hodgesLehmann } from './hodgesLehmann'
import { holm } from './holm'
import { minimise } from '../numeric/minimise'
import { seededRandom } from '../numeric/seededRandom'
import { exactSign } from './exactSign'

const X = [2.1, -0.4, 3.3, 1.7, 0.9, 4.2, -1.1, 2.8, 0.3, 1.5]

describe('exact tests, against R 4.2', () => {
  // binom.test(9, 10)$p.value and binom.test(3, 17)$p.value
  it('sign test', () => {
    expect(exactSign(9, 1)).toBeCloseTo(0.021484375, 12)
    expect(exactSign(3, 14)).toBeCloseTo(0.0127258300781, 12)
    expect(exactSign(0, 0)).toBe(1)
    expect(exactSign(5, 5)).toBe(1)
  })
  // binom.test(8, 10, conf.level = 0.9)$conf.int and binom.test(0, 7, ...)
  it('Clopper-Pearson', () => {
    const some = clopperPearson(8, 10)
    expect(some.low).toBeCloseTo(0.493098698937, 9)
    expect(some.high).toBeCloseTo(0.963228562113, 9)
    const none = clopperPearson(0, 7)
    expect(none.low).toBe(0)
    expect(none.high).toBeCloseTo(0.348163655131, 9)
    expect(() => clopperPearson(4, 3)).toThrow(RangeError)
  })
  // p.adjust(c(.01, .04, .03), "holm") and a longer one
  it('Holm', () => {
    expect(holm([0.01, 0.04, 0.03])).toEqual([0.03, 0.06, 0.06])
    holm([0.001, 0.2, 0.02, 0.02]).forEach((p, i) => expect(p).toBeCloseTo([0.004, 0.2, 0.06, 0.06][i]!, 12))
    expect(holm([])).toEqual([])
  })
  // wilcox.test(x, conf.int = TRUE, exact = TRUE) at 90 and 95 %
  it('Hodges-Lehmann with the exact signed-rank interval', () => {
    const at90 = hodgesLehmann(X, 0.9)
    expect(at90.estimate).toBeCloseTo(1.55, 12)
    expect(at90.low).toBeCloseTo(0.5, 12)
    expect(at90.high).toBeCloseTo(2.55, 12)
    const at95 = hodgesLehmann(X, 0.95)
    expect(at95.low).toBeCloseTo(0.3, 12)
    expect(at95.high).toBeCloseTo(2.8, 12)
    expect(hodgesLehmann([1, 2, 3], 0.95)).toMatchObject({ estimate: 2, low: null, high: null })
    expect(() => hodgesLehmann([])).toThrow(RangeError)
  })
})

describe('alwaysValidInterval', () => {
  it('is about 3.3 standard errors at ten marks', () => {
    const n = X.length
    const mean = X.reduce((s, v) => s + v, 0) / n
    const se = Math.sqrt(X.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1) / n)
    const { high } = alwaysValidInterval(X)
    expect((high! - mean) / se).toBeGreaterThan(3.1)
    expect((high! - mean) / se).toBeLessThan(3.5)
  })
  it('is infinite where it cannot speak', () => {
    expect(alwaysValidInterval([3])).toEqual({ low: null, high: null })
    expect(alwaysValidInterval([3, 4])).toEqual({ low: null, high: null })
  })
  it('seldom misses the truth though one looks after every mark', () => {
    let missed = 0
    for (let seed = 1; seed <= 300; seed++) {
      const random = seededRandom(seed)
      const seen: number[] = []
      for (let n = 0; n < 25; n++) {
        seen.push(random.normal() * 4)
        const { low, high } = alwaysValidInterval(seen)
        if (low !== null && high !== null && (low > 0 || high < 0)) {
          missed++
          break
        }
      }
    }
    expect(missed / 300).toBeLessThan(0.1)
  })
})

describe('seededRandom and minimise', () => {
  it('is the same for the same seed, and shuffles all', () => {
    const draw = (seed: number) => Array.from({ length: 5 }, seededRandom(seed).uniform)
    expect(draw(7)).toEqual(draw(7))
    expect(draw(7)).not.toEqual(draw(8))
    expect(seededRandom(3).shuffled([1, 2, 3, 4]).sort()).toEqual([1, 2, 3, 4])
  })
  it('has nothing in common between neighbouring seeds', () => {
    const first = Array.from({ length: 400 }, (_, seed) => seededRandom(seed).normal())
    const mean = first.reduce((s, v) => s + v, 0) / 400
    const variance = first.reduce((s, v) => s + (v - mean) ** 2, 0) / 399
    const neighbours = first.slice(1).reduce((s, v, i) => s + v * first[i]!, 0) / 399
    // Four standard errors of 400 standard normal draws.
    expect(Math.abs(mean)).toBeLessThan(0.2)
    expect(Math.abs(variance - 1)).toBeLessThan(0.29)
    expect(Math.abs(neighbours)).toBeLessThan(0.2)
  })
  it('finds the foot of a bowl', () => {
    const { x } = minimise(
      ([a, b]) => (a! - 3) ** 2 + 2 * (b! + 1) ** 2 + 0.5 * a! * b!,
      [0, 0],
      [1, 1],
      1e-5,
    )
    // Gradient nought: 2(a-3)+0.5b = 0, 4(b+1)+0.5a = 0, so a = 104/31 and b = -44/31.
    expect(x[0]).toBeCloseTo(104 / 31, 3)
    expect(x[1]).toBeCloseTo(-44 / 31, 3)
  })
})
