import { describe, expect, it } from 'vitest'
import { direct, inverse } from '@/core/geo'
import { groundProfile, terrainOf, type HeightGrid } from '.'
import { coverAt, coverOf, inArea, placesInArea, type CoverArea, type Rings } from './cover'
import { woodDepthM } from './woodDepth'

const square = (west: number, south: number, side: number): Rings[number] => [
  [west, south],
  [west + side, south],
  [west + side, south + side],
  [west, south + side],
  [west, south],
]
const wood = (rings: Rings, heightM = 15): CoverArea => ({ kind: 'wood', heightM, rings })

describe('areas', () => {
  const ringed: Rings = [square(-30, 47, 0.1), square(-29.96, 47.04, 0.02)]
  it('have an inside and an outside, and holes are outside', () => {
    expect(inArea(ringed, { lat: 47.02, lon: -29.98 })).toBe(true)
    expect(inArea(ringed, { lat: 47.05, lon: -29.95 })).toBe(false)
    expect(inArea(ringed, { lat: 47.2, lon: -29.98 })).toBe(false)
    expect(inArea(ringed, { lat: 47, lon: -29.95 })).toBe(true)
  })
  it('where they overlap the last one stands', () => {
    const cover = coverOf([
      wood([square(-30, 47, 0.1)]),
      { kind: 'town', heightM: 20, rings: [square(-30, 47, 0.05)] },
    ])
    expect(coverAt(cover, { lat: 47.01, lon: -29.99 })?.kind).toBe('town')
    expect(coverAt(cover, { lat: 47.08, lon: -29.92 })).toEqual({ kind: 'wood', heightM: 15 })
    expect(coverAt(cover, { lat: 46, lon: -29.92 })).toBeNull()
  })
  it('are stood for by places inside them, even where they are slender or tiny', () => {
    const slender: Rings = [
      [
        [-30, 47],
        [-29.9, 47.001],
        [-29.9, 47.002],
        [-30, 47.001],
        [-30, 47],
      ],
    ]
    for (const rings of [ringed, slender]) {
      const places = placesInArea(rings, 100)
      expect(places.length).toBeGreaterThanOrEqual(50)
      expect(places.every((p) => inArea(rings, p))).toBe(true)
    }
    const speck: Rings = [
      [
        [-30, 47],
        [-29.999999999, 47],
        [-29.999999999, 47.000000001],
        [-30, 47],
      ],
    ]
    expect(placesInArea(speck, 100).length).toBeGreaterThan(0)
  })
})

/** Ten kilometres of samples every 100 m at a height; a wall where asked. */
const profile = (heightAt: (km: number) => number) => {
  const distancesKm = Float64Array.from({ length: 101 }, (_, i) => i / 10)
  return { distancesKm, heightsM: distancesKm.map(heightAt) }
}
const trees = (from: number, to: number, m: number) =>
  Float32Array.from({ length: 101 }, (_, i) => (i / 10 >= from && i / 10 <= to ? m : 0))

describe('woodDepthM', () => {
  // On flat ground of this length the bulge in the middle is 10²/8/(4/3·6371)·1000 = 1.5 m, by hand.
  it('counts the wood that the ray runs through, and none that it passes over', () => {
    const flat = profile(() => 0)
    // Samples from 4.0 to 4.8 km, and half a step beyond each.
    expect(woodDepthM(flat, trees(4, 4.8, 15), 10, 10)).toBeCloseTo(900, 6)
    expect(woodDepthM(flat, trees(4, 4.8, 8), 10, 10)).toBe(0)
    expect(woodDepthM(flat, trees(0, 10, 15), 40, 40)).toBe(0)
  })
  it('from a mast down to a handheld in a wood counts the last stretch under the tops', () => {
    // The ray falls from 101.5 m to 1.5 m over 10 km, 10 m a km; it is below 15 m tops for the last 1.35 km,
    // less the bulge.
    const depth = woodDepthM(
      profile(() => 0),
      trees(5, 10, 15),
      101.5,
      1.5,
    )
    expect(depth).toBeGreaterThan(1300)
    expect(depth).toBeLessThan(1600)
  })
  it('behind a hill the ray comes down over its top, so a wood before the hill counts no more', () => {
    const hill = profile((km) => (Math.abs(km - 5) < 0.05 ? 200 : 0))
    expect(woodDepthM(hill, trees(2, 3, 15), 10, 1.5)).toBe(0)
    expect(woodDepthM(hill, trees(9.8, 10, 15), 10, 1.5)).toBeCloseTo(250, 6)
    // Without the hill both would.
    expect(
      woodDepthM(
        profile(() => 0),
        trees(2, 3, 15),
        10,
        1.5,
      ),
    ).toBeCloseTo(1100, 6)
  })
  it('is nothing without woods', () => {
    expect(
      woodDepthM(
        profile((km) => 30 * Math.sin(km)),
        trees(20, 30, 15),
        1,
        1,
      ),
    ).toBe(0)
  })
})

it('a profile knows the woods along it and what stands at its ends', () => {
  const width = 200
  const flat: HeightGrid = {
    width,
    height: width,
    west: -30,
    north: 47.1,
    stepLon: 0.001,
    stepLat: 0.001,
    scaleM: 1,
    data: new Int16Array(width * width).fill(20),
    filled: null,
  }
  const from = { lat: 47, lon: -29.95 }
  const to = direct(from, 90, 6000)
  const middle = inverse(from, { lat: 47, lon: -29.92 }).distanceM
  const cover = coverOf([
    wood([square(-29.93, 46.99, 0.02)], 12),
    { kind: 'suburb', heightM: 9, rings: [square(-29.96, 46.99, 0.02)] },
  ])
  const p = groundProfile(terrainOf([flat]), from, to, undefined, cover)
  const tops = p.cover!.woodTopM
  const at = (m: number) => tops[Math.round((m / 1000 / p.lengthKm) * (tops.length - 1))]
  expect(at(middle)).toBe(12)
  expect(at(200)).toBe(0)
  expect(p.cover!.near).toEqual({ kind: 'suburb', heightM: 9 })
  expect(p.cover!.far).toBeNull()
  expect(groundProfile(terrainOf([flat]), from, to).cover).toBeNull()
})
