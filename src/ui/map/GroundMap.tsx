'use client'

import 'ol/ol.css'
import { useEffect, useMemo, useRef, useState } from 'react'
import OlMap from 'ol/Map'
import View from 'ol/View'
import Feature from 'ol/Feature'
import ScaleLine from 'ol/control/ScaleLine'
import { defaults as defaultControls } from 'ol/control/defaults'
import Point from 'ol/geom/Point'
import Translate from 'ol/interaction/Translate'
import { extend } from 'ol/extent'
import Graticule from 'ol/layer/Graticule'
import VectorLayer from 'ol/layer/Vector'
import VectorSource from 'ol/source/Vector'
import CircleStyle from 'ol/style/Circle'
import Stroke from 'ol/style/Stroke'
import Style from 'ol/style/Style'
import type { Place } from '@/core/geo'
import type { Rings } from '@/core/terrain'
import { heightText } from '@/core/units'
import { useNight } from '@/ui/theme/useNight'
import {
  areaFeatures,
  areaLabels,
  outlineFeatures,
  outlineLabels,
  type MapArea,
  type MapOutline,
} from './areaDrawing'
import { backdropLayer, type MapBackdrop } from './backdropLayer'
import {
  at,
  colours,
  graticuleLabel,
  labelFeatures,
  markFeatures,
  ringFeatures,
  siteFeatures,
  trackFeatures,
  type MapContent,
} from './mapDrawing'
import { groundLayer, pictureLayer, type LoadedGround, type Picture } from './reliefLayers'
import { placeAt, useAreaDrawing, useLatest, useMeasuring } from './useDrawing'
import { useLayers } from './useLayers'

export interface GroundMapProps {
  content: MapContent
  /** Ground to be painted under it all; null for none. */
  ground: Pick<LoadedGround, 'worker' | 'ids'> | null
  areas: MapArea[]
  outlines: MapOutline[]
  /** A map of the user's own in place of relief and contours; null for none. */
  backdrop: MapBackdrop | null
  /** What is in sight, laid over the relief; null for none. */
  sight: Picture | null
  /** A place that is looked at: a ring is drawn round it. */
  target: Place | null
  label: string
  height?: number
  measuring: boolean
  onMeasured: (metres: number) => void
  /** An area is being drawn. */
  drawing: boolean
  onDrawn: (rings: Rings) => void
  onPointer: (place: Place | null) => void
  onPick: (place: Place) => void
  onMoveMark: (markId: string, place: Place) => void
}

/** The relief shows through what is in sight. */
const SIGHT_OPACITY = 0.45

const source = (features: Feature[]) => new VectorSource({ features })

/** A map without tiles: relief and contours of our own ground, base, legs, marks, rings, graticule, scale. */
export function GroundMap(props: GroundMapProps) {
  const element = useRef<HTMLDivElement>(null)
  const [map, setMap] = useState<OlMap | null>(null)
  const latest = useLatest(props)
  const { content, ground, areas, outlines, backdrop, sight, target, measuring, drawing } = props
  const units = content.units
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
      if (!e.dragging) latest.current.onPointer(placeAt(e.coordinate))
    })
    made.on('singleclick', (e) => {
      if (!latest.current.measuring && !latest.current.drawing) latest.current.onPick(placeAt(e.coordinate))
    })
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

  const inks = useMemo(() => ({ night, ...colours(document.documentElement) }), [night])

  // The ground under everything: the user's own map, or relief and contours; what is in sight.
  const under = useMemo(() => {
    if (backdrop) return [backdropLayer(backdrop)]
    if (!ground) return []
    return [groundLayer({ ...ground, night: inks.night }, inks.ink, (m) => heightText(m, units))]
  }, [ground, backdrop, inks, units])
  useLayers(map, under, 0)
  const seen = useMemo(() => (sight ? [pictureLayer(sight, SIGHT_OPACITY)] : []), [sight])
  useLayers(map, seen, 20)
  const stands = useMemo(
    () => [
      new VectorLayer({ source: source(areaFeatures(areas, inks)) }),
      new VectorLayer({ source: source(outlineFeatures(outlines, inks)) }),
      new VectorLayer({
        source: source([...areaLabels(areas, inks), ...outlineLabels(outlines, inks)]),
        declutter: true,
      }),
    ],
    [areas, outlines, inks],
  )
  useLayers(map, stands, 50)

  const { layers, marked, drawn } = useMemo(() => {
    const marks = markFeatures(content, inks)
    const drawn = source([...trackFeatures(content, inks), ...siteFeatures(content, inks)])
    const marked = new VectorLayer({ source: source(marks) })
    const layers = [
      new Graticule({
        strokeStyle: new Stroke({ color: inks.soft, width: 0.6, lineDash: [1, 5] }),
        showLabels: true,
        lonLabelPosition: 1,
        latLabelPosition: 0.02,
        lonLabelStyle: graticuleLabel(inks, 'top'),
        latLabelStyle: graticuleLabel(inks, 'middle'),
        wrapX: false,
      }),
      new VectorLayer({ source: source(ringFeatures(content, inks)) }),
      new VectorLayer({ source: source(labelFeatures(content, inks)), declutter: true }),
      new VectorLayer({ source: drawn }),
      marked,
    ]
    return { layers, marked, drawn }
  }, [content, inks])
  useLayers(map, layers, 100)

  useEffect(() => {
    if (!map) return
    const drag = new Translate({ layers: [marked], hitTolerance: 4 })
    drag.on('translateend', (e) => {
      const moved = e.features.item(0) as Feature<Point>
      latest.current.onMoveMark(String(moved.getId()), placeAt(moved.getGeometry()!.getCoordinates()))
    })
    map.addInteraction(drag)
    const extent = extend([...drawn.getExtent()!], marked.getSource()!.getExtent()!)
    const key = `${content.base?.lat} ${content.legs.map((l) => l.name).join()} ${content.sites.length}`
    if (extent && Number.isFinite(extent[0]) && fitted.current !== key) {
      fitted.current = key
      map.getView().fit(extent, { padding: [48, 48, 48, 48], maxZoom: 16 })
    }
    return () => {
      map.removeInteraction(drag)
    }
  }, [map, content, marked, drawn, latest])

  const ring = useMemo(() => {
    if (!target) return []
    const style = new Style({
      image: new CircleStyle({ radius: 12, stroke: new Stroke({ color: inks.bad, width: 3 }) }),
    })
    return [new VectorLayer({ source: source([new Feature(new Point(at(target)))]), style })]
  }, [target, inks])
  useLayers(map, ring, 200)
  useMeasuring(map, measuring, props.onMeasured)
  useAreaDrawing(map, drawing, props.onDrawn)

  return (
    <div style={{ position: 'relative' }}>
      <div
        ref={element}
        role="region"
        aria-label={props.label}
        style={{
          width: '100%',
          height: props.height ?? 440,
          background: ground && !backdrop ? 'var(--map-water)' : 'var(--raised)',
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
