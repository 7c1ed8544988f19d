import { describe, expect, it } from 'vitest'
import { direct, inverse } from '@/core/geo'
import { metresPerDegree } from '@/core/geo/degrees'
import type { Rig } from '@/core/kit'
import { normalCdf } from '@/core/stats'
import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import { uniformRandom } from '@/core/stats/numeric/uniformRandom'
import { coverOf, groundProfile, inArea, terrainOf, VOID, type HeightGrid } from '@/core/terrain'
import { link as linkOf, rig as rigOf } from '@/core/testing/plans'
import { correctedBy } from '../correction/correction'
import { learnCorrection, priorCorrection } from '../correction/learnCorrection'
import { linkKey } from '../linkKey'
import { lossOver } from '../lossOver'
import { pathOver, predict, USUAL_PREDICTION, type PredictionSettings } from '../predict'
import { HOW, ReachMapMaker } from './chanceField'
import { coverField } from './coverField'
import { enoughOf, leastThatIsEnough } from './enough'
import { holesIn } from './holes'
import { checkPlaces, nextOnMap } from './nextOnMap'
import { reachMap, wholeMap } from './reachMap'
import { coverChance, coverDraws, drawnShares, shareOf, wayKey, type AskedPlace } from './jointDraws'
import { lossField } from './lossField'
import { ringsWithin } from './mapRings'
import { cellPlace, emptyField, fieldPlace, fieldSide, rasterAbout, rasterGround, refined } from './mapRaster'

const BASE = { lat: 47.15, lon: -29.85 }
const rig = (letter: string, more: Partial<Rig>) =>
  rigOf(letter, { antennaHeightM: 1.5, antennaGainDbi: 0, ...more })
const LINK = linkOf(rig('A', { powerW: 0.5 }), rig('H', { antennaHeightM: 12, powerW: 5 }))
const STRONG = linkOf(rig('B', { powerW: 5 }), rig('H', { antennaHeightM: 12, powerW: 5 }))
const BEAM = linkOf(
  rig('C', { powerW: 5, antennaGainDbi: null }),
  rig('K', {
    antennaHeightM: 12,
    polarisation: 'horizontal',
    azimuthDeg: 70,
    pattern: [
      { angleDeg: 0, db: 0 },
      { angleDeg: 45, db: -8 },
      { angleDeg: 90, db: -18 },
      { angleDeg: 180, db: -14 },
    ],
  }),
)
const BOTH = ['to base', 'from base'] as const

/** Rolling hills of 0 to 120 m, the same each time; a hole in the south-west where asked. */
function hills(hole = false): HeightGrid {
  const width = 300
  const u = uniformRandom(7).uniform
  const waves = Array.from({ length: 10 }, () => ({ x: (u() - 0.5) / 6, y: (u() - 0.5) / 6, p: u() * 7 }))
  const data = Int16Array.from({ length: width * width }, (_, i) => {
    const [r, c] = [Math.floor(i / width), i % width]
    if (hole && r > 170 && c < 125) return VOID
    return Math.max(0, Math.round(60 + 12 * waves.reduce((s, w) => s + Math.sin(c * w.x + r * w.y + w.p), 0)))
  })
  return {
    width,
    height: width,
    west: -29.98,
    north: 47.24,
    stepLon: 0.0009,
    stepLat: 0.0006,
    scaleM: 1,
    data,
    filled: null,
  }
}
const TERRAIN = terrainOf([hills()])
const ENDS = { frequencyMHz: 446, baseM: 12, farM: 1.5, vertical: true }
const WOOD = coverOf([
  {
    kind: 'wood',
    heightM: 15,
    rings: [
      [
        [-29.82, 47.13],
        [-29.8, 47.13],
        [-29.8, 47.17],
        [-29.82, 47.17],
        [-29.82, 47.13],
      ],
    ],
  },
])

describe('losses over a map', () => {
  const raster = rasterAbout(TERRAIN, BASE, 4000)
  const ground = rasterGround(TERRAIN, null, raster)

  it('leave no cell out, and every cell is looked at once whatever is left out between', () => {
    for (const every of [8, 4, 2, 1]) {
      const { values } = lossField(ground, ENDS, USUAL_PREDICTION, every)
      const unknown = [...values].filter(Number.isNaN).length
      expect(unknown).toBe(0)
      expect(values.length).toBe(fieldSide(raster, every) ** 2)
    }
  })

  it('are those of each path by itself: of its heights exactly, of the finer ground on the middle', () => {
    const { values } = lossField(ground, ENDS, USUAL_PREDICTION, 1)
    const side = fieldSide(raster, 1)
    const east = Array.from({ length: raster.half + 1 }, (_, k) => raster.half * side + raster.half + k)
    for (const n of [5, 20, raster.half]) {
      const cells = east.slice(0, n + 1)
      const profile = {
        distancesKm: cells.map((_, i) => (i * raster.stepM) / 1000),
        heightsM: cells.map((i) => ground.heightsM[i]!),
      }
      const distanceKm = profile.distancesKm[n]!
      const alone = lossOver(
        { ...ENDS, distanceKm, profile, vertical: true, k: 4 / 3 },
        null,
        USUAL_PREDICTION,
      )
      expect(Math.abs(values[cells[n]!]! - alone.lossDb)).toBeLessThan(1e-3)
    }
    const off = Array.from({ length: 60 }, (_, i) => {
      const cell = (i * 7919) % values.length
      const place = fieldPlace({ raster, every: 1 }, cell)
      if (inverse(BASE, place).distanceM < 300) return 0
      const p = groundProfile(TERRAIN, BASE, place)
      const alone = lossOver(
        { ...ENDS, distanceKm: p.lengthKm, profile: p, vertical: true, k: 4 / 3 },
        null,
        USUAL_PREDICTION,
      )
      return Math.abs(values[cell]! - alone.lossDb)
    }).sort((a, b) => a - b)
    expect(off[30]).toBeLessThan(0.5)
    expect(off[54]).toBeLessThan(3)
  })

  it('count what stands on the way as a path by itself does', () => {
    const wooded = rasterGround(TERRAIN, WOOD, raster)
    const { values } = lossField(wooded, ENDS, USUAL_PREDICTION, 1)
    const bare = lossField(ground, ENDS, USUAL_PREDICTION, 1).values
    const side = fieldSide(raster, 1)
    // Within the wood and beyond it, and one to the west, where there is none.
    for (const [eastM, differs] of [
      [3000, true],
      [3900, true],
      [-3000, false],
    ] as const) {
      const cell = raster.half * side + raster.half + Math.round(eastM / raster.stepM)
      const place = cellPlace(raster, Math.round(eastM / raster.stepM), 0)
      const p = groundProfile(TERRAIN, BASE, place, undefined, WOOD)
      const geometry = { ...ENDS, distanceKm: p.lengthKm, profile: p, vertical: true, k: 4 / 3 }
      expect(Math.abs(values[cell]! - lossOver(geometry, p.cover, USUAL_PREDICTION).lossDb)).toBeLessThan(2)
      expect(Math.abs(values[cell]! - bare[cell]!) > 3).toBe(differs)
    }
  })

  it('are not known behind ground that is not', () => {
    const holed = rasterGround(terrainOf([hills(true)]), null, raster)
    const field = lossField(holed, ENDS, USUAL_PREDICTION, 4)
    expect([...field.values].filter(Number.isNaN).length).toBeGreaterThan(50)
    expect(field.values[0]).not.toBeNaN()
    const { values } = new ReachMapMaker(holed).chance(LINK, BOTH, USUAL_PREDICTION, 4)
    expect([...values].map(Number.isNaN)).toEqual([...field.values].map(Number.isNaN))
  })

  it('are read between the places of a coarser field', () => {
    const field = lossField(ground, ENDS, USUAL_PREDICTION, 8)
    const fine = refined(field, 4)
    expect(fine.values[0]).toBe(field.values[0])
    expect(fine.values[1]).toBeCloseTo((field.values[0]! + field.values[1]!) / 2, 4)
  })
})

const seen = Array.from({ length: 24 }, (_, i) => {
  const distanceM = 300 * (1 + (i % 12))
  return {
    checkId: `c${i}`,
    key: linkKey(LINK),
    direction: 'to base' as const,
    place: direct(BASE, i < 12 ? 40 : 200, distanceM),
    distanceM,
    predictedDb: 30 - 0.008 * distanceM,
    meter: null,
    lower: i % 12 < 5 ? 0 : -Infinity,
    upper: i % 12 < 5 ? Infinity : 0,
  }
})
const CORRECTION = learnCorrection(seen)!

describe('the chance over a map', () => {
  const raster = rasterAbout(TERRAIN, BASE, 4000)
  const maker = new ReachMapMaker(rasterGround(TERRAIN, null, raster))

  it.each([
    ['before any check', null, LINK],
    ['corrected', CORRECTION, LINK],
    ['with a beam whose waves lie, and a whip of unknown gain', null, BEAM],
    ['with these, corrected', CORRECTION, BEAM],
  ])('is the one that is predicted at a place, %s', (_, correction, link) => {
    const settings: PredictionSettings = { ...USUAL_PREDICTION, correction }
    const { values } = maker.chance(link, BOTH, settings, 4)
    const off: number[] = []
    for (let i = 3; i < values.length; i += 61) {
      const place = fieldPlace({ raster, every: 4 }, i)
      const p = groundProfile(TERRAIN, BASE, place)
      if (p.lengthKm < 0.4) continue
      const one = Math.min(...BOTH.map((d) => predict(link, d, pathOver(p), settings).chance))
      off.push(Math.abs(values[i]! - one))
    }
    off.sort((a, b) => a - b)
    expect(off.length).toBeGreaterThan(20)
    expect(off[Math.floor(off.length / 2)]).toBeLessThan(0.03)
    expect(off[Math.floor(off.length * 0.9)]).toBeLessThan(0.15)
  })

  it('tells where it is known, and where it is the prediction alone', () => {
    expect(maker.how(USUAL_PREDICTION, 4)).toBeNull()
    const { values } = maker.how({ ...USUAL_PREDICTION, correction: CORRECTION }, 8)!
    const near = CORRECTION.places[0]!
    const degree = metresPerDegree(BASE.lat)
    const column = Math.round(((near.lon - BASE.lon) * degree.lon) / raster.stepM / 8 + raster.half / 8)
    const row = Math.round(((BASE.lat - near.lat) * degree.lat) / raster.stepM / 8 + raster.half / 8)
    expect(values[row * fieldSide(raster, 8) + column]).toBeLessThan(HOW.indexOf('only the prediction'))
    expect(values[fieldSide(raster, 8) - 1]).toBe(HOW.indexOf('only the prediction'))
  })
})

describe('what is covered, drawn jointly', () => {
  const asked = Array.from({ length: 60 }, (_, i): AskedPlace => {
    const distanceM = 200 + 60 * i
    return {
      place: direct(BASE, 40 + i, distanceM),
      distanceM,
      predictedDb: Object.fromEntries(
        [LINK, STRONG].flatMap((l) =>
          BOTH.map((d) => [wayKey(l, d), 25 - 0.006 * distanceM + (l === STRONG ? 4 : 0)]),
        ),
      ),
    }
  })
  const draws = coverDraws({
    places: asked,
    links: [LINK, STRONG],
    directions: ['to base'],
    correction: CORRECTION,
    reliability: 0.9,
  })

  it('agrees place by place with the normal that each margin has', () => {
    const drawn = coverChance(draws, 2, 0)
    const need = CORRECTION.callDb * normalQuantile(0.9)
    const off = asked.map((p, i) => {
      const c = correctedBy(CORRECTION, linkKey(LINK), 'to base', p.place, p.distanceM)
      const margin = p.predictedDb[wayKey(LINK, 'to base')]! + c.db
      return drawn[i]! - normalCdf((margin - need) / c.placeSdDb)
    })
    // 200 draws of a chance spread by 0.035 at the most.
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(0.12)
    expect(Math.abs(off.reduce((s, v) => s + v, 0) / off.length)).toBeLessThan(0.03)
  })

  it('a share has an interval wider than places apart from one another would give', () => {
    const share = shareOf(drawnShares(draws, 2, (by) => by(0)))
    const apart = 1.64 * Math.sqrt((share.median * (1 - share.median)) / asked.length)
    expect(share.high - share.low).toBeGreaterThan(2 * apart)
    expect(share.low).toBeLessThanOrEqual(share.median)
    const either = shareOf(drawnShares(draws, 2, (by) => by(0) || by(1)))
    expect(either.median).toBeGreaterThanOrEqual(share.median)
  })

  it('before any check says how little it knows; of ground that nobody knows nothing is covered', () => {
    const ask = { links: [LINK], directions: BOTH, reliability: 0.9 }
    const before = shareOf(
      drawnShares(coverDraws({ ...ask, places: asked, correction: null }), 1, (by) => by(0)),
    )
    expect(before.high - before.low).toBeGreaterThan(0.6)
    expect(priorCorrection([linkKey(LINK)]).checks).toBe(0)
    const unknown = asked.map((p) => ({ ...p, predictedDb: {} }))
    const nothing = drawnShares(coverDraws({ ...ask, places: unknown, correction: null }), 1, (by) => by(0))
    expect(shareOf(nothing).high).toBe(0)
  })
})

describe('the map of links', () => {
  const raster = rasterAbout(TERRAIN, BASE, 4000)
  const maker = new ReachMapMaker(rasterGround(TERRAIN, null, raster))
  const settings: PredictionSettings = { ...USUAL_PREDICTION, correction: CORRECTION }
  const square = (west: number, south: number, side: number): [number, number][][] => [
    [
      [west, south],
      [west + side, south],
      [west + side, south + side],
      [west, south + side],
      [west, south],
    ],
  ]
  const way = [0, 1, 2, 3].map((i) => direct(BASE, 40, 1000 * i))
  const ask = (links: (typeof LINK)[]) => ({
    links,
    directions: [...BOTH],
    settings,
    reliability: 0.9,
    every: 4,
    areas: [
      { id: 'near', rings: square(-29.855, 47.146, 0.01) },
      { id: 'far', rings: square(-29.885, 47.17, 0.012) },
    ],
    routes: [{ id: 'way', track: way }],
  })
  const one = reachMap(maker, ask([LINK]))

  it('of one has its contours, the higher within the lower, and says what it covers', () => {
    const [low, high] = one.layers.filter((l) => l.kind === 'chance')
    const size = (rings: [number, number][][][]) =>
      rings.reduce(
        (s, [outline]) =>
          s +
          Math.abs(
            outline!
              .slice(1)
              .reduce((t, [x, y], i) => t + (outline![i]![0] * y - x * outline![i]![1]) / 2, 0),
          ),
        0,
      )
    expect([low!.level, high!.level]).toEqual([0.5, 0.9])
    expect(size(high!.rings)).toBeLessThan(size(low!.rings))
    expect([one.land, one.knownKm2]).toEqual([false, expect.closeTo(Math.PI * 16, 0)])
    expect(one.areas[0]!.links[0]!.median).toBeGreaterThan(one.areas[1]!.links[0]!.median)
  })

  it('the holes of an area make up what is likely not covered of it', () => {
    const far = one.areas[1]!
    const cellKm2 = ((raster.stepM * 4) / 1000) ** 2
    const cover = coverField(maker, LINK, BOTH, settings, 0.9, 4)
    const open = [...cover.values].filter(
      (v, i) => !(v >= 0.5) && inArea(square(-29.885, 47.17, 0.012), fieldPlace(cover, i)),
    )
    const holes = holesIn(cover, square(-29.885, 47.17, 0.012), 999)
    expect(holes.reduce((s, h) => s + h.km2, 0)).toBeCloseTo(open.length * cellKm2, 6)
    expect(far.holes[0]!.every((h, i, all) => i === 0 || h.km2 <= all[i - 1]!.km2)).toBe(true)
  })

  it('a way out is told in stretches from one end to the other', () => {
    const { lengthM, stretches } = one.routes[0]!
    expect(lengthM).toBeCloseTo(3000, -1)
    const [told] = stretches
    expect(told![0]!.fromM).toBe(0)
    expect(told!.at(-1)!.toM).toBeCloseTo(lengthM, 3)
    told!.slice(1).forEach((s, i) => {
      expect(s.fromM).toBe(told![i]!.toM)
      expect(s.state).not.toBe(told![i]!.state)
    })
    expect(told![0]!.state).toBe('covered')
  })

  it('what is covered ends in a round line where the map does, not in the corners of its cells', () => {
    const all = emptyField(raster, 4)
    all.values.fill(1)
    const [[outline]] = ringsWithin(all, 0.5) as [[[number, number][]]]
    const farM = outline.map(([lon, lat]) => inverse(BASE, { lat, lon }).distanceM)
    const radiusM = raster.half * raster.stepM
    expect(Math.max(...farM.map((m) => Math.abs(m - radiusM)))).toBeLessThan(4 * raster.stepM)
  })

  it('the sea is left out of what the map counts, unless hardly anything is land', () => {
    const sea = (share: number) => {
      const flooded = hills()
      const rows = Math.round(share * flooded.height)
      const data = flooded.data.map((h, i) => (Math.floor(i / flooded.width) < rows ? 0 : Math.max(1, h)))
      const shore = new ReachMapMaker(rasterGround(terrainOf([{ ...flooded, data }]), null, raster))
      return { map: reachMap(shore, ask([LINK])), places: wholeMap(shore) }
    }
    const dry = sea(0)
    const half = sea(0.5)
    expect([dry.map.land, half.map.land]).toEqual([false, true])
    // The grid's middle row lies at 47.15, as the base does.
    expect(half.map.knownKm2 / dry.map.knownKm2).toBeCloseTo(0.5, 1)
    expect(half.places.length / dry.places.length).toBeCloseTo(0.5, 1)
    expect(half.places.every((p) => p.lat < BASE.lat + 0.001)).toBe(true)
    expect(sea(0.99).map.land).toBe(false)
  })

  it('of two, the stronger wins ground and loses none; a link beside itself wins nothing', () => {
    const two = reachMap(maker, ask([LINK, STRONG])).whole.alone!
    expect(two.second.median).toBeGreaterThan(two.first.high)
    const self = reachMap(maker, ask([LINK, LINK]))
    expect(self.whole.alone!.first.high).toBe(0)
    expect(self.layers.filter((l) => l.kind === 'side' && l.side !== 'both').flatMap((l) => l.rings)).toEqual(
      [],
    )
  })

  it('the next check is at a place on the way, at a mark or in an area, never where nobody knows the ground', () => {
    const marks = way.slice(1).map((p, i) => ({ ...p, id: `m${i}` }))
    const asked = ask([LINK])
    const places = checkPlaces(BASE, marks, asked.routes, asked.areas)
    expect(new Set(places.map((p) => p.on))).toEqual(new Set(['mark', 'route', 'area']))
    const next = nextOnMap(
      maker,
      asked,
      [...places, { on: 'mark', id: 'off', place: { lat: 50, lon: 0 }, distanceM: 9e5 }],
      null,
    )
    expect(next.length).toBeGreaterThan(3)
    expect(next.every((n) => n.at.id !== 'off' && n.linkId === LINK.id)).toBe(true)
    expect(next[0]!.perMinute).toBeGreaterThanOrEqual(next[1]!.perMinute)
  })

  it('is of one share on the map, beside another link, and in the table of which is enough', () => {
    const pair = { ...ask([LINK, STRONG]), areas: [] }
    const [mapA, mapB] = reachMap(maker, pair).whole.links
    expect(mapB!.high).toBeGreaterThan(mapB!.low)
    expect(enoughOf(maker, pair, 0.5).map((e) => e.share)).toEqual([mapA, mapB])
    expect(enoughOf(maker, { ...pair, links: [STRONG] }, 0.5)[0]!.share).toEqual(mapB)
    expect(enoughOf(maker, { ...pair, links: [STRONG, LINK] }, 0.5)[1]!.share).toEqual(mapA)
  })

  it('which is enough: more power is likelier to be, and the least burden that is surely so is told', () => {
    const asked = { ...ask([LINK, STRONG]), areas: [ask([LINK]).areas[0]!] }
    const some = enoughOf(maker, asked, 0.5)
    const most = enoughOf(maker, asked, 0.95)
    expect(some[1]!.chance).toBeGreaterThanOrEqual(some[0]!.chance)
    expect(most[0]!.chance).toBeLessThanOrEqual(some[0]!.chance)
    expect(some[0]!.share.median).toBeLessThanOrEqual(some[1]!.share.median)
    // Half of its draws lie at or over the middle one.
    expect(enoughOf(maker, asked, some[0]!.share.median)[0]!.chance).toBeGreaterThanOrEqual(0.5)
    const rig = (weightG: number | null, chance: number) => ({
      burden: { weightG, wornMm: null, powerW: 5 },
      enough: { share: some[0]!.share, chance },
    })
    const [heavy, light, lightest, unknown] = [rig(900, 0.99), rig(300, 0.95), rig(100, 0.6), rig(null, 0.4)]
    expect(leastThatIsEnough([heavy, light, lightest, unknown], 0.9)).toBe(light)
    expect(leastThatIsEnough([lightest, unknown], 0.9)).toBeNull()
  })
})
