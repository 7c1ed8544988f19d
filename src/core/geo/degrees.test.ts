import { expect, it } from 'vitest'
import { inverse, metresPerDegree } from '.'

it.each([0, 30, 47.3, 60, 80])('a degree at %d° is as long as the geodesic says', (lat) => {
  // Over a thousandth of a degree the arc and the geodesic are the same to far less than a millimetre.
  const d = 0.0005
  const north = inverse({ lat: lat - d, lon: 0 }, { lat: lat + d, lon: 0 }).distanceM / (2 * d)
  const east = inverse({ lat, lon: -d }, { lat, lon: d }).distanceM / (2 * d)
  expect(Math.abs(metresPerDegree(lat).lat - north)).toBeLessThan(1)
  expect(Math.abs(metresPerDegree(lat).lon - east)).toBeLessThan(1)
})
