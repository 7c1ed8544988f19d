import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  clearingHeightM,
  contourLines,
  fillVoids,
  gridBounds,
  groundProfile,
  heightAt,
  packHeights,
  pathClearance,
  terrainOf,
  viewshed,
  VOID,
  type HeightGrid,
} from '.'

/** Rough ground of waves from three numbers, 41 by 41. */
const SIDE = 41
function waves(a: number, b: number, c: number): HeightGrid {
  const values = Float32Array.from({ length: SIDE * SIDE }, (_, i) => {
    const [x, y] = [i % SIDE, Math.floor(i / SIDE)]
    return 60 + 30 * Math.sin(x / a) * Math.cos(y / b) + 10 * Math.sin((x * y) / (20 * c))
  })
  return {
    width: SIDE,
    height: SIDE,
    west: 10,
    north: 50,
    stepLon: 0.001,
    stepLat: 0.001,
    filled: null,
    ...packHeights(values),
  }
}
const ground = fc
  .tuple(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 2, max: 9 }), fc.integer({ min: 1, max: 5 }))
  .map(([a, b, c]) => waves(a, b, c))
const cell = fc.integer({ min: 0, max: SIDE - 1 })
const placeOf = (g: HeightGrid, c: number, r: number) => ({
  lat: g.north - r * g.stepLat,
  lon: g.west + c * g.stepLon,
})

describe('heights', () => {
  it('between four cells lie between the four', () => {
    const within = fc.double({ min: 0, max: SIDE - 1.001, noNaN: true })
    fc.assert(
      fc.property(ground, within, within, (g, x, y) => {
        const h = heightAt(g, g.north - y * g.stepLat, g.west + x * g.stepLon) / g.scaleM
        const i = Math.floor(y) * SIDE + Math.floor(x)
        const around = [g.data[i]!, g.data[i + 1]!, g.data[i + SIDE]!, g.data[i + SIDE + 1]!]
        expect(h).toBeGreaterThanOrEqual(Math.min(...around) - 1e-6)
        expect(h).toBeLessThanOrEqual(Math.max(...around) + 1e-6)
      }),
    )
  })

  it('packed and unpacked are off by half a step at the most', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -400, max: 8000, noNaN: true }), { minLength: 1, maxLength: 40 }),
        (heights) => {
          const { data, scaleM } = packHeights(heights)
          heights.forEach((h, i) =>
            expect(Math.abs(data[i]! * scaleM - h)).toBeLessThanOrEqual(scaleM / 2 + 1e-9),
          )
        },
      ),
    )
    expect([...packHeights([NaN, 1e6, 5.5]).data]).toEqual([VOID, VOID, 55])
    expect(packHeights([NaN, 1e6, 5])).toEqual({ data: Int16Array.of(VOID, VOID, 5), scaleM: 1 })
  })

  it('filled voids lie between the lowest and the highest around; those that are not enclosed stay unknown', () => {
    fc.assert(
      fc.property(ground, fc.array(fc.tuple(cell, cell), { maxLength: 200 }), (g, holes) => {
        const [low, high] = [Math.min(...g.data), Math.max(...g.data)]
        for (const [c, r] of holes) g.data[r * SIDE + c] = VOID
        const known = (c: number, r: number) => g.data[r * SIDE + c] !== VOID
        const all = Array.from({ length: SIDE }, (_, i) => i)
        const between = (at: number, isKnown: (i: number) => boolean) =>
          all.some((i) => i < at && isKnown(i)) && all.some((i) => i > at && isKnown(i))
        const isEnclosed = (c: number, r: number) =>
          between(c, (i) => known(i, r)) || between(r, (i) => known(c, i))
        const open = holes.filter(([c, r]) => !isEnclosed(c, r)).map(([c, r]) => r * SIDE + c)
        const distinct = new Set(holes.map(([c, r]) => r * SIDE + c)).size
        const { grid, filled } = fillVoids(g)
        expect(filled).toBe(distinct - new Set(open).size)
        expect(open.every((i) => grid.data[i] === VOID)).toBe(true)
        expect(grid.data.every((v) => v === VOID || (v >= low && v <= high))).toBe(true)
      }),
      { numRuns: 40 },
    )
  })
})

describe('profiles', () => {
  it('clear, grazing and shadowed do not depend on the end that is asked', () => {
    fc.assert(
      fc.property(ground, cell, cell, cell, cell, (g, c0, r0, c1, r1) => {
        fc.pre(Math.hypot(c0 - c1, r0 - r1) > 4)
        const [a, b] = [placeOf(g, c0, r0), placeOf(g, c1, r1)]
        const t = terrainOf([g])
        const there = pathClearance(groundProfile(t, a, b, 80), 8, 1.5, 460)
        const back = pathClearance(groundProfile(t, b, a, 80), 1.5, 8, 460)
        expect(back.kind).toBe(there.kind)
        expect(Math.abs(back.overM - there.overM)).toBeLessThan(0.2)
      }),
      { numRuns: 60 },
    )
  })

  it('the mast that clears leaves nothing in the way', () => {
    fc.assert(
      fc.property(ground, cell, cell, (g, c, r) => {
        fc.pre(Math.hypot(c - 20, r - 20) > 4)
        const p = groundProfile(terrainOf([g]), placeOf(g, 20, 20), placeOf(g, c, r), 80)
        const mast = clearingHeightM(p, 3, 460)
        expect(pathClearance(p, mast + 0.01, 3, 460).kind).not.toBe('shadowed')
      }),
      { numRuns: 60 },
    )
  })
})

describe('viewshed', () => {
  it('a higher antenna sees at least as much, and the observer always sees the own cell', () => {
    fc.assert(
      fc.property(ground, cell, cell, (g, c, r) => {
        const from = placeOf(g, c, r)
        const [low, high] = [2, 30].map((observerM) => viewshed(g, from, { observerM, targetM: 1.5 }))
        expect(low!.seen[r * SIDE + c]).toBe(1)
        expect(high!.inSight).toBeGreaterThanOrEqual(low!.inSight)
        expect(low!.known).toBe(SIDE * SIDE)
        expect(low!.seen.reduce((n, v) => n + (v === 1 ? 1 : 0), 0)).toBe(low!.inSight)
      }),
      { numRuns: 40 },
    )
  })

  it('voids are neither seen nor unseen', () => {
    const g = waves(5, 4, 2)
    g.data[100] = VOID
    expect(viewshed(g, placeOf(g, 20, 20), { observerM: 5, targetM: 1.5 }).seen[100]).toBe(2)
  })
})

describe('contours', () => {
  it('lie within the grid and on their height', () => {
    fc.assert(
      fc.property(ground, (g) => {
        for (const { heightM, segments } of contourLines(g, 10))
          for (let i = 0; i < segments.length; i += 2) {
            const [x, y] = [segments[i]!, segments[i + 1]!]
            expect(x >= 0 && y >= 0 && x <= SIDE - 1 && y <= SIDE - 1).toBe(true)
            const b = gridBounds(g)
            const lat = Math.max(b.south, g.north - y * g.stepLat)
            const lon = Math.min(b.east, g.west + x * g.stepLon)
            expect(Math.abs(heightAt(g, lat, lon) - heightM)).toBeLessThan(0.05)
          }
      }),
      { numRuns: 15 },
    )
  })
})
