import { useEffect, useRef, useState, type RefObject } from 'react'
import OlMap from 'ol/Map'
import View from 'ol/View'
import type Feature from 'ol/Feature'
import ScaleLine from 'ol/control/ScaleLine'
import { defaults as defaultControls } from 'ol/control/defaults'
import type Point from 'ol/geom/Point'
import { transformExtent } from 'ol/proj'
import Translate from 'ol/interaction/Translate'
import type VectorLayer from 'ol/layer/Vector'
import type VectorSource from 'ol/source/Vector'
import type { Place } from '@/core/geo'
import type { Units } from '@/core/units'
import { calmStart } from './calmStart'
import { shownExtent, type MapContent } from './mapDrawing'
import { placeAt } from './useDrawing'

/** What the map tells of the pointer, as it is now. */
interface Heard {
  measuring: boolean
  drawing: boolean
  onPointer: (place: Place | null) => void
  onPick: (place: Place) => void
  onMoveMark: (markId: string, place: Place) => void
  fixedMarks?: boolean
}
type Latest = RefObject<Heard>

/** The map in an element, with its scale; null until the element is there. */
export function useOlMap(element: RefObject<HTMLElement | null>, latest: Latest, units: Units): OlMap | null {
  const [map, setMap] = useState<OlMap | null>(null)
  useEffect(() => {
    const viewport = element.current!
    const made = new OlMap({
      target: viewport,
      controls: defaultControls({ attribution: false, rotate: false }),
      view: new View({ center: [0, 0], zoom: 2, maxZoom: 18 }),
    })
    const asItChanges = calmStart(made, viewport)
    made.on('pointermove', (e) => {
      if (!e.dragging) latest.current.onPointer(placeAt(e.coordinate))
    })
    made.on('singleclick', (e) => {
      if (!latest.current.measuring && !latest.current.drawing) latest.current.onPick(placeAt(e.coordinate))
    })
    const leave = () => latest.current.onPointer(null)
    // Letters that few names have come when they are first drawn.
    const redraw = () => made.redrawText()
    document.fonts.addEventListener('loadingdone', redraw)
    viewport.addEventListener('pointerleave', leave)
    // The map lives as long as the element, which is there only after it was drawn.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setMap(made)
    return () => {
      asItChanges()
      viewport.removeEventListener('pointerleave', leave)
      document.fonts.removeEventListener('loadingdone', redraw)
      made.setTarget(undefined)
      setMap(null)
    }
  }, [element, latest])
  useEffect(() => {
    if (!map) return
    const scale = new ScaleLine({ units: units === 'imperial' ? 'imperial' : 'metric' })
    map.addControl(scale)
    return () => {
      map.removeControl(scale)
    }
  }, [map, units])
  return map
}

/** Marks are dragged; the map is fitted to what is drawn when the trial's ground becomes another. */
export function useMarkDragging(
  map: OlMap | null,
  content: MapContent,
  marked: VectorLayer,
  drawn: VectorSource,
  latest: Latest,
): void {
  const fitted = useRef('')
  useEffect(() => {
    if (!map) return
    // It is added anew with the marks, ahead of whatever else listens: it must leave measuring alone.
    const condition = () =>
      !latest.current.measuring && !latest.current.drawing && latest.current.fixedMarks !== true
    const drag = new Translate({ layers: [marked], hitTolerance: 4, condition })
    drag.on('translateend', (e) => {
      const moved = e.features.item(0) as Feature<Point>
      latest.current.onMoveMark(String(moved.getId()), placeAt(moved.getGeometry()!.getCoordinates()))
    })
    map.addInteraction(drag)
    const extent = shownExtent([...drawn.getFeatures(), ...marked.getSource()!.getFeatures()])
    const key = `${content.base?.lat} ${content.legs.map((l) => l.name).join()} ${content.sites.length}`
    if (Number.isFinite(extent[0]) && fitted.current !== key) {
      fitted.current = key
      map.getView().fit(extent, { padding: [48, 48, 48, 48], maxZoom: 16 })
    }
    return () => {
      map.removeInteraction(drag)
    }
  }, [map, content, marked, drawn, latest])
}

/** The map goes to what is drawn on a layer, once for each that comes. */
export function useFitted(map: OlMap | null, layers: readonly VectorLayer[]): void {
  useEffect(() => {
    const extent = layers[0]?.getSource()?.getExtent()
    if (!map || !extent || !extent.every(Number.isFinite)) return
    map.getView().fit(extent, { padding: [40, 40, 40, 40], maxZoom: 15, duration: 250 })
  }, [map, layers])
}

/** The map shows a box, degrees: west, south, east, north. */
export function useFittedBox(map: OlMap | null, box: readonly [number, number, number, number] | null): void {
  useEffect(() => {
    if (!map || !box) return
    map
      .getView()
      .fit(transformExtent([...box], 'EPSG:4326', 'EPSG:3857'), { padding: [8, 8, 8, 8], maxZoom: 16 })
  }, [map, box])
}
