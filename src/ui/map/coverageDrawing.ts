import { fromLonLat } from 'ol/proj'
import Feature from 'ol/Feature'
import MultiPolygon from 'ol/geom/MultiPolygon'
import Point from 'ol/geom/Point'
import VectorLayer from 'ol/layer/Vector'
import VectorSource from 'ol/source/Vector'
import CircleStyle from 'ol/style/Circle'
import Fill from 'ol/style/Fill'
import Stroke from 'ol/style/Stroke'
import Style from 'ol/style/Style'
import type { Place } from '@/core/geo'
import type { MapLayer } from '@/core/reach/map/reachMap'
import { percentText } from '@/core/units'
import type { DrawnLook } from '@/ui/theme/looksNow'
import { at, label, type Colours } from './mapDrawing'
import { tilePattern } from './tilePattern'
import { mapFont } from './mapFont'

/** What is covered, to be laid over the ground. */
export interface MapCoverage {
  layers: readonly MapLayer[]
  /** Of the links, in their order: hue and line pattern. */
  looks: readonly DrawnLook[]
  /** What checks at places are worth, 0 to 1 of the best; the first is the best. */
  worths?: readonly { place: Place; share: number }[]
}

const TILE_PX = 9

/** Slanting lines: rising for what is undecided, falling for what is only guessed. */
const hatched = (ink: string, rising: boolean, alpha: number) =>
  tilePattern(TILE_PX, ink, { alpha, linePx: 1 }, (c) => {
    c.beginPath()
    for (const shift of [-TILE_PX, 0, TILE_PX]) {
      c.moveTo(shift, rising ? TILE_PX : 0)
      c.lineTo(shift + TILE_PX, rising ? 0 : TILE_PX)
    }
    c.stroke()
  })

/** A colour with a share of opacity. */
export function tinted(hue: string, share: number): string {
  const hex = Math.round(255 * share)
    .toString(16)
    .padStart(2, '0')
  return `${hue}${hex}`
}

/** Opacity of what one link covers: of a lower chance, of the one that is asked for. */
export const TINTS = { low: 0.16, high: 0.32, side: 0.42, both: 0.14 } as const

function styleOf(layer: MapLayer, top: boolean, { looks }: MapCoverage, c: Colours): Style {
  const fill = (color: string | CanvasPattern | null) => (color ? { fill: new Fill({ color }) } : {})
  const [a, b] = [looks[0]!, looks[1] ?? looks[0]!]
  switch (layer.kind) {
    case 'chance':
      return new Style({
        ...fill(tinted(a.hue, top ? TINTS.high : TINTS.low)),
        stroke: new Stroke({ color: a.hue, width: top ? 2.5 : 1.25, ...(top ? {} : { lineDash: [3, 4] }) }),
      })
    case 'twice':
      return new Style({
        ...fill(tinted(a.hue, TINTS.high)),
        stroke: new Stroke({ color: a.hue, width: 1.5, lineDash: [8, 4] }),
      })
    case 'guess':
      return new Style(fill(hatched(c.ink, false, 0.28)))
    case 'undecided':
      return new Style(fill(hatched(c.ink, true, 0.5)))
    case 'side': {
      if (layer.side === 'both')
        return new Style({
          ...fill(tinted(c.ink, TINTS.both)),
          stroke: new Stroke({ color: tinted(c.ink, 0.5), width: 1 }),
        })
      const { hue, dash } = layer.side === 'first' ? a : b
      return new Style({
        ...fill(tinted(hue, TINTS.side)),
        stroke: new Stroke({ color: hue, width: 2, lineDash: dash }),
      })
    }
  }
}

/** The largest of a few pieces, by the points of their outline: where a word has most room. */
const largest = <T extends number[][][]>(pieces: readonly T[]): T | undefined =>
  [...pieces].sort((p, q) => (q[0]?.length ?? 0) - (p[0]?.length ?? 0))[0]

/** Words on a layer: its chance at its outline, the letter of who alone covers it inside. */
function wordOf(layer: MapLayer, { looks }: MapCoverage, c: Colours): Feature[] {
  const piece = largest(layer.rings)
  if (!piece) return []
  if (layer.kind === 'chance') {
    const east = piece[0]!.reduce((best, p) => (p[0]! > best[0]! ? p : best))
    return [label(fromLonLat(east), percentText(layer.level), c, { textAlign: 'left', offsetX: 5 })]
  }
  if (layer.kind !== 'side' || (layer.side !== 'first' && layer.side !== 'second')) return []
  const inside = new MultiPolygon([piece.map((ring) => ring.map((p) => fromLonLat(p)))]).getInteriorPoints()
  const { letter } = looks[layer.side === 'first' ? 0 : 1] ?? looks[0]!
  return [
    label(inside.getCoordinates()[0]!.slice(0, 2), letter, c, {
      font: mapFont(16, 'bold'),
    }),
  ]
}

/** Least and largest ring of a check's worth, px. */
const [LEAST_PX, LARGEST_PX] = [3, 15]

/** A ring for each place where a check could be made, the larger the more it tells; the best is named. */
function worthFeatures(worths: MapCoverage['worths'], c: Colours): Feature[] {
  return (worths ?? []).flatMap(({ place, share }, i) => {
    const f = new Feature(new Point(at(place)))
    const radius = LEAST_PX + (LARGEST_PX - LEAST_PX) * share
    f.setStyle(
      new Style({
        image: new CircleStyle({ radius, stroke: new Stroke({ color: c.bad, width: i === 0 ? 3 : 1.5 }) }),
      }),
    )
    return i === 0
      ? [
          f,
          label(at(place), 'check here next', c, {
            // Names stand over and under what they name.
            textAlign: 'left',
            offsetX: LARGEST_PX + 6,
            font: mapFont(13, 'bold'),
          }),
        ]
      : [f]
  })
}

/** Layers of what is covered, over the relief and under the legs. */
export function coverageLayers(coverage: MapCoverage, c: Colours): VectorLayer[] {
  const top = coverage.layers.reduce((m, l) => (l.kind === 'chance' ? Math.max(m, l.level) : m), 0)
  const features = coverage.layers.map((layer) => {
    const f = new Feature(
      new MultiPolygon(layer.rings.map((rings) => rings.map((ring) => ring.map((p) => fromLonLat(p))))),
    )
    f.setStyle(styleOf(layer, layer.kind === 'chance' && layer.level === top, coverage, c))
    return f
  })
  const words = coverage.layers.flatMap((layer) => wordOf(layer, coverage, c))
  return [
    new VectorLayer({ source: new VectorSource({ features }) }),
    new VectorLayer({ source: new VectorSource({ features: words }), declutter: true }),
  ]
}

/** What checks are worth, over everything else. */
export const worthLayers = ({ worths }: MapCoverage, c: Colours): VectorLayer[] => [
  new VectorLayer({ source: new VectorSource({ features: worthFeatures(worths, c) }) }),
]
