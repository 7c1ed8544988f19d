import { expect, it } from 'vitest'
import { uniformRandom } from '@/core/stats/numeric/uniformRandom'
import { AVERAGE_GROUND, SEA, sphericalEarthLoss, type DiffractionPath } from '..'
import { QuickSphere } from './quickSphere'

// The oracle is the same recommendation, one path at a time.
it.each([
  [10, 'vertical', SEA],
  [10, 'horizontal', AVERAGE_GROUND],
  [27, 'vertical', AVERAGE_GROUND],
  [155, 'horizontal', SEA],
  [446, 'vertical', AVERAGE_GROUND],
  [2400, 'vertical', AVERAGE_GROUND],
] as const)('what a smooth earth takes at %d MHz, %s, is the same', (frequencyMHz, polarisation, ground) => {
  const path: DiffractionPath = { frequencyMHz, polarisation, ground, sea: SEA, radiusKm: 8494.667 }
  const quick = new QuickSphere(path)
  const { uniform } = uniformRandom(frequencyMHz)
  const [kinds, far] = [new Set<string>(), [0.05, 3, 30, 300]]
  for (let i = 0; i < 4000; i++) {
    const d = far[i % 4]! * (0.1 + uniform())
    const [h1, h2] = [10 ** (4 * uniform() - 1), 10 ** (4 * uniform() - 1)]
    const share = [0, 0.3, 1, 0.8][(i >> 2) % 4]!
    const expected = sphericalEarthLoss(path, d, h1, h2, share)
    kinds.add(
      expected === 0
        ? 'clear'
        : d > Math.sqrt(0.002 * path.radiusKm) * (Math.sqrt(h1) + Math.sqrt(h2))
          ? 'beyond'
          : 'grazing',
    )
    expect(Math.abs(quick.lossDb(d, h1, h2, share) - expected)).toBeLessThan(1e-8 * (1 + Math.abs(expected)))
  }
  expect([...kinds].sort()).toEqual(['beyond', 'clear', 'grazing'])
})
