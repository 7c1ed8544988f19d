import { NOMINAL_DEGREE_M } from '@/core/geo/degrees'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { AVERAGE_GROUND, USUAL_K, type DiffractionPath } from '@/core/propagation'
import {
  clearingHeightM,
  contourLines,
  contourStepM,
  DAY_INKS,
  fillVoids,
  groundProfile,
  heightAt,
  mastForLoss,
  packHeights,
  pathClearance,
  readAsciiGrid,
  readGeoTiff,
  readHgt,
  shadedRelief,
  terrainHeight,
  terrainOf,
  viewshed,
  VOID,
  type HeightGrid,
  type HeightsRead,
} from '.'

/** A grid of tenths of a degree from 47 N 30 W, heights from column and row. */
function grid(width: number, height: number, at: (c: number, r: number) => number, step = 0.001): HeightGrid {
  const values = Float32Array.from({ length: width * height }, (_, i) => at(i % width, Math.floor(i / width)))
  return {
    width,
    height,
    west: -30,
    north: 47,
    stepLon: step,
    stepLat: step,
    filled: null,
    ...packHeights(values),
  }
}

function hgt(side: number, at: (c: number, r: number) => number): ArrayBuffer {
  const bytes = new ArrayBuffer(side * side * 2)
  const view = new DataView(bytes)
  for (let r = 0; r < side; r++) for (let c = 0; c < side; c++) view.setInt16(2 * (r * side + c), at(c, r))
  return bytes
}
const value = <T>(o: { ok: true; value: T } | { ok: false; problems: { message: string }[] }): T => {
  if (!o.ok) throw new Error(o.problems[0]!.message)
  return o.value
}
const why = (o: { ok: boolean }) =>
  (o as { problems?: { message: string }[] }).problems?.[0]?.message ?? 'taken'

const gridIn = (o: Parameters<typeof value<HeightsRead>>[0]) => value(o).grid

describe('readers', () => {
  it('an .hgt tile, big-endian, named after its south-west corner', () => {
    const g = gridIn(
      readHgt(
        'some/N47W030.hgt',
        hgt(1201, (c, r) => (c === 0 && r === 0 ? 258 : 1)),
      ),
    )
    expect(g).toMatchObject({ width: 1201, west: -30, north: 48 })
    expect(g.data[0]).toBe(258)
    expect(heightAt(g, 48, -30)).toBe(258)
    expect(heightAt(g, 47, -29)).toBe(1)
    const south = gridIn(
      readHgt(
        'S01E005.HGT',
        hgt(1201, () => 7),
      ),
    )
    expect(south).toMatchObject({ west: 5, north: 0 })
  })
  it('refuses a truncated .hgt, and one whose name says nothing', () => {
    expect(why(readHgt('N47W030.hgt', new ArrayBuffer(2_000_000)))).toContain(
      '1201 × 1201 × 2 = 2884802: it is cut short',
    )
    expect(why(readHgt('N47W030.hgt', new ArrayBuffer(20_000_000)))).toContain('3601')
    expect(
      why(
        readHgt(
          'island.hgt',
          hgt(1201, () => 1),
        ),
      ),
    ).toContain('such as N47W030.hgt')
    expect(
      why(
        readHgt(
          'N95W030.hgt',
          hgt(1201, () => 1),
        ),
      ),
    ).toContain('no place on the earth')
  })
  it('an ASCII grid, by corner or by centre, with nodata', () => {
    const head = 'ncols 3\nnrows 2\nxllcorner -30\nyllcorner 47\ncellsize 0.5\nNODATA_value -99\n'
    const g = gridIn(readAsciiGrid('a.asc', `${head}1 2 3\n4,5 -99 6\n`))
    expect(g).toMatchObject({ width: 3, height: 2, west: -29.75, north: 47.75, scaleM: 0.1 })
    expect([...g.data]).toEqual([10, 20, 30, 45, VOID, 60])
    const centre = gridIn(readAsciiGrid('a.asc', `${head.replaceAll('corner', 'center')}1 2 3 4 5 6`))
    expect(centre).toMatchObject({ west: -30, north: 47.5 })
  })
  it.each([
    ['ncols 3\nnrows 2\nxllcorner -30\nyllcorner 47\ncellsize 0.5\n1 2 3', 'cut short: 3 of 6 values'],
    ['ncols 3\nnrows 2\nxllcorner -30\nyllcorner 47\ncellsize 0.5\n1 2 3 4 5 6 7', 'More values follow'],
    [
      'ncols 3\nnrows 2\nxllcorner -30\nyllcorner 47\ncellsize 0.5\n1 2 x 4 5 6',
      'Value 3, "x", is no number',
    ],
    ['ncols 99999\nnrows 99999\nxllcorner -30\nyllcorner 47\ncellsize 0.5\n1', 'claims 99999 × 99999 cells'],
    [
      'ncols 3\nnrows 2\nxllcorner 500000\nyllcorner 5200000\ncellsize 30\n1 2 3 4 5 6',
      'no longitude and latitude',
    ],
    ['ncols 3\nnrows 2\ncellsize 0.5\n1 2 3 4 5 6', 'one of them is missing'],
    ['ncols many\n', 'must be a number'],
    ['colours 3\n', 'is nothing that the head'],
    ['ncols 2\nnrows 2\nxllcorner 0\nyllcorner 0\ncellsize 1\n-9999 -9999 -9999 -9999', 'only voids'],
  ])('refuses an ASCII grid: %j', (text, message) => {
    expect(why(readAsciiGrid('a.asc', text))).toContain(message)
  })

  const tif = () => readFileSync(new URL('../../../e2e/fixtures/ostrey.tif', import.meta.url))
  const buffer = (b: Buffer) => b.buffer.slice(b.byteOffset, b.byteOffset + b.byteLength) as ArrayBuffer
  it('a tiled, deflated GeoTIFF in degrees', async () => {
    const g = gridIn(await readGeoTiff('ostrey.tif', buffer(tif())))
    // gdallocationinfo -valonly -wgs84 ostrey.tif -29.557697 47.298807 answers 10 for the nearest cell.
    expect(g.width).toBeGreaterThan(100)
    expect(g.data.reduce((a, b) => Math.max(a, b)) * g.scaleM).toBeGreaterThan(100)
    expect(Math.abs(heightAt(g, 47.298807, -29.557697) - 10)).toBeLessThan(3)
  })
  it('refuses what is cut short, no TIFF, or claims more than can be', async () => {
    expect(why(await readGeoTiff('a.tif', new ArrayBuffer(64)))).toContain('cannot be read as a GeoTIFF')
    expect(why(await readGeoTiff('a.tif', buffer(tif().subarray(0, 3000))))).toContain('It may be cut short')
    const lying = Buffer.from(tif())
    // The image's length is the directory entry of tag 257; a claim of 2^31 rows.
    for (let i = 0; i < lying.length - 12; i++)
      if (
        lying.readUInt16LE(i) === 257 &&
        lying.readUInt16LE(i + 2) <= 4 &&
        lying.readUInt32LE(i + 4) === 1
      ) {
        lying.writeUInt16LE(4, i + 2)
        lying.writeUInt32LE(2 ** 31, i + 8)
        break
      }
    expect(why(await readGeoTiff('a.tif', buffer(lying)))).toContain('× 2147483648 cells')
  })
})

describe('grids', () => {
  const slope = grid(11, 11, (c, r) => 10 * c + r)
  it('interpolate between four cells, and know nothing outside', () => {
    expect(heightAt(slope, 47 - 0.0005, -30 + 0.0015)).toBeCloseTo(15.5, 6)
    expect(heightAt(slope, 47.1, -30)).toBeNaN()
    expect(
      heightAt(
        grid(3, 3, (c) => (c === 1 ? NaN : 5)),
        46.9995,
        -29.9995,
      ),
    ).toBeNaN()
  })
  it('lie side by side, the finest first', () => {
    const east = { ...grid(11, 11, () => 7), west: -29.99 }
    const fine = { ...grid(101, 101, () => 3, 0.0001) }
    const t = terrainOf([slope, east, fine])
    expect(terrainHeight(t, 46.995, -29.995)).toBeCloseTo(3, 6)
    expect(terrainHeight(t, 46.9905, -29.9805)).toBeCloseTo(7, 6)
    expect(terrainHeight(t, 40, -20)).toBeNaN()
  })
  it('voids are filled from around and marked; what has nothing around stays', () => {
    const holed = grid(9, 9, (c, r) => (c > 2 && c < 6 && r > 2 && r < 6 ? NaN : 10 * c))
    const { grid: whole, filled } = fillVoids(holed)
    expect(filled).toBe(9)
    expect(whole.filled!.reduce((s, v) => s + v, 0)).toBe(9)
    expect(heightAt(whole, 47 - 0.004, -30 + 0.004)).toBeCloseTo(40, 0)
    expect(fillVoids(grid(3, 3, () => 1))).toMatchObject({ filled: 0 })
    expect(fillVoids(grid(3, 3, () => NaN)).filled).toBe(0)
  })
})

describe('profiles', () => {
  const path: DiffractionPath = {
    frequencyMHz: 460,
    polarisation: 'vertical',
    ground: AVERAGE_GROUND,
    radiusKm: 8494.667,
  }
  const [from, to] = [
    { lat: 46.95, lon: -29.98 },
    { lat: 46.95, lon: -29.92 },
  ]
  const flat = terrainOf([grid(101, 101, () => 5)])
  const wall = terrainOf([grid(101, 101, (c) => (c === 50 ? 105 : 5))])
  it('are sampled at no more than the grid’s spacing and say how far the ground is known', () => {
    const p = groundProfile(flat, from, to)
    // 0.06 degrees of longitude at 46.95 N on WGS 84 are 4.567 km (GeographicLib).
    expect(p.lengthKm).toBeCloseTo(4.567, 2)
    expect((p.lengthKm * 1000) / (p.distancesKm.length - 1)).toBeLessThanOrEqual(0.001 * NOMINAL_DEGREE_M)
    expect(p.knownKm).toBe(p.lengthKm)
    const off = groundProfile(flat, from, { lat: 46.95, lon: -29.86 })
    expect(off.knownKm).toBeGreaterThan(5.8)
    expect(off.knownKm).toBeLessThan(6.2)
    expect(groundProfile(flat, from, to, 500).distancesKm).toHaveLength(500)
  })
  it('clear, grazing, shadowed', () => {
    const over = groundProfile(flat, from, to)
    expect(pathClearance(over, 60, 60, 460).kind).toBe('clear')
    expect(pathClearance(groundProfile(wall, from, to), 10, 1.5, 460)).toMatchObject({ kind: 'shadowed' })
    const at = pathClearance(groundProfile(wall, from, to), 10, 1.5, 460)
    expect(at.atKm).toBeCloseTo(4.567 / 2, 1)
    expect(at.overM).toBeGreaterThan(90)
    expect(pathClearance(groundProfile(wall, from, to), 104, 104, 460).kind).toBe('grazing')
  })
  it('the least mast that clears, and that brings the loss to 6 dB', () => {
    const p = groundProfile(wall, from, to)
    const mast = clearingHeightM(p, 60, 460)
    expect(pathClearance(p, mast * 1.02, 60, 460).kind).toBe('clear')
    expect(pathClearance(p, mast * 0.9, 60, 460).kind).not.toBe('clear')
    // A handheld on flat ground asks for no tower.
    expect(clearingHeightM(groundProfile(flat, from, to), 1.5, 460)).toBeLessThan(40)
    const least = mastForLoss(p, 60, path)!
    expect(least).toBeGreaterThan(30)
    expect(mastForLoss(p, 60, path, 40)).toBeLessThan(least)
    expect(mastForLoss(p, 1.5, path, 0.1)).toBeNull()
    expect(USUAL_K).toBeCloseTo(4 / 3, 9)
  })
})

describe('drawings', () => {
  const cone = grid(41, 41, (c, r) => 200 - 10 * Math.hypot(c - 20, r - 20))
  it('relief is light to the north-west and dark to the south-east, water is water', () => {
    const p = shadedRelief(cone, DAY_INKS)
    const tone = (c: number, r: number) => p[4 * (r * 41 + c)]!
    expect(tone(15, 15)).toBeGreaterThan(tone(25, 25) + 20)
    expect([...p.slice(0, 3)]).toEqual([...DAY_INKS.water])
    const holed = grid(3, 3, (c) => (c === 1 ? NaN : 5))
    expect([...shadedRelief(holed, DAY_INKS).slice(4, 7)]).toEqual([...DAY_INKS.unknown])
  })
  it('contours lie on their height, and close around a cone', () => {
    const lines = contourLines(cone, 50)
    expect(lines.map((l) => l.heightM)).toEqual([0.5, 50, 100, 150])
    const hundred = lines[2]!.segments
    expect(hundred.length).toBeGreaterThan(40)
    for (let i = 0; i < hundred.length; i += 2)
      expect(Math.hypot(hundred[i]! - 20, hundred[i + 1]! - 20)).toBeCloseTo(10, 0)
    const ends = new Map<string, number>()
    for (let i = 0; i < hundred.length; i += 2) {
      const key = `${hundred[i]!.toFixed(2)} ${hundred[i + 1]!.toFixed(2)}`
      ends.set(key, (ends.get(key) ?? 0) + 1)
    }
    expect([...ends.values()].every((n) => n % 2 === 0)).toBe(true)
    expect(
      contourLines(
        grid(5, 5, () => 5),
        10,
      ),
    ).toEqual([])
    expect([70, 300, 2500].map(contourStepM)).toEqual([10, 50, 500])
  })
})

describe('viewshed', () => {
  it('a wall hides what lies behind it; a mast sees over', () => {
    const wall = grid(101, 101, (c) => (c === 60 ? 40 : 5))
    const from = { lat: 46.95, lon: -29.95 }
    const low = viewshed(wall, from, { observerM: 2, targetM: 1.5 })
    const at = (v: typeof low, c: number, r = 50) => v.seen[r * 101 + c]
    expect([at(low, 55), at(low, 60), at(low, 75)]).toEqual([1, 1, 0])
    expect(low.inSight).toBeLessThan(viewshed(wall, from, { observerM: 80, targetM: 1.5 }).inSight)
    const near = viewshed(wall, from, { observerM: 2, targetM: 1.5, radiusM: 1000 })
    expect(near.known).toBeLessThan(600)
    expect(() => viewshed(wall, { lat: 10, lon: 10 }, { observerM: 2, targetM: 1 })).toThrow(
      /outside the grid/,
    )
  })
  it('agrees with sight lines drawn one by one, but for cells at the very edge', () => {
    const rough = grid(
      61,
      61,
      (c, r) => 60 + 25 * Math.sin(c / 4) * Math.cos(r / 5) + 8 * Math.sin(c * r * 0.05),
    )
    const from = { lat: 47 - 0.03, lon: -30 + 0.03 }
    const v = viewshed(rough, from, { observerM: 10, targetM: 1.5 })
    let same = 0
    for (let r = 0; r < 61; r++)
      for (let c = 0; c < 61; c++) {
        if (c === 30 && r === 30) continue
        const p = groundProfile(terrainOf([rough]), from, { lat: 47 - r * 0.001, lon: -30 + c * 0.001 }, 200)
        const seen = pathClearance(p, 10, 1.5, 460).overM <= 0
        if (seen === (v.seen[r * 61 + c] === 1)) same++
      }
    expect(same / (61 * 61 - 1)).toBeGreaterThan(0.93)
  })
})
