import { spacedOut } from './spacedOut'

/** Pixels over a piece of the earth, rows even in latitude. */
export interface Raster {
  width: number
  height: number
  /** Outer edges, degrees. */
  extent: [west: number, south: number, east: number, north: number]
  pixels: Uint8ClampedArray
}

/** A grid made ready to be painted again and again. */
export interface Painted {
  canvas: OffscreenCanvas
  extent: Raster['extent']
  contours: { heightM: number; segments: Float32Array }[]
  contourStepM: number
  /** Of each row from the north, m in Mercator. */
  northings: Float64Array
}

/** The part of the map that is seen, in Mercator metres and pixels. */
export interface View {
  extent: [west: number, south: number, east: number, north: number]
  width: number
  height: number
  pixelRatio: number
}

/** Where a contour's height is to be written, px. */
export interface ContourLabel {
  x: number
  y: number
  heightM: number
}

const HALF = Math.PI * 6_378_137
const easting = (lon: number) => (lon / 180) * HALF
const northing = (lat: number) => (HALF / Math.PI) * Math.log(Math.tan(Math.PI / 4 + (lat * Math.PI) / 360))
const latitude = (y: number) => (Math.atan(Math.exp((y / HALF) * Math.PI)) * 360) / Math.PI - 90

/**
 * The raster with its rows even in Mercator's northing, each the nearest of its own, so that it is drawn in one piece.
 */
export function mercatorCanvas({ width, height, extent, pixels }: Raster): OffscreenCanvas {
  const canvas = new OffscreenCanvas(width, height)
  const data = new ImageData(width, height)
  const [, south, , north] = extent
  const [low, high] = [northing(south), northing(north)]
  for (let r = 0; r < height; r++) {
    const lat = latitude(high - ((r + 0.5) / height) * (high - low))
    const from = Math.min(height - 1, Math.max(0, Math.floor(((north - lat) / (north - south)) * height)))
    data.data.set(pixels.subarray(4 * from * width, 4 * (from + 1) * width), 4 * r * width)
  }
  canvas.getContext('2d')!.putImageData(data, 0, 0)
  return canvas
}

export function paintedOf(raster: Raster, contours: Painted['contours'], contourStepM: number): Painted {
  const [, south, , north] = raster.extent
  const step = (north - south) / raster.height
  return {
    canvas: mercatorCanvas(raster),
    extent: raster.extent,
    contours,
    contourStepM,
    // One for each row, looked up between: a tangent for each point would be slow.
    northings: Float64Array.from({ length: raster.height + 1 }, (_, r) => northing(north - (r + 0.5) * step)),
  }
}

/** Contours closer than this on the screen are left out, px. */
const CLOSEST_PX = 3
const LABEL_EVERY_PX = 240

/** Relief of several grids, and their contours over it; every fifth stronger and labelled. */
export function paintGround(
  grids: readonly Painted[],
  view: View,
  ink: string,
): { bitmap: ImageBitmap; labels: ContourLabel[] } {
  const canvas = new OffscreenCanvas(view.width, view.height)
  const context = canvas.getContext('2d')!
  const scale = view.width / (view.extent[2] - view.extent[0])
  const x = (east: number) => (east - view.extent[0]) * scale
  const y = (north: number) => (view.extent[3] - north) * scale
  context.imageSmoothingQuality = 'high'
  for (const { canvas: relief, extent } of grids) {
    const [west, south, east, north] = extent
    const [left, top] = [x(easting(west)), y(northing(north))]
    context.drawImage(relief, left, top, x(easting(east)) - left, y(northing(south)) - top)
  }
  const labels = grids.flatMap((g) => paintContours(context, g, view, ink, x, y, scale))
  return { bitmap: canvas.transferToImageBitmap(), labels }
}

function paintContours(
  context: OffscreenCanvasRenderingContext2D,
  { canvas, extent, contours, contourStepM, northings }: Painted,
  { width, height, pixelRatio }: View,
  ink: string,
  x: (east: number) => number,
  y: (north: number) => number,
  scale: number,
): ContourLabel[] {
  const [west, , east] = extent
  const stepLon = (east - west) / canvas.width
  const lonAt = (column: number) => easting(west + (column + 0.5) * stepLon)
  const northAt = (row: number) => {
    const i = Math.floor(row)
    const a = northings[i]!
    return a + ((northings[i + 1] ?? a) - a) * (row - i)
  }
  const fine = (easting(stepLon) * scale) / pixelRatio > CLOSEST_PX / 4
  const labels: ContourLabel[] = []
  context.lineCap = 'round'
  context.strokeStyle = ink
  for (const { heightM, segments } of contours) {
    const index = heightM > 1 && Math.round(heightM / contourStepM) % 5 === 0
    const isShore = heightM < 1
    if (!fine && !index && !isShore) continue
    context.beginPath()
    const isWanted = spacedOut(LABEL_EVERY_PX)
    for (let i = 0; i < segments.length; i += 4) {
      const px = x(lonAt(segments[i]!))
      if (px < -20 || px > width + 20) continue
      const py = y(northAt(segments[i + 1]!))
      if (py < -20 || py > height + 20) continue
      context.moveTo(px, py)
      context.lineTo(x(lonAt(segments[i + 2]!)), y(northAt(segments[i + 3]!)))
      if (index && isWanted(px / pixelRatio, py / pixelRatio)) labels.push({ x: px, y: py, heightM })
    }
    context.globalAlpha = isShore ? 0.9 : index ? 0.55 : 0.28
    context.lineWidth = (isShore ? 1.8 : index ? 1.5 : 0.9) * pixelRatio
    context.stroke()
  }
  context.globalAlpha = 1
  return labels
}
