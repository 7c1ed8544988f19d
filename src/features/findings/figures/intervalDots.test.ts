import { describe, expect, it } from 'vitest'
import { intervalDot } from './intervalDots'

describe('an interval as a dot', () => {
  it('stands in its middle with half of it on either side, or at its one known end', () => {
    expect(intervalDot(2, -6, 0)).toEqual({ x: 2, y: -3, kind: 'both', error: [3, 3] })
    expect(intervalDot(2, null, -27)).toEqual({ x: 2, y: -27, kind: 'at most', error: [0, 0] })
    expect(intervalDot(2, 60, null)).toEqual({ x: 2, y: 60, kind: 'at least', error: [0, 0] })
  })
})
