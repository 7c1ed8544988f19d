import { NOMINAL_DEGREE_M } from '@/core/geo/degrees'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { heightAt, readGeoTiff, VOID } from '.'

/**
 * Cut and turned from the field's ostrey.tif by GDAL 3.6; the expected heights are what gdallocationinfo says
 * of each file.
 */
const file = (name: string) => {
  const b = readFileSync(new URL(`./fixtures/${name}`, import.meta.url))
  return b.buffer.slice(b.byteOffset, b.byteOffset + b.byteLength) as ArrayBuffer
}
const read = async (name: string) => {
  const r = await readGeoTiff(name, file(name))
  if (!r.ok) throw new Error(r.problems[0]!.message)
  return r.value
}

describe('GeoTIFF of other makes', () => {
  it('UTM, floating, LZW, in strips', async () => {
    const g = await read('utm-lzw.tif')
    // 144 cells by gdaltransform and gdallocationinfo: longitude, latitude, 0, height. It is interpolated
    // once more here, which rounds the tops; half a cell off would leave a metre and more in the mean.
    const rows = readFileSync(new URL('./fixtures/utm-lzw.gdal.txt', import.meta.url), 'utf8')
      .trim()
      .split('\n')
    const off = rows.map((row) => {
      const [lon, lat, , height] = row.split(' ').map(Number)
      return heightAt(g, lat!, lon!) - height!
    })
    const mean = (v: number[]) => v.reduce((a, b) => a + b, 0) / v.length
    expect(Math.abs(mean(off))).toBeLessThan(0.02)
    expect(mean(off.map(Math.abs))).toBeLessThan(0.4)
    // 60 cells of 90 m.
    expect(Math.abs((g.height - 1) * g.stepLat * NOMINAL_DEGREE_M - 59 * 90)).toBeLessThan(220)
  })
  it('big-endian, tiled, deflated', async () => {
    const g = await read('big-endian.tif')
    expect([g.width, g.height]).toEqual([72, 48])
    expect(g.data[20 * 72 + 50]! * g.scaleM).toBe(41)
    expect(g.west).toBeCloseTo(-29.6, 6)
    expect(g.north).toBeCloseTo(47.32, 6)
  })
  it('uncompressed and floating; what it calls nodata is not known', async () => {
    const g = await read('float-nodata.tif')
    expect(g.data[0]).toBe(VOID)
    expect(g.data[20 * 72 + 50]! * g.scaleM).toBe(41)
  })
  it('in a projection that is not known: it is named, and the known ones are said', async () => {
    const r = await readGeoTiff('laea.tif', file('laea.tif'))
    expect(r.ok ? '' : r.problems[0]!.message).toMatch(
      /^Its projection is EPSG:3035 \(.*LAEA.*\), which is not known here\. Known are degrees .* and UTM/,
    )
  })
})
