import ImageLayer from 'ol/layer/Image'
import { transformExtent } from 'ol/proj'
import ImageSource from 'ol/source/Image'
import ImageCanvasSource from 'ol/source/ImageCanvas'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import { mapFont } from './mapFont'

/** Ground that is loaded in the worker, to be painted there. */
export interface LoadedGround {
  worker: TerrainWorker
  ids: readonly string[]
  night: boolean
}

/** A picture over a piece of the earth, its rows even in Mercator. */
export interface Picture {
  bitmap: ImageBitmap
  /** Outer edges, degrees. */
  extent: [west: number, south: number, east: number, north: number]
}

/** Pictures are made for the scale that is shown: each of their pixels is one of the map's, and none need be mixed. */
const PIXEL_BY_PIXEL = { interpolate: false }

/** More than is seen is painted, so that a little panning needs nothing new. */
const MARGIN = 1.4

/**
 * Relief and contours, painted by the worker for the part of the map that is seen; the heights are written
 * here, where the face is.
 */
export function groundLayer(
  { worker, ids, night }: LoadedGround,
  ink: string,
  labelOf: (heightM: number) => string,
): ImageLayer<ImageSource> {
  const source = new ImageSource({
    ...PIXEL_BY_PIXEL,
    projection: 'EPSG:3857',
    loader: async (extent, resolution, pixelRatio) => {
      const [cx, cy] = [(extent[0]! + extent[2]!) / 2, (extent[1]! + extent[3]!) / 2]
      const width = Math.round(((extent[2]! - extent[0]!) / resolution) * MARGIN * pixelRatio)
      const height = Math.round(((extent[3]! - extent[1]!) / resolution) * MARGIN * pixelRatio)
      const [halfX, halfY] = [(width * resolution) / pixelRatio / 2, (height * resolution) / pixelRatio / 2]
      const wide: [number, number, number, number] = [cx - halfX, cy - halfY, cx + halfX, cy + halfY]
      const { bitmap, labels } = await worker.paint(
        [...ids],
        night,
        { extent: wide, width, height, pixelRatio },
        ink,
      )
      const canvas = document.createElement('canvas')
      canvas.width = width
      canvas.height = height
      const context = canvas.getContext('2d')!
      context.drawImage(bitmap, 0, 0)
      bitmap.close()
      context.font = mapFont(11 * pixelRatio)
      context.fillStyle = ink
      context.globalAlpha = 0.85
      context.textAlign = 'center'
      for (const { x, y, heightM } of labels) context.fillText(labelOf(heightM), x, y)
      return { image: canvas, extent: wide, resolution, pixelRatio }
    },
  })
  return new ImageLayer({ source })
}

/** A picture laid on the map. */
export function pictureLayer({ bitmap, extent }: Picture, opacity = 1): ImageLayer<ImageCanvasSource> {
  const [x0, y0, x1, y1] = transformExtent(extent, 'EPSG:4326', 'EPSG:3857') as [
    number,
    number,
    number,
    number,
  ]
  const source = new ImageCanvasSource({
    ...PIXEL_BY_PIXEL,
    ratio: 1.2,
    canvasFunction: (seen, _resolution, _pixelRatio, size) => {
      const canvas = document.createElement('canvas')
      canvas.width = Math.round(size[0]!)
      canvas.height = Math.round(size[1]!)
      const scale = canvas.width / (seen[2]! - seen[0]!)
      canvas
        .getContext('2d')!
        .drawImage(
          bitmap,
          (x0 - seen[0]!) * scale,
          (seen[3]! - y1) * scale,
          (x1 - x0) * scale,
          (y1 - y0) * scale,
        )
      return canvas
    },
  })
  return new ImageLayer({ source, opacity })
}
