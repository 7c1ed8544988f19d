import { useEffect } from 'react'
import type OlMap from 'ol/Map'
import type BaseLayer from 'ol/layer/Base'

/** Lays layers on the map while they last, from a height upwards. */
export function useLayers(map: OlMap | null, layers: readonly BaseLayer[], zIndex: number): void {
  useEffect(() => {
    if (!map) return
    layers.forEach((l, i) => {
      l.setZIndex(zIndex + i)
      map.addLayer(l)
    })
    return () => layers.forEach((l) => map.removeLayer(l))
  }, [map, layers, zIndex])
}
