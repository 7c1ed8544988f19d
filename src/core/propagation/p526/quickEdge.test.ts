import { expect, it } from 'vitest'
import { edgeWithDistance } from './bullington'
import { quickEdge } from './quickEdge'

// The oracle is the formula of the recommendation.
it('an edge from the table is the same, from where it begins to beyond its end', () => {
  let worst = 0
  for (let nu = -3; nu < 60; nu += 0.00137)
    for (const d of [0.1, 12, 300])
      worst = Math.max(worst, Math.abs(quickEdge(nu, d) - edgeWithDistance(nu, d)))
  expect(worst).toBeLessThan(1e-6)
  expect([quickEdge(-0.78, 5), quickEdge(-9, 5), quickEdge(1e6, 5)]).toEqual([0, 0, edgeWithDistance(1e6, 5)])
})
