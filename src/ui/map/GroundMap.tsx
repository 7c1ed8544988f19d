'use client'

import { useEffect, useMemo, useRef } from 'react'
import Feature from 'ol/Feature'
import Point from 'ol/geom/Point'
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
import { coverageLayers, worthLayers, type MapCoverage } from './coverageDrawing'
import {
  at,
  colours,
  drawMarks,
  graticuleLabel,
  graticuleLine,
  labelFeatures,
  markFeatures,
  ringFeatures,
  siteFeatures,
  trackFeatures,
  type MapContent,
  type MarkKinds,
} from './mapDrawing'
import { groundLayer, pictureLayer, type LoadedGround, type Picture } from './reliefLayers'
import { NorthArrow } from './NorthArrow'
import { useAreaDrawing, useLatest, useMeasuring } from './useDrawing'
import { useLayers } from './useLayers'
import { useFitted, useFittedBox, useMarkDragging, useOlMap } from './useOlMap'

export interface GroundMapProps {
  content: MapContent
  kinds?: MarkKinds
  /** Ground to be painted under it all; null for none. */
  ground: Pick<LoadedGround, 'worker' | 'ids'> | null
  areas: MapArea[]
  /** Where something lies that is to be seen: they are outlined, and the map goes there. */
  extents: MapArea[]
  outlines: MapOutline[]
  /** A map of the user's own in place of relief and contours; null for none. */
  backdrop: MapBackdrop | null
  /** What is in sight, laid over the relief; null for none. */
  sight: Picture | null
  /** What is covered, over the relief too; null for none. */
  coverage?: MapCoverage | null
  /** A place that is looked at: a ring is drawn round it. */
  target: Place | null
  label: string
  height: number
  measuring: boolean
  onMeasured: (metres: number) => void
  /** An area is being drawn. */
  drawing: boolean
  onDrawn: (rings: Rings) => void
  onPointer: (place: Place | null) => void
  onPick: (place: Place) => void
  onMoveMark: (markId: string, place: Place) => void
  /** What the map goes to, in place of what is drawn: west, south, east, north, degrees. */
  fit?: readonly [number, number, number, number] | null
  /** Marks stay where they are. */
  fixedMarks?: boolean
}

/** The relief shows through what is in sight. */
const SIGHT_OPACITY = 0.45

const UNKNOWN = 'repeating-linear-gradient(135deg, var(--raised) 0 7px, var(--rule) 7px 8px)'

const UNSEEN: MarkKinds = new Map()

const source = (features: Feature[]) => new VectorSource({ features })

/** A map without tiles: relief and contours of our own ground, base, legs, marks, rings, graticule, scale. */
export function GroundMap(props: GroundMapProps) {
  const element = useRef<HTMLDivElement>(null)
  const latest = useLatest(props)
  const { content, ground, areas, extents, outlines, backdrop, sight, coverage = null } = props
  const { kinds = UNSEEN, target, measuring, drawing } = props
  const units = content.units
  // Colours are read when layers are made, so they are made anew when the system turns dark or light.
  const night = useNight()

  const map = useOlMap(element, latest, units)

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
  const covered = useMemo(() => (coverage ? coverageLayers(coverage, inks) : []), [coverage, inks])
  useLayers(map, covered, 30)
  const worths = useMemo(() => (coverage ? worthLayers(coverage, inks) : []), [coverage, inks])
  useLayers(map, worths, 180)
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
  const outlined = useMemo(
    () =>
      extents.length === 0
        ? []
        : [
            new VectorLayer({
              source: source([...areaFeatures(extents, inks), ...areaLabels(extents, inks)]),
            }),
          ],
    [extents, inks],
  )
  useLayers(map, outlined, 60)
  useFitted(map, outlined)

  const { layers, marked, drawn } = useMemo(() => {
    const drawn = source([...trackFeatures(content, inks), ...siteFeatures(content, inks)])
    const marked = new VectorLayer({ source: source(markFeatures(content)) })
    const layers = [
      new Graticule({
        strokeStyle: graticuleLine(inks),
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
  // They are known later than what they stand on, which is not drawn anew for them.
  useEffect(() => drawMarks(marked.getSource()!.getFeatures(), kinds, inks), [marked, kinds, inks])

  useMarkDragging(map, content, marked, drawn, latest)
  useFittedBox(map, props.fit ?? null)

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
          height: props.height,
          // Beyond what is known: neither land nor sea.
          background: ground && !backdrop ? UNKNOWN : 'var(--raised)',
          border: '1px solid var(--rule)',
        }}
      />
      <NorthArrow />
    </div>
  )
}
