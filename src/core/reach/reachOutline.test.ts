import { endClutterDb } from '@/core/propagation'
import { describe, expect, it } from 'vitest'
import { direct, inverse } from '@/core/geo'
import type { Rig } from '@/core/kit'
import { link as linkOf, rig as rigOf } from '@/core/testing/plans'
import { coverOf, terrainOf, type HeightGrid, type Rings } from '@/core/terrain'
import { pathOver, predict, USUAL_PREDICTION, type PredictionSettings } from './predict'
import { reachOutline } from './reachOutline'
import { groundProfile } from '@/core/terrain'

const rig = (letter: string, more: Partial<Rig>) =>
  rigOf(letter, { antennaHeightM: 1.5, antennaGainDbi: 0, ...more })
const link = linkOf(rig('A', { powerW: 0.05 }), rig('H', { antennaHeightM: 20, powerW: 0.05 }))
const bare: PredictionSettings = { ...USUAL_PREDICTION, baseStands: 'open', farStands: 'open' }
const base = { lat: 47.15, lon: -29.85 }

/** Half a degree of ground at one height, with a long ridge east of the base where asked. */
function ground(ridgeM = 0): HeightGrid {
  const width = 400
  const data = new Int16Array(width * width).fill(10)
  for (let r = 0; r < width; r++) for (let c = 215; c < 218; c++) data[r * width + c] = 10 + ridgeM
  return {
    width,
    height: width,
    west: -30,
    north: 47.3,
    stepLon: 0.00075,
    stepLat: 0.00075,
    scaleM: 1,
    data,
    filled: null,
  }
}
const search = { bearings: 8, farthestM: 9000, steps: 60, dipM: 500 }
const outline = (ridgeM: number, reliability = 0.9, cover: ReturnType<typeof coverOf> | null = null) =>
  reachOutline(
    { terrain: terrainOf([ground(ridgeM)]), cover },
    base,
    link,
    ['to base', 'from base'],
    bare,
    reliability,
    search,
  )

describe('reachOutline', () => {
  it('over flat ground is a circle, where one prediction after another falls below the chance', () => {
    const points = outline(0)
    const distances = points.map((p) => p.distanceM)
    expect(Math.max(...distances) - Math.min(...distances)).toBeLessThan(400)
    const terrain = terrainOf([ground(0)])
    const at = (m: number) => {
      const p = groundProfile(terrain, base, direct(base, 90, m))
      return predict(link, 'to base', pathOver(p), bare).chance
    }
    const east = points[2]!
    expect(east.bearingDeg).toBe(90)
    expect(at(east.distanceM)).toBeGreaterThanOrEqual(0.89)
    expect(at(east.distanceM + 400)).toBeLessThan(0.9)
    expect(inverse(base, east).distanceM).toBeCloseTo(east.distanceM, 3)
  })
  it('stops behind a ridge, and not the other way', () => {
    const [, , east, , , , west] = outline(180)
    expect(east!.distanceM).toBeLessThan(0.8 * west!.distanceM)
    expect(west!.distanceM).toBeCloseTo(outline(0)[6]!.distanceM, 6)
  })
  it('a higher reliability reaches less far', () => {
    const sum = (p: number) => outline(0, p).reduce((s, x) => s + x.distanceM, 0)
    expect(sum(0.5)).toBeGreaterThan(sum(0.9))
    expect(sum(0.9)).toBeGreaterThan(sum(0.99))
  })
  it('where the ground ends before the chance falls it is open', () => {
    const near = { lat: 47.15, lon: -29.995 }
    const points = reachOutline(
      { terrain: terrainOf([ground(0)]), cover: null },
      near,
      link,
      ['to base'],
      bare,
      0.9,
      search,
    )
    expect(points[6]).toMatchObject({ bearingDeg: 270, open: true })
    expect(points[6]!.distanceM).toBeLessThan(500)
    expect(points[2]!.open).toBe(false)
  })
  it('a wood on the way shortens it', () => {
    const west = [
      [-29.9, 47.1],
      [-29.875, 47.1],
      [-29.875, 47.2],
      [-29.9, 47.2],
      [-29.9, 47.1],
    ] as Rings[number]
    const wooded = outline(0, 0.9, coverOf([{ kind: 'wood', heightM: 18, rings: [west] }]))
    expect(wooded[6]!.distanceM).toBeLessThan(outline(0)[6]!.distanceM)
    expect(wooded[2]!.distanceM).toBe(outline(0)[2]!.distanceM)
  })
})

describe('what stands about an end', () => {
  const to = direct(base, 90, 2000)
  const round = (p: { lat: number; lon: number }): Rings => {
    const d = 0.003
    return [
      [
        [p.lon - d, p.lat - d],
        [p.lon + d, p.lat - d],
        [p.lon + d, p.lat + d],
        [p.lon - d, p.lat + d],
        [p.lon - d, p.lat - d],
      ],
    ]
  }
  const loss = (cover: ReturnType<typeof coverOf> | null, settings = bare) =>
    predict(
      link,
      'to base',
      pathOver(groundProfile(terrainOf([ground(0)]), base, to, undefined, cover)),
      settings,
    ).lossDb
  it('counts by its area, and the setting only where no area says', () => {
    const usual: PredictionSettings = { ...bare, farStands: 'suburb' }
    const suburbDb = endClutterDb(link.out.txMHz, link.out.antennaHeightM, 10)
    expect(suburbDb).toBeGreaterThan(10)
    expect(loss(null, usual) - loss(null)).toBeCloseTo(suburbDb, 9)
    const low = coverOf([{ kind: 'suburb', heightM: 6, rings: round(to) }])
    const lowDb = endClutterDb(link.out.txMHz, link.out.antennaHeightM, 6)
    expect(loss(low, usual) - loss(null)).toBeCloseTo(lowDb, 9)
    expect(loss(low) - loss(null)).toBeCloseTo(lowDb, 9)
  })
  it('an antenna above it has no end loss, whatever the setting says', () => {
    const houses = coverOf([{ kind: 'suburb', heightM: 4, rings: round(base) }])
    expect(loss(houses, { ...bare, baseStands: 'town' })).toBeCloseTo(loss(houses), 9)
    expect(loss(houses) - loss(null)).toBeLessThan(3)
  })
  it('houses half-way stand in the way as high ground does; where the ends are low they count once', () => {
    const half = direct(base, 90, 1000)
    const between = (heightM: number) =>
      loss(coverOf([{ kind: 'town', heightM, rings: round(half) }])) - loss(null)
    expect(between(20)).toBeGreaterThan(5)
    expect(between(20)).toBeGreaterThan(between(8))
    const about = coverOf([{ kind: 'town', heightM: 20, rings: round(to) }])
    expect(loss(about) - loss(null)).toBeCloseTo(endClutterDb(link.out.txMHz, link.out.antennaHeightM, 20), 9)
  })
  it('a wood counts by the way through it, by P.833, and never more than over its tops', () => {
    // The wood's edge lies 0.003° or 227 m off, give or take a step of 83 m: by P.833 at 446 or 460 MHz
    // 18.1 (1 - exp(-227 · 0.12 / 18.1)) = 14.1 dB; over the tops the far end stands behind trees of 15 m.
    const wood = coverOf([{ kind: 'wood', heightM: 15, rings: round(to) }])
    expect(loss(wood) - loss(null)).toBeGreaterThan(11)
    expect(loss(wood) - loss(null)).toBeLessThan(17)
    // A kilometre of low scrub: over it is the easier way.
    const scrub = coverOf([
      {
        kind: 'wood',
        heightM: 1.6,
        rings: [
          [
            [-40, 40],
            [-20, 40],
            [-20, 60],
            [-40, 60],
            [-40, 40],
          ],
        ],
      },
    ])
    expect(loss(scrub) - loss(null)).toBeLessThan(6)
  })
})
