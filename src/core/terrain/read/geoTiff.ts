import { addDecoder, BaseDecoder, fromArrayBuffer, type GeoTIFFImage } from 'geotiff'
import { type Outcome, bad, good, problem } from '@/core/outcome'
import { MAX_CELLS } from '../grid'
import { asDegrees, soundHeights, type HeightsRead } from './heights'
import type { RawHeights } from './raw'
import { unpackLzw } from './lzw'
import { systemOfKeys, type Keys } from './projection'
import { toDegrees } from './resample'
import { HEIGHT_UNITS, type HeightUnit } from './units'

/** What TIFF calls LZW. */
const LZW = 5
/** Of a tile whose size the file does not say, bytes. */
const MOST_OF_TILE = 64e6

/** In place of the library's own, which a damaged file sends round for ever. */
class BoundedLzw extends BaseDecoder {
  override decodeBlock(packed: ArrayBufferLike): ArrayBufferLike {
    const { tileWidth, tileHeight, bitsPerSample, samplesPerPixel = 1 } = this.parameters
    const bits = typeof bitsPerSample === 'number' ? bitsPerSample : (bitsPerSample[0] ?? 8)
    const wanted = tileWidth * tileHeight * samplesPerPixel * Math.ceil(bits / 8)
    const most = Number.isFinite(wanted) ? Math.min(wanted, MOST_OF_TILE) : MOST_OF_TILE
    return unpackLzw(new Uint8Array(packed), most).slice().buffer
  }
}
addDecoder(LZW, () => Promise.resolve(BoundedLzw), undefined, false)

/** Colours of a picture: red, green and blue, or a palette. */
const PICTURES: Record<number, string> = {
  2: 'a colour picture',
  3: 'a picture with a palette',
  6: 'a photo',
}

/** Why an image holds no heights; null where it may. */
function noHeights(image: GeoTIFFImage, size: number): string | null {
  const [width, height] = [image.getWidth(), image.getHeight()]
  if (!(width >= 2 && height >= 2) || width * height > MAX_CELLS)
    return `It claims ${width} × ${height} cells; 2 × 2 to ${MAX_CELLS} in all can be read. Cut it to your ground first.`
  // Nothing compresses heights a thousandfold: a header that claims so lies.
  if (width * height > size * 1000)
    return `It claims ${width} × ${height} cells in ${size} bytes; that cannot be.`
  const photometric = Number(image.fileDirectory.getValue('PhotometricInterpretation'))
  if (photometric in PICTURES)
    return `It is ${PICTURES[photometric]}, and holds no heights. Bring the elevation that it was drawn from.`
  const bands = image.getSamplesPerPixel()
  if (bands !== 1) return `It holds ${bands} bands, and heights are one. Save the band that holds them.`
  if (image.getBitsPerSample(0) <= 8)
    return 'It holds figures from 0 to 255 only: a shaded relief or another picture, and no heights. Bring the elevation that it was drawn from.'
  return null
}

/** Where the first cell's middle lies and how far it is to the next, down the file; or why that cannot be said. */
function placing(image: GeoTIFFImage): { x: number; y: number; rx: number; ry: number } | string {
  const turn = image.fileDirectory.getValue('ModelTransformation') as ArrayLike<number> | undefined
  if (
    turn &&
    (Math.abs(turn[1]!) > 1e-9 * Math.abs(turn[0]!) || Math.abs(turn[4]!) > 1e-9 * Math.abs(turn[5]!))
  ) {
    const angle = Math.round((Math.atan2(turn[4]!, turn[0]!) * 180) / Math.PI)
    return `It is turned by ${Math.abs(angle)}° against north. Warp it north up, then bring it again.`
  }
  const points = image.fileDirectory.getValue('ModelTiepoint') as ArrayLike<number> | undefined
  if (!turn && points && points.length > 6)
    return `It is placed by ${points.length / 6} points on the ground and not by a grid. Warp it north up, then bring it again.`
  if (!turn && !(points && image.fileDirectory.getValue('ModelPixelScale')))
    return 'It does not say where it lies: it has no tie point and no cell size. Save it as GeoTIFF with its place.'
  const [ox, oy] = image.getOrigin() as [number, number]
  // The library's own resolution has another sign where there is a transformation.
  const scale = image.fileDirectory.getValue('ModelPixelScale') as ArrayLike<number> | undefined
  const [rx, ry] = turn ? [turn[0]!, turn[5]!] : [scale![0]!, -scale![1]!]
  // A tie point may be any cell's, not the first one's alone.
  const [i, j] = turn ? [0, 0] : [points![0]!, points![1]!]
  const half = image.pixelIsArea() ? 0.5 : 0
  if (!(Math.abs(rx) > 0 && Math.abs(ry) > 0)) return 'Its cells have no size.'
  return { x: ox + (half - i) * rx, y: oy + (half - j) * ry, rx, ry }
}

/** Rows from north to south and columns from west to east, whichever way the file runs. */
function northUp(
  { x, y, rx, ry }: { x: number; y: number; rx: number; ry: number },
  width: number,
  height: number,
  values: Float32Array,
): { raw: RawHeights; notes: string[] } {
  const notes: string[] = []
  if (ry > 0) {
    for (let r = 0; r < height >> 1; r++) {
      const [a, b] = [r * width, (height - 1 - r) * width]
      const row = values.slice(a, a + width)
      values.copyWithin(a, b, b + width)
      values.set(row, b)
    }
    notes.push('Its rows run from south to north; it was turned over.')
  }
  if (rx < 0) {
    for (let r = 0; r < height; r++) values.subarray(r * width, (r + 1) * width).reverse()
    notes.push('Its columns run from east to west; it was turned over.')
  }
  return {
    raw: {
      width,
      height,
      values,
      x0: rx > 0 ? x : x + (width - 1) * rx,
      y0: ry < 0 ? y : y + (height - 1) * ry,
      stepX: Math.abs(rx),
      stepY: Math.abs(ry),
    },
    notes,
  }
}

/** What GDAL's own words in the file say of its figures. */
async function saidOf(image: GeoTIFFImage): Promise<{ scale: number; offset: number; unit: string }> {
  const band = (await image.getGDALMetadata(0).catch(() => null)) ?? {}
  const number = (key: string, usual: number) => {
    const v = Number(band[key])
    return key in band && Number.isFinite(v) ? v : usual
  }
  const unit = typeof band.UNITTYPE === 'string' ? band.UNITTYPE : ''
  return { scale: number('SCALE', 1), offset: number('OFFSET', 0), unit: unit.trim().toLowerCase() }
}

const WORDS_FOR_UNITS: Record<string, number> = {
  m: 1,
  metre: 1,
  meter: 1,
  ft: 0.3048,
  feet: 0.3048,
  foot: 0.3048,
  'us survey foot': 1200 / 3937,
  ussft: 1200 / 3937,
  dm: 0.1,
  cm: 0.01,
}

const lengthWords = (metres: number) =>
  Math.abs(metres - 0.3048) < 1e-5
    ? 'feet'
    : metres === 0.1
      ? 'decimetres'
      : metres === 0.01
        ? 'centimetres'
        : 'metres'

/**
 * Reads a GeoTIFF of heights: tiled or stripped, whole or floating numbers, DEFLATE, LZW or none; with its nodata, its
 * scale and offset, its unit of height, whichever way its rows run, in degrees or in any projection that the libraries
 * know, which is brought to degrees by bilinear interpolation at the same spacing. The header is looked at before
 * anything is read; what is turned, has several bands or is a picture is refused.
 * @param unit what somebody says that its figures are, in place of what the file says
 */
export async function readGeoTiff(
  name: string,
  bytes: ArrayBuffer,
  unit: HeightUnit | null = null,
): Promise<Outcome<HeightsRead>> {
  const refuse = (code: string, message: string) => bad(problem(code, name, message))
  try {
    const image = await (await fromArrayBuffer(bytes)).getImage()
    const why = noHeights(image, bytes.byteLength)
    if (why !== null) return refuse('no-heights', why)
    const at = placing(image)
    if (typeof at === 'string') return refuse('placing', at)
    const system = await systemOfKeys(name, (image.getGeoKeys() ?? {}) as Keys)
    if (!system.ok) return system
    const { scale, offset, unit: word } = await saidOf(image)
    const band = (await image.readRasters({ samples: [0], interleave: true })) as unknown as ArrayLike<number>
    const nodata = image.getGDALNoData()
    const values = Float32Array.from(band, (v) => (v === nodata || Number.isNaN(v) ? NaN : v))
    const { raw, notes } = northUp(at, image.getWidth(), image.getHeight(), values)
    const saidM = WORDS_FOR_UNITS[word] ?? system.value.heightM
    const unitM = unit ? HEIGHT_UNITS[unit] : (saidM ?? 1)
    if (!unit && saidM !== null && saidM !== 1)
      notes.push(`Its heights are in ${lengthWords(saidM)}, as it says.`)
    if (scale !== 1 || offset !== 0) notes.push(`Its figures are times ${scale}, plus ${offset}, as it says.`)
    const sound = soundHeights(name, raw.values, { times: scale * unitM, plus: offset * unitM })
    if (!sound.ok) return sound
    notes.push(...sound.value)
    const { proj, perUnit, name: said } = system.value
    if (proj !== null) notes.push(`Turned to degrees from ${said || 'a projection of its own'}.`)
    const grid = proj === null ? good(asDegrees(raw)) : toDegrees(name, raw, proj, perUnit)
    if (!grid.ok) return grid
    return good({ grid: grid.value, notes })
  } catch (e) {
    return refuse(
      'tiff',
      `It cannot be read as a GeoTIFF: ${e instanceof Error ? e.message : String(e)}. It may be cut short or no GeoTIFF.`,
    )
  }
}
