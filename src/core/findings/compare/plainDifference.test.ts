import { describe, expect, it } from 'vitest'
import { plainDifference } from './plainDifference'

describe('a plain paired comparison', () => {
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
