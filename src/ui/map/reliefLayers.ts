import ImageLayer from 'ol/layer/Image'
import { transformExtent } from 'ol/proj'
import ImageCanvasSource from 'ol/source/ImageCanvas'
import type { DrawnGrid } from '@/workers/terrain'

/** Pixels over a piece of the earth, rows even in latitude. */
export interface Raster {
  width: number
  height: number
  extent: [west: number, south: number, east: number, north: number]
  pixels: Uint8ClampedArray
}

/** Rows of one strip when drawing in Mercator: within a strip latitude and Mercator's northing run even to centimetres. */
const STRIP = 24

function canvasOf({ width, height, pixels }: Raster): HTMLCanvasElement {
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  const data = new ImageData(width, height)
  data.data.set(pixels)
  canvas.getContext('2d')!.putImageData(data, 0, 0)
  return canvas
}

interface Frame {
  context: CanvasRenderingContext2D
  /** Mercator metres to pixels. */
  x: (east: number) => number
  y: (north: number) => number
  canvas: HTMLCanvasElement
  pixelRatio: number
  resolution: number
}

/** A layer that draws itself for the part of the map that is seen. */
function drawnLayer(draw: (frame: Frame) => void, opacity = 1): ImageLayer<ImageCanvasSource> {
  const source = new ImageCanvasSource({
    ratio: 1.2,
    canvasFunction: (extent, resolution, pixelRatio, size) => {
      const canvas = document.createElement('canvas')
      canvas.width = Math.round(size[0]!)
      canvas.height = Math.round(size[1]!)
      const scale = canvas.width / (extent[2]! - extent[0]!)
      draw({
        context: canvas.getContext('2d')!,
        x: (east) => (east - extent[0]!) * scale,
        y: (north) => (extent[3]! - north) * scale,
        canvas,
        pixelRatio,
        resolution,
      })
      return canvas
    },
  })
  return new ImageLayer({ source, opacity })
}

/** A raster in degrees laid on the map, strip by strip. */
export function rasterLayer(raster: Raster, opacity = 1) {
  const image = canvasOf(raster)
  const [west, south, east, north] = raster.extent
  const perRow = (north - south) / raster.height
  return drawnLayer(({ context, x, y, canvas }) => {
    context.imageSmoothingQuality = 'high'
    for (let r = 0; r < raster.height; r += STRIP) {
      const rows = Math.min(STRIP, raster.height - r)
      const [x0, y1, x1, y0] = transformExtent(
        [west, north - (r + rows) * perRow, east, north - r * perRow],
        'EPSG:4326',
        'EPSG:3857',
      ) as [number, number, number, number]
      const [top, bottom] = [y(y0), y(y1)]
      if (bottom < 0 || top > canvas.height) continue
      context.drawImage(image, 0, r, raster.width, rows, x(x0), top, x(x1) - x(x0), bottom - top + 0.6)
    }
  }, opacity)
}

/** Contours closer than this on the screen are left out, px. */
const CLOSEST_PX = 3
const LABEL_EVERY_PX = 240

/** Contour lines of a grid; every fifth stronger and labelled. */
export function contourLayer(
  grid: DrawnGrid,
  ink: string,
  shore: string,
  labelOf: (heightM: number) => string,
) {
  const [west, south, east, north] = grid.extent
  const stepLon = (east - west) / grid.width
  const stepLat = (north - south) / grid.height
  const half = Math.PI * 6_378_137
  const lonAt = (column: number) => ((west + (column + 0.5) * stepLon) / 180) * half
  // One northing for each half row, looked up between: a tangent for each point would be slow.
  const northing = Float64Array.from({ length: grid.height + 1 }, (_, r) => {
    const lat = ((north - (r + 0.5) * stepLat) * Math.PI) / 180
    return (half / Math.PI) * Math.log(Math.tan(Math.PI / 4 + lat / 2))
  })
  const northAt = (row: number) => {
    const i = Math.floor(row)
    const a = northing[i]!
    return a + ((northing[i + 1] ?? a) - a) * (row - i)
  }
  const cellM = stepLon * 111_320
  return drawnLayer(({ context, x, y, canvas, pixelRatio, resolution }) => {
    const cellPx = cellM / resolution
    const fine = cellPx > CLOSEST_PX / 4
    context.lineCap = 'round'
    for (const { heightM, segments } of grid.contours) {
      const index = heightM > 1 && Math.round(heightM / grid.contourStepM) % 5 === 0
      const isShore = heightM < 1
      if (!fine && !index && !isShore) continue
      context.beginPath()
      const labels = new Map<string, [number, number]>()
      for (let i = 0; i < segments.length; i += 4) {
        const px = x(lonAt(segments[i]!))
        if (px < -20 || px > canvas.width + 20) continue
        const py = y(northAt(segments[i + 1]!))
        if (py < -20 || py > canvas.height + 20) continue
        context.moveTo(px, py)
        context.lineTo(x(lonAt(segments[i + 2]!)), y(northAt(segments[i + 3]!)))
        if (index) {
          const key = `${Math.floor(px / pixelRatio / LABEL_EVERY_PX)} ${Math.floor(py / pixelRatio / LABEL_EVERY_PX)}`
          if (!labels.has(key)) labels.set(key, [px, py])
        }
      }
      context.strokeStyle = isShore ? shore : ink
      context.globalAlpha = isShore ? 0.9 : index ? 0.55 : 0.28
      context.lineWidth = (isShore ? 1.8 : index ? 1.5 : 0.9) * pixelRatio
      context.stroke()
      context.globalAlpha = 0.85
      context.font = `${11 * pixelRatio}px "Atkinson Hyperlegible", sans-serif`
      context.fillStyle = ink
      context.textAlign = 'center'
      for (const [px, py] of labels.values()) context.fillText(labelOf(heightM), px, py)
    }
    context.globalAlpha = 1
  })
}
