import { fromLonLat } from 'ol/proj'
import Feature from 'ol/Feature'
import LineString from 'ol/geom/LineString'
import Polygon from 'ol/geom/Polygon'
import Fill from 'ol/style/Fill'
import Stroke from 'ol/style/Stroke'
import Style from 'ol/style/Style'
import type { Place } from '@/core/geo'
import type { Rings } from '@/core/terrain'
import { at, label, type Colours } from './mapDrawing'
import { tilePattern } from './tilePattern'
import { mapFont } from './mapFont'

/** An area on the map: what stands there, ground to be covered, or where a file lies that was looked at. */
export interface MapArea {
  id: string
  name: string
  kind: string
  rings: Rings
}

/** How far a link is expected to reach round the base. */
export interface MapOutline {
  letter: string
  name: string
  hue: string
  dash: number[]
  points: (Place & { open: boolean; distanceM: number })[]
}

type Stamp = (c: CanvasRenderingContext2D, size: number) => void

const TILE_PX = 18

/** Small signs, each its own shape so that no colour is needed. */
const STAMPS: Record<string, Stamp> = {
  wood: (c, s) => {
    for (const [x, y] of [
      [s * 0.28, s * 0.4],
      [s * 0.78, s * 0.9],
    ] as const) {
      c.beginPath()
      c.arc(x, y - 3, 3.4, 0, 7)
      c.stroke()
      c.beginPath()
      c.moveTo(x, y + 0.5)
      c.lineTo(x, y + 3.5)
      c.stroke()
    }
  },
  scattered: (c, s) => c.fillRect(s / 2 - 1.5, s / 2 - 1.5, 3, 3),
  suburb: (c, s) => {
    c.strokeRect(s * 0.18, s * 0.18, 5, 5)
    c.strokeRect(s * 0.62, s * 0.62, 5, 5)
  },
  town: (c, s) => {
    c.fillRect(s * 0.1, s * 0.1, 6, 6)
    c.fillRect(s * 0.55, s * 0.1, 6, 6)
    c.fillRect(s * 0.1, s * 0.55, 6, 6)
    c.fillRect(s * 0.55, s * 0.55, 6, 6)
  },
}

function pattern(kind: string, ink: string): CanvasPattern | null {
  const stamp = STAMPS[kind]
  return stamp ? tilePattern(TILE_PX, ink, { alpha: 0.62, linePx: 1.3 }, stamp) : null
}

/** A light edge that lifts a line off the relief. */
const casing = (c: Colours) => new Style({ zIndex: 0, stroke: new Stroke({ color: c.paper, width: 6 }) })

export function areaFeatures(areas: readonly MapArea[], c: Colours): Feature[] {
  return areas.flatMap((a) => {
    const f = new Feature(new Polygon(a.rings.map((ring) => ring.map((p) => fromLonLat(p)))))
    if (a.kind === 'to cover') {
      const under = f.clone()
      under.setStyle(casing(c))
      f.setStyle(
        new Style({ zIndex: 1, stroke: new Stroke({ color: c.bad, width: 2.5, lineDash: [14, 6] }) }),
      )
      return [under, f]
    }
    if (a.kind === 'looked at') {
      const under = f.clone()
      under.setStyle(casing(c))
      f.setStyle(new Style({ zIndex: 1, stroke: new Stroke({ color: c.ink, width: 2.5 }) }))
      return [under, f]
    }
    const fill = pattern(a.kind, c.ink)
    f.setStyle(
      new Style({
        ...(fill ? { fill: new Fill({ color: fill }) } : {}),
        stroke: new Stroke({ color: c.ink, width: 1, lineDash: [3, 3] }),
      }),
    )
    return [f]
  })
}

/** Names of areas, where they have one. */
export function areaLabels(areas: readonly MapArea[], c: Colours): Feature[] {
  return areas.flatMap((a) => {
    if (a.name === '') return []
    const middle = new Polygon(a.rings.map((ring) => ring.map((p) => fromLonLat(p)))).getInteriorPoint()
    return [
      label(middle.getCoordinates().slice(0, 2), a.name, c, {
        font: mapFont(13, 'italic'),
      }),
    ]
  })
}

/** Stretches of an outline in turn, closed ones apart from those where only the ground ended. */
function stretches(points: MapOutline['points']): { open: boolean; places: Place[] }[] {
  const found: { open: boolean; places: Place[] }[] = []
  points.forEach((p, i) => {
    const q = points[(i + 1) % points.length]!
    const open = p.open || q.open
    const last = found[found.length - 1]
    if (last && last.open === open) last.places.push(q)
    else found.push({ open, places: [p, q] })
  })
  return found
}

/** The reach that is expected, a line each with its rig's own pattern; thin where only the ground ended. */
export function outlineFeatures(outlines: readonly MapOutline[], c: Colours): Feature[] {
  return outlines.flatMap((o) =>
    stretches(o.points).flatMap(({ open, places }) => {
      const line = new Feature(new LineString(places.map(at)))
      const stroke = new Stroke({ color: o.hue, width: open ? 1.2 : 3, lineDash: o.dash })
      line.setStyle(new Style({ zIndex: 1, stroke }))
      if (open) return [line]
      const under = line.clone()
      under.setStyle(casing(c))
      return [under, line]
    }),
  )
}

/** The letter of each link along its outline, here and there; what does not fit is left out by the layer. */
export function outlineLabels(outlines: readonly MapOutline[], c: Colours): Feature[] {
  return outlines.flatMap((o, i) => {
    const closed = o.points.filter((p) => !p.open && p.distanceM > 0)
    const every = Math.max(1, Math.floor(closed.length / 4))
    const shifted = Math.floor((every * i) / outlines.length)
    return closed.flatMap((p, j) =>
      (j - shifted) % every === 0 ? [label(at(p), o.letter, c, { font: mapFont(15, 'bold') })] : [],
    )
  })
}
