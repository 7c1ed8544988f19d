import { useEffect, useRef, type RefObject } from 'react'
import { toLonLat } from 'ol/proj'
import { unByKey } from 'ol/Observable'
import Feature from 'ol/Feature'
import type OlMap from 'ol/Map'
import LineString from 'ol/geom/LineString'
import type Polygon from 'ol/geom/Polygon'
import Draw from 'ol/interaction/Draw'
import PointerInteraction from 'ol/interaction/Pointer'
import VectorLayer from 'ol/layer/Vector'
import VectorSource from 'ol/source/Vector'
import Stroke from 'ol/style/Stroke'
import Style from 'ol/style/Style'
import { inverse, type Place } from '@/core/geo'
import type { Rings } from '@/core/terrain'

export const placeAt = (c: number[]): Place => {
  const [lon, lat] = toLonLat(c)
  return { lat: lat!, lon: lon! }
}

/** Keeps the newest value, so that the map need not be made anew for it. */
export function useLatest<T>(value: T): RefObject<T> {
  const ref = useRef(value)
  useEffect(() => {
    ref.current = value
  })
  return ref
}

/** Pointer moves shorter than this are a click, px. */
const CLICK_PX = 4

/** Measuring by a drag, or by two clicks; the line is shown while it is drawn. */
export function useMeasuring(map: OlMap | null, on: boolean, onMeasured: (metres: number) => void): void {
  const latest = useLatest(onMeasured)
  useEffect(() => {
    if (!map || !on) return
    const ink = getComputedStyle(document.documentElement).getPropertyValue('--bad').trim()
    const source = new VectorSource<Feature<LineString>>()
    const style = new Style({ stroke: new Stroke({ color: ink, width: 3, lineDash: [8, 5] }) })
    const layer = new VectorLayer({ source, style, zIndex: 300 })
    let [start, downAt]: [number[] | null, number[]] = [null, [0, 0]]
    const show = (to: number[]) => {
      source.clear()
      if (start) source.addFeature(new Feature(new LineString([start, to])))
    }
    const measuring = new PointerInteraction({
      handleDownEvent: ({ coordinate, pixel }) => {
        downAt = pixel
        if (start) return true
        source.clear()
        start = coordinate
        return true
      },
      handleDragEvent: ({ coordinate }) => show(coordinate),
      handleMoveEvent: ({ coordinate }) => {
        if (start) show(coordinate)
      },
      handleUpEvent: ({ coordinate, pixel }) => {
        const far = Math.hypot(pixel[0]! - downAt[0]!, pixel[1]! - downAt[1]!) > CLICK_PX
        const second = start !== null && start !== coordinate && source.getFeatures().length > 0
        if (start && (far || second)) {
          show(coordinate)
          latest.current(inverse(placeAt(start), placeAt(coordinate)).distanceM)
          start = null
        }
        return false
      },
    })
    map.addLayer(layer)
    map.addInteraction(measuring)
    return () => {
      map.removeLayer(layer)
      map.removeInteraction(measuring)
    }
  }, [map, on, latest])
}

/** Drawing the outline of an area; Escape takes the last corner back. */
export function useAreaDrawing(map: OlMap | null, on: boolean, onDrawn: (rings: Rings) => void): void {
  const latest = useLatest(onDrawn)
  useEffect(() => {
    if (!map || !on) return
    const draw = new Draw({ type: 'Polygon' })
    const key = draw.on('drawend', (e) => {
      const ring = (e.feature.getGeometry() as Polygon).getCoordinates()[0]!
      latest.current([
        ring.map((c): [number, number] => {
          const { lat, lon } = placeAt(c)
          return [Number(lon.toFixed(6)), Number(lat.toFixed(6))]
        }),
      ])
    })
    const back = (e: KeyboardEvent) => {
      if (e.key === 'Escape') draw.removeLastPoint()
    }
    window.addEventListener('keydown', back)
    map.addInteraction(draw)
    return () => {
      window.removeEventListener('keydown', back)
      unByKey(key)
      map.removeInteraction(draw)
    }
  }, [map, on, latest])
}
