import { expect, it } from 'vitest'
import { inverse } from './geodesic'
import { placeOfLocator } from './gridLocator'

// By hand: H is the eighth letter, 7·20 - 180 = -40, the 5 adds 10; N the fourteenth, 13·10 - 90 = 40, the 7 adds 7.
it('a square of four signs: its middle, and its half diagonal as the doubt', () => {
  const found = placeOfLocator('HN57')!
  expect(found.place).toEqual({ lat: 47.5, lon: -29 })
  expect(found.doubtM).toBeCloseTo(inverse({ lat: 47.5, lon: -29 }, { lat: 47, lon: -30 }).distanceM, 3)
})
it('six and eight signs narrow it, in either case', () => {
  // k is the eleventh letter, 10/12 of a degree of longitude; h the eighth, 7/24 of latitude; half a cell more each.
  const six = placeOfLocator(' hn57KH ')!
  expect(six.place.lon).toBeCloseTo(-30 + 10 / 12 + 1 / 24, 9)
  expect(six.place.lat).toBeCloseTo(47 + 7 / 24 + 1 / 48, 9)
  const eight = placeOfLocator('HN57kh36')!
  expect(eight.doubtM).toBeLessThan(six.doubtM)
  expect(inverse(eight.place, six.place).distanceM).toBeLessThan(six.doubtM)
})
it.each(['', 'H', 'HN5', 'ZZ12', 'HN57YY', '5H7N', 'HN57kh3', 'HN57kh367'])('is none: %j', (text) => {
  expect(placeOfLocator(text)).toBeNull()
})
