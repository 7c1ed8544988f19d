import { unzipSync, strFromU8 } from 'fflate'
import { fromArrayBuffer } from 'geotiff'
import { describe, expect, it } from 'vitest'
import { gridEdges } from '@/core/terrain/grid'
import { writeGeoTiff, writeOverlayKmz } from './writeRaster'

const GRID = {
  width: 3,
  height: 2,
  west: -29.5,
  north: 47.3,
  stepLon: 0.01,
  stepLat: 0.02,
  values: Float32Array.of(0, 0.5, 1, NaN, 0.25, 0.75),
}

describe('a grid written down', () => {
  it('as a GeoTIFF comes back where it lay, with what is not known as no data', async () => {
    const image = await (
      await fromArrayBuffer(writeGeoTiff(GRID, 'Chance of copy, 90 % – Ærø').buffer)
    ).getImage()
    const [west, south, east, north] = image.getBoundingBox()
    const edges = gridEdges(GRID)
    expect(west).toBeCloseTo(edges.west, 9)
    expect(south).toBeCloseTo(edges.south, 9)
    expect(east).toBeCloseTo(edges.east, 9)
    expect(north).toBeCloseTo(edges.north, 9)
    expect([...((await image.readRasters())[0] as Float32Array)]).toEqual([...GRID.values])
    expect(image.getGDALNoData()).toBeNaN()
  })
  it('as a KMZ holds its picture and where it lies', () => {
    const files = unzipSync(
      writeOverlayKmz('A & B', 'Corrected <by> 3 checks.', gridEdges(GRID), Uint8Array.of(137, 80)),
    )
    expect([...files['files/reach.png']!]).toEqual([137, 80])
    const kml = strFromU8(files['doc.kml']!)
    expect(kml).toContain('<name>A &amp; B</name>')
    expect(kml).toContain('<north>47.3100000</north>')
    expect(kml).toContain('<west>-29.5050000</west>')
  })
})
