import { describe, expect, it } from 'vitest'
import { bulgeM, fresnelM } from '@/core/propagation'
import type { GroundProfile } from '@/core/terrain'
import { HEIGHT, LEFT, profileGeometry, RIGHT } from './profileGeometry'

const KM = [0, 1, 2, 3, 4]
const profileOf = (heights: readonly number[], woods?: readonly number[]) =>
  ({
    distancesKm: Float64Array.from(KM),
    heightsM: Float64Array.from(heights),
    lengthKm: 4,
    cover: woods ? { woodTopM: Float64Array.from(woods) } : null,
  }) as unknown as GroundProfile

const SEEN = { nearM: 10, farM: 2, frequencyMHz: 145, width: 800 }
const points = (path: string) =>
  [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])] as const)

describe('a profile as it is drawn', () => {
  it('goes from margin to margin, the higher the nearer to the top, and reads heights back', () => {
    const g = profileGeometry(profileOf([5, 20, 60, 20, 5]), SEEN)
    expect(g.x(0)).toBe(LEFT)
    expect(g.x(4)).toBe(800 - RIGHT)
    expect(g.y(60)).toBeLessThan(g.y(20))
    for (const m of [0, 33, 60]) expect(g.metresAt(g.y(m))).toBeCloseTo(m, 9)
    for (const [x, y] of points(g.ground)) {
      expect(x).toBeGreaterThanOrEqual(LEFT)
      expect(y).toBeGreaterThan(0)
      expect(y).toBeLessThan(HEIGHT)
    }
  })

  it('draws the ground as the earth bulges, half-way the most', () => {
    const g = profileGeometry(profileOf([0, 0, 0, 0, 0]), SEEN)
    const heights = points(g.ground).map(([, y]) => g.metresAt(y))
    // Drawn to a tenth of a px, which is some 0.01 m here.
    heights.forEach((m, i) => expect(m).toBeCloseTo(bulgeM(KM[i]!, 4 - KM[i]!), 1))
  })

  it('has the line between both antennas, and the zone about it as wide as it is in metres', () => {
    const g = profileGeometry(profileOf([5, 0, 0, 0, 9]), SEEN)
    expect(g.line(0)).toBe(15)
    expect(g.line(4)).toBe(11)
    expect(g.line(2)).toBe(13)
    const zone = points(g.ellipse(1))
    const half = zone.length / 2
    const [above, below] = [zone[2]!, zone[half + 2]!]
    expect((g.metresAt(below[1]) - g.metresAt(above[1])) / -2).toBeCloseTo(fresnelM(145, 2, 2), 0)
    // At the antennas themselves it is a point.
    expect(zone[0]![1]).toBeCloseTo(zone[zone.length - 1]![1], 1)
  })

  it('shows what stands over the line, and nothing where it is free', () => {
    expect(profileGeometry(profileOf([5, 0, 0, 0, 5]), SEEN).blocked).toEqual([])
    expect(profileGeometry(profileOf([5, 0, 90, 0, 5]), SEEN).blocked).toHaveLength(2)
  })

  it('has room for the tops of woods, drawn where they stand', () => {
    const g = profileGeometry(profileOf([5, 0, 0, 0, 5], [0, 18, 18, 0, 0]), SEEN)
    expect(g.high).toBeGreaterThan(18)
    expect(g.woods).toHaveLength(1)
    expect(profileGeometry(profileOf([5, 0, 0, 0, 5]), SEEN).woods).toEqual([])
  })
})
