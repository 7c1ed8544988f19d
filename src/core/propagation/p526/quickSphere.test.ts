import { expect, it } from 'vitest'
import { uniformRandom } from '@/core/stats/numeric/uniformRandom'
import { AVERAGE_GROUND, sphericalEarthLoss, type DiffractionPath } from '..'
import { QuickSphere } from './quickSphere'

const SEA = { sigmaSm: 5, epsilonR: 80 }

// The oracle is the same recommendation, one path at a time.
it.each([
  [10, 'vertical', SEA],
  [10, 'horizontal', AVERAGE_GROUND],
  [27, 'vertical', AVERAGE_GROUND],
  [155, 'horizontal', SEA],
  [446, 'vertical', AVERAGE_GROUND],
  [2400, 'vertical', AVERAGE_GROUND],
] as const)('what a smooth earth takes at %d MHz, %s, is the same', (frequencyMHz, polarisation, ground) => {
  const path: DiffractionPath = { frequencyMHz, polarisation, ground, radiusKm: 8494.667 }
  const quick = new QuickSphere(path)
  const { uniform } = uniformRandom(frequencyMHz)
  const [kinds, far] = [new Set<string>(), [0.05, 3, 30, 300]]
  for (let i = 0; i < 4000; i++) {
    const d = far[i % 4]! * (0.1 + uniform())
    const [h1, h2] = [10 ** (4 * uniform() - 1), 10 ** (4 * uniform() - 1)]
    const expected = sphericalEarthLoss(path, d, h1, h2)
    kinds.add(
      expected === 0
        ? 'clear'
        : d > Math.sqrt(0.002 * path.radiusKm) * (Math.sqrt(h1) + Math.sqrt(h2))
          ? 'beyond'
          : 'grazing',
    )
    expect(Math.abs(quick.lossDb(d, h1, h2) - expected)).toBeLessThan(1e-8 * (1 + Math.abs(expected)))
  }
  expect([...kinds].sort()).toEqual(['beyond', 'clear', 'grazing'])
})
