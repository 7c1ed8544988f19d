'use client'

import 'ol/ol.css'
import { useEffect, useRef, useState, type RefObject } from 'react'
import { toLonLat } from 'ol/proj'
import { unByKey } from 'ol/Observable'
import OlMap from 'ol/Map'
import View from 'ol/View'
import Feature from 'ol/Feature'
import ScaleLine from 'ol/control/ScaleLine'
import { defaults as defaultControls } from 'ol/control/defaults'
import Point from 'ol/geom/Point'
import type LineString from 'ol/geom/LineString'
import Draw from 'ol/interaction/Draw'
import Translate from 'ol/interaction/Translate'
import Collection from 'ol/Collection'
import type BaseLayer from 'ol/layer/Base'
import Graticule from 'ol/layer/Graticule'
import VectorLayer from 'ol/layer/Vector'
import VectorSource from 'ol/source/Vector'
import CircleStyle from 'ol/style/Circle'
import Stroke from 'ol/style/Stroke'
import Style from 'ol/style/Style'
import type { Place } from '@/core/geo'
import { inverse } from '@/core/geo'
import { heightText } from '@/core/units'
import { useNight } from '@/ui/theme/useNight'
import type { DrawnGrid } from '@/workers/terrain'
import {
  at,
  colours,
  graticuleLabel,
  labelFeatures,
  markFeatures,
  ringFeatures,
  siteFeatures,
  wayFeatures,
  type MapContent,
} from './mapDrawing'
import { contourLayer, rasterLayer, type Raster } from './reliefLayers'

export interface GroundMapProps {
  content: MapContent
  grids: DrawnGrid[]
  /** What is in sight, laid over the relief; null for none. */
  sight: Raster | null
  /** A place that is looked at: a ring is drawn round it. */
  target: Place | null
  label: string
  height?: number
  measuring: boolean
  onMeasured: (metres: number) => void
  onPointer: (place: Place | null) => void
  onPick: (place: Place) => void
  onMoveMark: (markId: string, place: Place) => void
}

/** The relief shows through what is in sight. */
const SIGHT_OPACITY = 0.45

const place = (c: number[]): Place => {
  const [lon, lat] = toLonLat(c)
  return { lat: lat!, lon: lon! }
}

/** Keeps the newest callbacks, so that the map need not be made anew for them. */
function useLatest<T>(value: T): RefObject<T> {
  const ref = useRef(value)
  useEffect(() => {
    ref.current = value
  })
  return ref
}

/** A map without tiles: relief and contours of our own ground, base, legs, marks, rings, graticule, scale. */
export function GroundMap(props: GroundMapProps) {
  const element = useRef<HTMLDivElement>(null)
  const [map, setMap] = useState<OlMap | null>(null)
  const latest = useLatest(props)
  const { content, grids, sight, target, measuring } = props
  const fitted = useRef('')
  // Colours are read when layers are made, so they are made anew when the system turns dark or light.
  const night = useNight()

  useEffect(() => {
    const made = new OlMap({
      target: element.current!,
      controls: defaultControls({ attribution: false, rotate: false }),
      view: new View({ center: [0, 0], zoom: 2, maxZoom: 18 }),
    })
    made.on('pointermove', (e) => {
      if (!e.dragging) latest.current.onPointer(place(e.coordinate))
    })
    made.on('singleclick', (e) => latest.current.onPick(place(e.coordinate)))
    const leave = () => latest.current.onPointer(null)
    const viewport = element.current!
    viewport.addEventListener('pointerleave', leave)
    setMap(made)
    return () => {
      viewport.removeEventListener('pointerleave', leave)
      made.setTarget(undefined)
      setMap(null)
    }
  }, [latest])

  useEffect(() => {
    if (!map) return
    const scale = new ScaleLine({ units: content.units === 'imperial' ? 'imperial' : 'metric' })
    map.addControl(scale)
    return () => {
      map.removeControl(scale)
    }
  }, [map, content.units])

  // The ground under everything: relief, contours, what is in sight.
  useEffect(() => {
    if (!map) return
    const c = colours(map.getTargetElement() as HTMLElement)
    const layers: BaseLayer[] = [
      ...grids.map((g) => rasterLayer(g)),
      ...(sight ? [rasterLayer(sight, SIGHT_OPACITY)] : []),
      ...grids.map((g) => contourLayer(g, c.ink, c.ink, (m) => heightText(m, latest.current.content.units))),
    ]
    layers.forEach((l, i) => {
      l.setZIndex(i)
      map.addLayer(l)
    })
    return () => layers.forEach((l) => map.removeLayer(l))
  }, [map, grids, sight, night, latest])

  useEffect(() => {
    if (!map) return
    const c = colours(map.getTargetElement() as HTMLElement)
    const marks = markFeatures(content, c)
    const ground = [...wayFeatures(content, c), ...marks, ...siteFeatures(content, c)]
    const source = (features: Feature[]) => new VectorSource({ features })
    const drawn = source(ground)
    const layers: BaseLayer[] = [
      new Graticule({
        strokeStyle: new Stroke({ color: c.soft, width: 0.6, lineDash: [1, 5] }),
        showLabels: true,
        lonLabelPosition: 1,
        latLabelPosition: 0.02,
        lonLabelStyle: graticuleLabel(c, 'top'),
        latLabelStyle: graticuleLabel(c, 'middle'),
        wrapX: false,
      }),
      new VectorLayer({ source: source(ringFeatures(content, c)) }),
      new VectorLayer({ source: source(labelFeatures(content, c)), declutter: true }),
      new VectorLayer({ source: drawn }),
    ]
    layers.forEach((l, i) => {
      l.setZIndex(100 + i)
      map.addLayer(l)
    })
    const drag = new Translate({ features: new Collection(marks as Feature[]), hitTolerance: 4 })
    drag.on('translateend', (e) => {
      const moved = e.features.item(0) as Feature<Point>
      latest.current.onMoveMark(String(moved.getId()), place(moved.getGeometry()!.getCoordinates()))
    })
    map.addInteraction(drag)
    const extent = drawn.getExtent()
    const key = `${content.base?.lat} ${content.legs.map((l) => l.name).join()} ${content.sites.length}`
    if (extent && Number.isFinite(extent[0]) && fitted.current !== key) {
      fitted.current = key
      map.getView().fit(extent, { padding: [48, 48, 48, 48], maxZoom: 16 })
    }
    return () => {
      layers.forEach((l) => map.removeLayer(l))
      map.removeInteraction(drag)
    }
  }, [map, content, night, latest])

  useEffect(() => {
    if (!map || !target) return
    const c = colours(map.getTargetElement() as HTMLElement)
    const style = new Style({
      image: new CircleStyle({ radius: 12, stroke: new Stroke({ color: c.bad, width: 3 }) }),
    })
    const source = new VectorSource({ features: [new Feature(new Point(at(target)))] })
    const layer = new VectorLayer({ source, style, zIndex: 200 })
    map.addLayer(layer)
    return () => {
      map.removeLayer(layer)
    }
  }, [map, target, night])

  useEffect(() => {
    if (!map || !measuring) return
    const draw = new Draw({ type: 'LineString', maxPoints: 2, freehand: false })
    const key = draw.on('drawend', (e) => {
      const [a, b] = (e.feature.getGeometry() as LineString).getCoordinates()
      if (a && b) latest.current.onMeasured(inverse(place(a), place(b)).distanceM)
    })
    map.addInteraction(draw)
    return () => {
      unByKey(key)
      map.removeInteraction(draw)
    }
  }, [map, measuring, latest])

  return (
    <div style={{ position: 'relative' }}>
      <div
        ref={element}
        role="region"
        aria-label={props.label}
        style={{
          width: '100%',
          height: props.height ?? 440,
          background: grids.length > 0 ? 'var(--map-water)' : 'var(--raised)',
          border: '1px solid var(--rule)',
        }}
      />
      <svg
        width="34"
        height="46"
        viewBox="0 0 34 46"
        aria-label="North is up"
        role="img"
        style={{ position: 'absolute', right: 12, top: 12, pointerEvents: 'none' }}
      >
        <path d="M17 4L26 30L17 24L8 30Z" fill="var(--raised)" stroke="var(--ink)" strokeWidth="2" />
        <path d="M17 4L26 30L17 24Z" fill="var(--ink)" />
        <text x="17" y="44" textAnchor="middle" fontSize="13" fontWeight="700" fill="var(--ink)">
          N
        </text>
      </svg>
    </div>
  )
}
