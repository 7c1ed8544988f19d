import { describe, expect, it } from 'vitest'
import { uniformRandom } from '@/core/stats/numeric/uniformRandom'
import { AVERAGE_GROUND, deltaBullingtonLoss, SEA, RadialDiffraction, type DiffractionPath } from '..'

/** A way over hills of all sizes, or over the sea. */
function way(seed: number, n: number, roughM: number): number[] {
  const u = uniformRandom(seed).uniform
  const waves = Array.from({ length: 12 }, (_, k) => ({
    l: 4 + u() * 200,
    a: (roughM * u()) / (1 + k / 3),
    p: u() * 7,
  }))
  return Array.from({ length: n }, (_, i) =>
    Math.max(
      0,
      waves.reduce((s, w) => s + w.a * Math.sin(i / w.l + w.p), roughM / 2) + (u() - 0.5) * roughM * 0.1,
    ),
  )
}

// The oracle is the same method on each piece of the profile by itself.
describe('diffraction along a way', () => {
  it.each([
    [0, 0.03, 155, 'vertical', 8, 1.5],
    [20, 0.03, 446, 'vertical', 2, 1.5],
    [150, 0.06, 446, 'horizontal', 30, 1.5],
    [400, 0.09, 155, 'vertical', 10, 0.5],
    [60, 0.2, 868, 'vertical', 60, 6],
    [5, 0.25, 50, 'horizontal', 200, 10],
  ] as const)(
    '%d m rough, %d km a sample, %d MHz %s',
    (rough, stepKm, frequencyMHz, polarisation, near, far) => {
      const at = { frequencyMHz, polarisation, radiusKm: 8494.667 }
      const path: DiffractionPath = { ...at, ground: AVERAGE_GROUND, sea: SEA }
      const radial = new RadialDiffraction(400, near, far, path)
      let [worst, seas] = [0, 0]
      for (let seed = 1; seed <= 5; seed++) {
        const heightsM = way(seed, 400, rough)
        const distancesKm = heightsM.map((_, i) => i * stepKm)
        seas += heightsM.filter((h) => h === 0).length
        radial.begin(stepKm, heightsM[0]!)
        for (let j = 1; j < 400; j++) {
          radial.add(heightsM[j]!)
          const piece = { distancesKm: distancesKm.slice(0, j + 1), heightsM: heightsM.slice(0, j + 1) }
          worst = Math.max(
            worst,
            Math.abs(radial.lossDb() - deltaBullingtonLoss(piece, near, far, path).lossDb),
          )
        }
      }
      expect(worst).toBeLessThan(1e-5)
      expect(seas).toBeGreaterThan(100)
    },
  )
})
