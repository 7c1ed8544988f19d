'use client'

import 'ol/ol.css'
import { useEffect, useRef } from 'react'
import { fromLonLat } from 'ol/proj'
import Feature from 'ol/Feature'
import OlMap from 'ol/Map'
import View from 'ol/View'
import ScaleLine from 'ol/control/ScaleLine'
import { defaults as defaultControls } from 'ol/control/defaults'
import LineString from 'ol/geom/LineString'
import Point from 'ol/geom/Point'
import VectorLayer from 'ol/layer/Vector'
import VectorSource from 'ol/source/Vector'
import CircleStyle from 'ol/style/Circle'
import Fill from 'ol/style/Fill'
import RegularShape from 'ol/style/RegularShape'
import Stroke from 'ol/style/Stroke'
import Style from 'ol/style/Style'
import Text from 'ol/style/Text'
import { direct, type Place } from '@/core/geo'
import { distanceText, type Units } from '@/core/units'

export interface GroundMapProps {
  base: (Place & { name: string }) | null
  legs: { name: string; way: Place[] }[]
  marks: (Place & { name: string })[]
  farthestM: number
  units: Units
  label: string
  height?: number
}

const at = (p: Place) => fromLonLat([p.lon, p.lat])

function ringDistances(farthestM: number): number[] {
  const step =
    [100, 200, 250, 500, 1000, 2000, 5000, 10000, 20000, 50000].find((s) => farthestM / s <= 5) ?? 100000
  return Array.from({ length: Math.max(1, Math.ceil(farthestM / step)) }, (_, i) => (i + 1) * step)
}

function colours(element: HTMLElement) {
  const css = getComputedStyle(element)
  const of = (name: string) => css.getPropertyValue(name).trim()
  return {
    ink: of('--ink'),
    soft: of('--soft'),
    paper: of('--raised'),
    rule: of('--rule'),
    accent: of('--accent-fill'),
  }
}

const FONT = '13px "Atkinson Hyperlegible", sans-serif'

type Colours = ReturnType<typeof colours>

function label(
  place: number[],
  text: string,
  c: Colours,
  more: Partial<ConstructorParameters<typeof Text>[0]> = {},
) {
  const f = new Feature(new Point(place))
  f.setStyle(
    new Style({
      text: new Text({
        text,
        font: FONT,
        fill: new Fill({ color: c.ink }),
        stroke: new Stroke({ color: c.paper, width: 4 }),
        ...more,
      }),
    }),
  )
  return f
}

function ringFeatures(props: GroundMapProps, c: Colours): { lines: Feature[]; labels: Feature[] } {
  if (!props.base) return { lines: [], labels: [] }
  const base = props.base
  const distances = ringDistances(props.farthestM)
  return {
    lines: distances.map((d) => {
      const line = new Feature(
        new LineString(Array.from({ length: 73 }, (_, i) => at(direct(base, i * 5, d)))),
      )
      line.setStyle(new Style({ stroke: new Stroke({ color: c.soft, width: 1, lineDash: [2, 6] }) }))
      return line
    }),
    labels: distances.flatMap((d) =>
      [0, 90, 180, 270].map((bearing) =>
        label(at(direct(base, bearing, d)), distanceText(d, props.units).replace('.0 ', ' '), c, {
          fill: new Fill({ color: c.soft }),
        }),
      ),
    ),
  }
}

/** Ways, marks and the base: what is always drawn, and what the map is fitted to. */
function groundFeatures(props: GroundMapProps, c: Colours): Feature[] {
  const ways = props.legs.map((leg) => {
    const line = new Feature(new LineString(leg.way.map(at)))
    line.setStyle(new Style({ stroke: new Stroke({ color: c.soft, width: 2.5 }) }))
    return line
  })
  const marks = props.marks.map((mark) => {
    const f = new Feature(new Point(at(mark)))
    f.setStyle(
      new Style({
        image: new RegularShape({
          points: 4,
          radius: 6,
          angle: 0,
          fill: new Fill({ color: c.paper }),
          stroke: new Stroke({ color: c.ink, width: 2 }),
        }),
      }),
    )
    return f
  })
  if (!props.base) return [...ways, ...marks]
  const base = new Feature(new Point(at(props.base)))
  base.setStyle([
    new Style({ image: new CircleStyle({ radius: 11, fill: new Fill({ color: c.ink }) }) }),
    new Style({ image: new CircleStyle({ radius: 5, fill: new Fill({ color: c.accent }) }) }),
  ])
  return [...ways, ...marks, base]
}

/** A plain map without tiles: base, legs, marks, range rings by geodesic. */
export function GroundMap(props: GroundMapProps) {
  const element = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const target = element.current
    if (!target) return
    const c = colours(target)
    const rings = ringFeatures(props, c)
    const ground = new VectorSource({ features: groundFeatures(props, c) })
    const labels = [
      ...(props.base
        ? [label(at(props.base), props.base.name, c, { offsetY: 22, font: `700 ${FONT}` })]
        : []),
      ...props.marks.map((m) => label(at(m), m.name, c, { offsetY: -14 })),
      ...rings.labels,
    ]
    const map = new OlMap({
      target,
      layers: [
        new VectorLayer({ source: new VectorSource({ features: rings.lines }) }),
        new VectorLayer({ source: ground }),
        new VectorLayer({ source: new VectorSource({ features: labels }), declutter: true }),
      ],
      controls: defaultControls({ attribution: false, rotate: false }).extend([
        new ScaleLine({ units: props.units === 'imperial' ? 'imperial' : 'metric' }),
      ]),
      view: new View({ center: [0, 0], zoom: 2 }),
    })
    const extent = ground.getExtent()
    if (extent && Number.isFinite(extent[0]))
      map.getView().fit(extent, { padding: [48, 48, 48, 48], maxZoom: 16 })
    return () => map.setTarget(undefined)
  }, [props])
  return (
    <div
      ref={element}
      role="region"
      aria-label={props.label}
      style={{
        width: '100%',
        height: props.height ?? 440,
        background: 'var(--raised)',
        border: '1px solid var(--rule)',
      }}
    />
  )
}
