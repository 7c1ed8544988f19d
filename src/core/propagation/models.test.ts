import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  AVERAGE_GROUND,
  bullingtonLoss,
  deltaBullingtonLoss,
  egliLoss,
  fresnelM,
  freeSpaceLoss,
  hataLoss,
  horizonKm,
  knifeEdgeLoss,
  oneRootHorizonKm,
  planeEarthLoss,
  sphericalEarthLoss,
  woodsLoss,
  type DiffractionPath,
  type Profile,
} from '.'

const path = (frequencyMHz: number, polarisation: DiffractionPath['polarisation']): DiffractionPath => ({
  frequencyMHz,
  polarisation,
  ground: AVERAGE_GROUND,
  radiusKm: 8494.667,
})
const frequency = fc.constantFrom(30, 155, 460, 900, 2400)
const polarisation = fc.constantFrom('horizontal' as const, 'vertical' as const)
const height = fc.double({ min: 0.5, max: 60, noNaN: true })
const profile: fc.Arbitrary<Profile> = fc
  .tuple(
    fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { minLength: 3, maxLength: 60 }),
    fc.double({ min: 0.5, max: 40, noNaN: true }),
  )
  .map(([heightsM, d]) => ({
    heightsM,
    distancesKm: heightsM.map((_, i) => (d * i) / (heightsM.length - 1)),
  }))
const turned = ({ distancesKm, heightsM }: Profile): Profile => {
  const [D, H] = [Array.from(distancesKm), Array.from(heightsM)]
  const d = D[D.length - 1]!
  return { distancesKm: D.map((x) => d - x).reverse(), heightsM: H.reverse() }
}

describe('diffraction over any ground', () => {
  it('is finite and never below nought', () => {
    fc.assert(
      fc.property(profile, height, height, frequency, polarisation, (p, a, b, f, pol) => {
        const { lossDb, bullington, smoothDb } = deltaBullingtonLoss(p, a, b, path(f, pol))
        expect(Number.isFinite(lossDb)).toBe(true)
        expect(lossDb).toBeGreaterThanOrEqual(0)
        expect(lossDb).toBeCloseTo(bullington.lossDb + smoothDb, 9)
      }),
    )
  })

  it('is the same from either end', () => {
    fc.assert(
      fc.property(profile, height, height, frequency, polarisation, (p, a, b, f, pol) => {
        const there = deltaBullingtonLoss(p, a, b, path(f, pol)).lossDb
        const back = deltaBullingtonLoss(turned(p), b, a, path(f, pol)).lossDb
        expect(Math.abs(there - back)).toBeLessThan(0.01)
      }),
    )
  })

  it('does not fall when a wall in the middle grows', () => {
    fc.assert(
      fc.property(height, height, frequency, (a, b, f) => {
        const at = (wall: number) => {
          const distancesKm = Array.from({ length: 41 }, (_, i) => i / 4)
          const p = { distancesKm, heightsM: distancesKm.map((_, i) => (i === 20 ? wall : 0)) }
          return bullingtonLoss(p, a, b, { frequencyMHz: f, radiusKm: 8494.667 }).lossDb
        }
        const walls = [0, 5, 20, 60, 150, 400].map(at)
        walls.reduce((before, now) => {
          expect(now).toBeGreaterThanOrEqual(before - 1e-9)
          return now
        })
      }),
    )
  })

  it('over a smooth earth grows with distance beyond the horizon and falls with height', () => {
    fc.assert(
      fc.property(height, height, frequency, polarisation, (a, b, f, pol) => {
        const sight = horizonKm([a, b])
        const at = (km: number, more = 0) => sphericalEarthLoss(path(f, pol), km, a + more, b)
        expect(at(sight * 1.6)).toBeGreaterThan(at(sight * 1.2))
        expect(at(sight * 1.4, 10)).toBeLessThanOrEqual(at(sight * 1.4) + 1e-9)
      }),
    )
  })
})

describe('median models', () => {
  it('fall with height, grow with distance, and are never below free space', () => {
    const km = fc.double({ min: 1, max: 20, noNaN: true })
    const mast = fc.double({ min: 30, max: 200, noNaN: true })
    fc.assert(
      fc.property(fc.constantFrom(155, 460, 900), km, mast, (f, d, h) => {
        const models = [
          (x: number, m: number) => planeEarthLoss(f, x, m, 1.5),
          (x: number, m: number) => egliLoss(f, x, m, 1.5),
          (x: number, m: number) => hataLoss('urban', f, x, m, 1.5),
          (x: number, m: number) => hataLoss('open', f, x, m, 1.5),
        ]
        for (const model of models) {
          expect(model(d, h)).toBeGreaterThanOrEqual(freeSpaceLoss(f, d) - 1e-9)
          expect(model(d * 1.3, h)).toBeGreaterThan(model(d, h))
          expect(model(d, h * 1.2)).toBeLessThanOrEqual(model(d, h) + 1e-9)
        }
      }),
    )
  })

  it('a town costs more than a suburb, and a suburb more than open land', () => {
    for (const f of [160, 450, 900, 1400])
      for (const d of [1, 5, 15]) {
        const [urban, suburban, open] = (['urban', 'suburban', 'open'] as const).map((p) =>
          hataLoss(p, f, d, 60, 1.5),
        )
        expect(urban).toBeGreaterThan(suburban!)
        expect(suburban).toBeGreaterThan(open!)
      }
  })

  it('woods cost more the deeper and the higher the frequency', () => {
    for (const f of [100, 155, 300, 460, 900, 2400])
      for (const [a, b] of [
        [1, 5],
        [15, 50],
        [60, 300],
      ] as const)
        expect(woodsLoss(f, b)).toBeGreaterThan(woodsLoss(f, a))
    expect(woodsLoss(900, 50)).toBeGreaterThan(woodsLoss(460, 50))
  })
})

describe('geometry', () => {
  it('a knife edge costs 6 dB at grazing and more the deeper it stands in', () => {
    expect(knifeEdgeLoss(0)).toBeCloseTo(6.03, 1)
    fc.assert(
      fc.property(fc.double({ min: -0.7, max: 20, noNaN: true }), (nu) => {
        expect(knifeEdgeLoss(nu + 0.1)).toBeGreaterThan(knifeEdgeLoss(nu))
      }),
    )
  })

  it('the Fresnel zone is widest in the middle, and one root is always too short', () => {
    fc.assert(
      fc.property(frequency, fc.double({ min: 0.5, max: 30, noNaN: true }), height, height, (f, d, a, b) => {
        expect(fresnelM(f, d / 2, d / 2)).toBeGreaterThanOrEqual(fresnelM(f, d / 5, (4 * d) / 5))
        expect(oneRootHorizonKm([a, b])).toBeLessThan(horizonKm([a, b]))
        expect(horizonKm([a, b], 1)).toBeLessThan(horizonKm([a, b]))
      }),
    )
  })
})
