import { strToU8, zipSync } from 'fflate'
import { writeArrayBuffer } from 'geotiff'
import { create } from 'xmlbuilder2'
import { gridEdges, type HeightGrid } from '@/core/terrain/grid'

/** Values on a grid of latitude and longitude, as heights lie on theirs; NaN is not known. */
export interface ValueGrid extends Omit<HeightGrid, 'data' | 'filled' | 'scaleM'> {
  values: Float32Array
}

/** A GeoTIFF in WGS 84 of one band of 32-bit floats; what is not known is NaN and said to be no data. */
export function writeGeoTiff(grid: ValueGrid, description: string): Uint8Array<ArrayBuffer> {
  const { west, north } = gridEdges(grid)
  const tags: Parameters<typeof writeArrayBuffer>[1] & { ImageDescription: string } = {
    width: grid.width,
    height: grid.height,
    ModelPixelScale: [grid.stepLon, grid.stepLat, 0],
    ModelTiepoint: [0, 0, 0, west, north, 0],
    GTModelTypeGeoKey: 2,
    GTRasterTypeGeoKey: 1,
    GeographicTypeGeoKey: 4326,
    GDAL_NODATA: 'nan',
    // Seven bits, as TIFF has it.
    ImageDescription: description.normalize('NFKD').replace(/[^\x20-\x7e]/g, ''),
  }
  return new Uint8Array(writeArrayBuffer(grid.values, tags))
}

/** A KMZ that lays a picture over the earth. */
export function writeOverlayKmz(
  name: string,
  description: string,
  edges: ReturnType<typeof gridEdges>,
  png: Uint8Array,
): Uint8Array<ArrayBuffer> {
  const overlay = create({ version: '1.0', encoding: 'UTF-8' })
    .ele('http://www.opengis.net/kml/2.2', 'kml')
    .ele('GroundOverlay')
  overlay.ele('name').txt(name)
  overlay.ele('description').txt(description)
  overlay.ele('Icon').ele('href').txt('files/reach.png')
  const box = overlay.ele('LatLonBox')
  for (const side of ['north', 'south', 'east', 'west'] as const) box.ele(side).txt(edges[side].toFixed(7))
  return zipSync({
    'doc.kml': strToU8(overlay.end({ prettyPrint: true })),
    'files/reach.png': [png, { level: 0 }],
  }) as Uint8Array<ArrayBuffer>
}
