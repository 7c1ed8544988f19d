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

/** Rings, ways, marks and the base as features, each with its own style. */
function features(props: GroundMapProps, c: ReturnType<typeof colours>): Feature[] {
  const font = '13px "Atkinson Hyperlegible", sans-serif'
  const found: Feature[] = []
  const text = (t: string, more: Partial<ConstructorParameters<typeof Text>[0]> = {}) =>
    new Text({
      text: t,
      font,
      fill: new Fill({ color: c.ink }),
      stroke: new Stroke({ color: c.paper, width: 4 }),
      ...more,
    })
  if (props.base) {
    for (const d of ringDistances(props.farthestM)) {
      const ring = Array.from({ length: 73 }, (_, i) => at(direct(props.base!, i * 5, d)))
      const line = new Feature(new LineString(ring))
      line.setStyle(new Style({ stroke: new Stroke({ color: c.rule, width: 1.5, lineDash: [6, 5] }) }))
      const label = new Feature(new Point(at(direct(props.base, 270, d))))
      label.setStyle(
        new Style({ text: text(distanceText(d, props.units), { fill: new Fill({ color: c.soft }) }) }),
      )
      found.push(line, label)
    }
  }
  for (const leg of props.legs) {
    const line = new Feature(new LineString(leg.way.map(at)))
    line.setStyle(new Style({ stroke: new Stroke({ color: c.soft, width: 2.5 }) }))
    found.push(line)
  }
  for (const mark of props.marks) {
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
        text: text(mark.name, { offsetY: -14 }),
      }),
    )
    found.push(f)
  }
  if (props.base) {
    const f = new Feature(new Point(at(props.base)))
    f.setStyle([
      new Style({ image: new CircleStyle({ radius: 11, fill: new Fill({ color: c.ink }) }) }),
      new Style({
        image: new CircleStyle({ radius: 5, fill: new Fill({ color: c.accent }) }),
        text: text(props.base.name, { offsetY: 22, font: `700 ${font}` }),
      }),
    ])
    found.push(f)
  }
  return found
}

/** A plain map without tiles: base, legs, marks, range rings by geodesic. */
export function GroundMap(props: GroundMapProps) {
  const element = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const target = element.current
    if (!target) return
    const source = new VectorSource({ features: features(props, colours(target)) })
    const scale = new ScaleLine({ units: props.units === 'imperial' ? 'imperial' : 'metric' })
    const map = new OlMap({
      target,
      layers: [new VectorLayer({ source, declutter: true })],
      controls: defaultControls({ attribution: false, rotate: false }).extend([scale]),
      view: new View({ center: [0, 0], zoom: 2 }),
    })
    const extent = source.getExtent()
    if (extent && Number.isFinite(extent[0]))
      map.getView().fit(extent, { padding: [24, 24, 24, 24], maxZoom: 16 })
    return () => map.setTarget(undefined)
  }, [props])
  return (
    <div
      ref={element}
      role="img"
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
