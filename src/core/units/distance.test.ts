import { expect, it } from 'vitest'
import { fromSpeed, speedUnit, toSpeed } from './distance'

it('speeds are in miles an hour where miles are chosen', () => {
  expect(speedUnit('imperial')).toBe('mph')
  // The international mile: 1.609344 km.
  expect(fromSpeed(2.5, 'imperial')).toBeCloseTo(4.02336, 9)
  expect(toSpeed(fromSpeed(30, 'imperial'), 'imperial')).toBeCloseTo(30, 9)
  expect(toSpeed(25, 'metric')).toBe(25)
})
