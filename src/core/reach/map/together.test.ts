import { describe, expect, it } from 'vitest'
import { direct, inverse, type Place } from '@/core/geo'
import { inArea, type Rings } from '@/core/terrain'
import { BASE, LINK, TERRAIN } from '@/core/testing/flatGround'
import { USUAL_PREDICTION } from '../predict'
import { ReachMapMaker } from './chanceField'
import { fieldPlace, nearestTo, rasterAbout, rasterGround } from './mapRaster'
import type { MapLayer, ReachMapAsk } from './reachMap'
import { togetherSentence } from './siteWords'
import { bestTwo, togetherLayers } from './together'

const about = (place: Place, radiusM: number, from?: string) =>
  new ReachMapMaker(rasterGround(TERRAIN, null, rasterAbout(TERRAIN, place, radiusM)), from)
const EAST = direct(BASE, 90, 3000)
const makers = [about(BASE, 4000), about(EAST, 7000, 'east')]
const ask: ReachMapAsk = {
  links: [LINK],
  directions: ['to base', 'from base'],
  settings: USUAL_PREDICTION,
  reliability: 0.9,
  every: 2,
  areas: [],
  routes: [],
}
const fields = makers.map((m) => m.chance(LINK, ask.directions, ask.settings, ask.every))

describe('several bases drawn together', () => {
  it('each place has the best of them and the next best, whichever they are', () => {
    const { best, second } = bestTwo(fields)
    expect(best.raster).toBe(fields[0]!.raster)
    for (let i = 0; i < best.values.length; i += 97) {
      const place = fieldPlace(best, i)
      const there = fields.map((f) => f.values[nearestTo(f, place)]!).sort((a, b) => b - a)
      expect([best.values[i], second.values[i]]).toEqual(there)
    }
  })

  it('what one base does not know the other tells, and what none knows is unknown', () => {
    const [own, east] = fields as [(typeof fields)[0], (typeof fields)[0]]
    const dark = { ...own, values: own.values.map(() => NaN) }
    const lit = bestTwo([dark, east])
    expect(lit.best.values[0]).toBe(east.values[nearestTo(east, fieldPlace(own, 0))])
    expect(lit.second.values.every((v) => v === 0)).toBe(true)
    expect(bestTwo([dark, dark]).best.values.every(Number.isNaN)).toBe(true)
  })

  it('on flat ground two discs are one outline, and what both cover lies between the bases', () => {
    const layers = togetherLayers(makers, ask)
    const reach = (kind: MapLayer['kind'], place: Place) =>
      layers.find((l) => l.kind === kind)!.rings.some((r: Rings) => inArea(r, place))
    const middle = direct(BASE, 90, 1500)
    expect([reach('chance', BASE), reach('chance', EAST), reach('chance', middle)]).toEqual([
      true,
      true,
      true,
    ])
    // Alone each reaches this far: the outline of one, by its own map.
    const alone = togetherLayers([makers[0]!], ask)
    expect(alone.find((l) => l.kind === 'twice')!.rings).toEqual([])
    const farthest = Math.max(
      ...alone[0]!.rings.flatMap((r) => r[0]!.map(([lon, lat]) => inverse(BASE, { lat, lon }).distanceM)),
    )
    expect(farthest).toBeGreaterThan(1500)
    expect(reach('twice', middle)).toBe(true)
    expect(reach('twice', direct(BASE, 270, 0.9 * farthest))).toBe(false)
    expect(reach('chance', direct(BASE, 270, 0.9 * farthest))).toBe(true)
    expect(reach('chance', direct(BASE, 270, 1.1 * farthest))).toBe(false)
  })

  it('is said with the share that the table has', () => {
    const share = (median: number) => ({ median, low: median - 0.1, high: median + 0.1 })
    const found = { atLeastOne: share(0.7), atLeastTwo: share(0.2) }
    expect(togetherSentence(found, 4, 'the map', 0.9)).toBe(
      'From one of the 4 bases or more 70 % (60 to 80) of the map is covered with 90 of 100 calls, from two or more 20 % (10 to 30).',
    )
    expect(togetherSentence(null, 4, 'the map', 0.9)).toBe('Working out what they cover together…')
  })
})
