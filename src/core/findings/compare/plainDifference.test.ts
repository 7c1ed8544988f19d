import { describe, expect, it } from 'vitest'
import { plainDifference, studentQuantile } from './plainDifference'

describe('a plain paired comparison', () => {
  it('has the quantiles of Student’s t of R’s qt', () => {
    // qt(0.95, 3), qt(0.95, 11), qt(0.975, 1)
    expect(studentQuantile(0.95, 3)).toBeCloseTo(2.353363, 5)
    expect(studentQuantile(0.95, 11)).toBeCloseTo(1.795885, 5)
    expect(studentQuantile(0.975, 1)).toBeCloseTo(12.7062, 3)
  })

  it('is t.test’s of R', () => {
    // t.test(c(1, 2, 4, 3, 6), conf.level = 0.9)
    const d = plainDifference([1, 2, 4, 3, 6])!
    expect(d.estimate).toBeCloseTo(3.2, 9)
    expect(d.low).toBeCloseTo(1.36612, 4)
    expect(d.high).toBeCloseTo(5.03388, 4)
    expect(d.marks).toBe(5)
  })

  it('says nothing of three marks', () => {
    expect(plainDifference([1, 2, 3])).toBeNull()
  })
})
