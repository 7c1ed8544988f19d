import { NOMINAL_DEGREE_M } from '@/core/geo/degrees'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { heightAt, VOID, type HeightGrid } from '../grid'
import { readGeoTiff } from '.'

/**
 * Cut and turned from the field's ostrey.tif by GDAL 3.6; the expected heights are what gdallocationinfo says
 * of each file.
 */
const file = (name: string) => {
  const b = readFileSync(new URL(`./fixtures/${name}`, import.meta.url))
  return b.buffer.slice(b.byteOffset, b.byteOffset + b.byteLength) as ArrayBuffer
}
const readAll = async (name: string) => {
  const r = await readGeoTiff(name, file(name))
  if (!r.ok) throw new Error(r.problems[0]!.message)
  return r.value
}
const read = async (name: string) => (await readAll(name)).grid
const known = (g: HeightGrid) => g.data.filter((v) => v !== VOID)
const lowest = (g: HeightGrid) => known(g).reduce((a, b) => Math.min(a, b)) * g.scaleM
const highest = (g: HeightGrid) => known(g).reduce((a, b) => Math.max(a, b)) * g.scaleM

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
  // Where and how high by gdaltransform and gdallocationinfo of each file. Bilinear once more rounds the tops.
  it.each([
    ['mercator.tif', 'EPSG:3857'],
    ['laea.tif', 'EPSG:3035'],
    ['lcc-feet.tif', 'a projection of its own'],
    ['south-up.tif', null],
    ['untagged.tif', 'EPSG:32624'],
  ])('%s lies where GDAL has it, as high', async (name, from) => {
    const { grid: g, notes } = await readAll(name)
    const rows = readFileSync(
      new URL(`./fixtures/${name.replace('.tif', '.gdal.txt')}`, import.meta.url),
      'utf8',
    )
    const off = rows
      .trim()
      .split('\n')
      .map((row) => {
        const [lon, lat, , height] = row.split(' ').map(Number)
        return heightAt(g, lat!, lon!) - height!
      })
      .filter((d) => !Number.isNaN(d))
    const mean = (v: number[]) => v.reduce((a, b) => a + b, 0) / v.length
    expect(off.length).toBeGreaterThan(10)
    // Half a cell off would be 1 m and more in the mean of its size.
    expect(Math.abs(mean(off))).toBeLessThan(0.5)
    expect(mean(off.map(Math.abs))).toBeLessThan(0.9)
    if (from) expect(notes.join(' ')).toContain(`Turned to degrees from ${from}`)
  })
  it('south up is turned over, and said to be', async () => {
    expect((await readAll('south-up.tif')).notes).toEqual([
      'Its rows run from south to north; it was turned over.',
    ])
  })
  it('a mark for nothing that no tag names is a void where it stands out', async () => {
    const { grid: g, notes } = await readAll('untagged.tif')
    expect(notes[0]).toMatch(/^\d+ cells hold -9999, which is taken as not known\.$/)
    expect(lowest(g)).toBe(0)
  })
  // The same ground as figures times two plus 200, in feet by GDAL's own word, and by its vertical system.
  it.each([
    ['scaled.tif', 'Its figures are times 0.5, plus -100, as it says.'],
    ['feet.tif', 'Its heights are in feet, as it says.'],
    ['feet-system.tif', 'Its heights are in feet, as it says.'],
  ])('%s is read in metres', async (name, note) => {
    const { grid: g, notes } = await readAll(name)
    expect(notes).toContain(note)
    // gdalinfo -stats of the cut that they were made of: 0 to 165, mean 63.266.
    expect(lowest(g)).toBe(0)
    expect(highest(g)).toBeCloseTo(165, 0)
    const heights = Array.from(g.data, (v) => v * g.scaleM)
    expect(heights.reduce((a, b) => a + b, 0) / heights.length).toBeCloseTo(63.266, 1)
  })
  it('what somebody says of its figures goes before what the file says', async () => {
    const r = await readGeoTiff('feet.tif', file('feet.tif'), 'metres')
    expect(r.ok && highest(r.value.grid)).toBeCloseTo(165 / 0.3048, 0)
  })
  it.each([
    ['turned.tif', /^It is turned by 12° against north\. Warp it north up/],
    ['hillshade.tif', /^It holds figures from 0 to 255 only: a shaded relief/],
    ['colour.tif', /^It (is a colour picture|holds 3 bands)/],
    ['two-bands.tif', /^It holds 2 bands, and heights are one\./],
  ])('%s is refused in words', async (name, words) => {
    const r = await readGeoTiff(name, file(name))
    expect(r.ok ? 'taken' : r.problems[0]!.message).toMatch(words)
  })
})
