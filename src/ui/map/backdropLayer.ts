import TileLayer from 'ol/layer/Tile'
import { transformExtent } from 'ol/proj'
import XYZ from 'ol/source/XYZ'

/** A map of the user's own, in tiles. */
export interface MapBackdrop {
  id: string
  minZoom: number
  maxZoom: number
  bounds: [number, number, number, number] | null
}

export function backdropLayer({ id, minZoom, maxZoom, bounds }: MapBackdrop) {
  const source = new XYZ({ url: `/api/backdrops/${id}/{z}/{x}/{y}`, minZoom, maxZoom, wrapX: false })
  return new TileLayer({
    source,
    ...(bounds ? { extent: transformExtent(bounds, 'EPSG:4326', 'EPSG:3857') } : {}),
  })
}
