import { describe, expect, it } from 'vitest'
import { DAY_INKS, describeGrid, packHeights, thumbnailOf, VOID, type HeightGrid } from '.'

const grid = (width: number, height: number, at: (c: number, r: number) => number): HeightGrid => ({
  width,
  height,
  west: -30,
  north: 47,
  stepLon: 0.001,
  stepLat: 0.001,
  filled: null,
  ...packHeights(
    Float32Array.from({ length: width * height }, (_, i) => at(i % width, Math.floor(i / width))),
  ),
})

describe('a grid, described before it is taken', () => {
  it('says its lowest and highest ground with the places, its size and what it does not know', () => {
    const g = grid(101, 51, (c, r) =>
      c === 100 && r < 10 ? NaN : c === 20 && r === 30 ? 312.5 : c === 3 && r === 2 ? -4 : 10,
    )
    const d = describeGrid(g)
    expect(d.highest).toMatchObject({ heightM: 312.5 })
    expect(d.highest.lat).toBeCloseTo(46.97, 9)
    expect(d.highest.lon).toBeCloseTo(-29.98, 9)
    expect(d.lowest.heightM).toBeCloseTo(-4, 9)
    expect(d.unknownShare).toBeCloseTo(10 / 5151, 9)
    // A degree of latitude at 46.975 N is 111.168 km, one of longitude 76.13 km (WGS 84, GeographicLib).
    expect(d.heightKm).toBeCloseTo(0.05 * 111.168, 2)
    expect(d.widthKm).toBeCloseTo(0.1 * 76.13, 2)
    expect(d.spacingM).toBeCloseTo(111.2, 1)
  })
  it('is drawn small, whatever its size, with what is not known in its own ink', () => {
    const g = grid(1000, 400, (c) => (c < 500 ? NaN : 50))
    const t = thumbnailOf(g, DAY_INKS, 240)
    expect([t.width, t.height]).toEqual([200, 80])
    expect(t.pixels).toHaveLength(200 * 80 * 4)
    expect([...t.pixels.slice(0, 3)]).toEqual([...DAY_INKS.unknown])
    expect(g.data.filter((v) => v === VOID)).toHaveLength(200_000)
    expect(
      thumbnailOf(
        grid(10, 10, () => 5),
        DAY_INKS,
        240,
      ).width,
    ).toBe(10)
  })
})
