import { expect, it } from 'vitest'
import { placesOf } from './places'

it('counts who comes where, and shares a place that several have', () => {
  const { chances, ahead } = placesOf([
    [3, 3, 1, 2],
    [2, 1, 2, 2],
    [1, 2, 3, 2],
  ])
  // Draw by draw: 1st 2nd 3rd; 1st 3rd 2nd; 3rd 2nd 1st; all three alike.
  expect(chances[0]).toEqual([2 / 4 + 1 / 12, 1 / 12, 1 / 4 + 1 / 12])
  expect(chances.map((c) => c.reduce((s, v) => s + v, 0))).toEqual(
    [1, 1, 1].map((v) => expect.closeTo(v, 12) as number),
  )
  expect(ahead[0]![1]).toBeCloseTo((2 + 0.5) / 4, 12)
  expect(ahead[1]![0]).toBeCloseTo((1 + 0.5) / 4, 12)
})
