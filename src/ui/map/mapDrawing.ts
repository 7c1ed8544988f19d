import { asArray } from 'ol/color'
import { createEmpty, extend, type Extent } from 'ol/extent'
import { fromLonLat } from 'ol/proj'
import Feature from 'ol/Feature'
import LineString from 'ol/geom/LineString'
import Point from 'ol/geom/Point'
import CircleStyle from 'ol/style/Circle'
import Fill from 'ol/style/Fill'
import RegularShape from 'ol/style/RegularShape'
import Stroke from 'ol/style/Stroke'
import Style from 'ol/style/Style'
import Text from 'ol/style/Text'
import { direct, inverse, type Place } from '@/core/geo'
import type { Clearance } from '@/core/terrain'
import { distanceText, type Units } from '@/core/units'
import { asOffset, labelSide, type Side } from './labelSide'
import { mapFont } from './mapFont'

interface MapMark extends Place {
  id: string
  name: string
}

/** How marks are seen from the base, by id; null where that is not known. */
export type MarkKinds = ReadonlyMap<string, Clearance | null>

/** A place beside the base: a candidate, a relay, a station that is not ours. */
interface MapSite extends Place {
  id: string
  name: string
  role: string
  /** Radius of doubt, m. */
  doubtM: number | null
}

/** What is drawn on the ground. */
export interface MapContent {
  base: (Place & { name: string }) | null
  legs: { name: string; track: Place[] }[]
  marks: MapMark[]
  sites: MapSite[]
  farthestM: number
  units: Units
}

export const at = (p: Place) => fromLonLat([p.lon, p.lat])

export function colours(element: HTMLElement) {
  const css = getComputedStyle(element)
  const of = (name: string) => css.getPropertyValue(name).trim()
  return {
    ink: of('--ink'),
    soft: of('--soft'),
    paper: of('--raised'),
    rule: of('--rule'),
    accent: of('--accent-fill'),
    bad: of('--bad'),
  }
}
export type Colours = ReturnType<typeof colours>

function ringDistances(farthestM: number): number[] {
  const step =
    [100, 200, 250, 500, 1000, 2000, 5000, 10000, 20000, 50000].find((s) => farthestM / s <= 5) ?? 100000
  return Array.from({ length: Math.max(1, Math.ceil(farthestM / step)) }, (_, i) => (i + 1) * step)
}

type TextOptions = NonNullable<ConstructorParameters<typeof Text>[0]>

export function label(place: number[], text: string, c: Colours, more: TextOptions = {}) {
  const f = new Feature(new Point(place))
  const fill = new Fill({ color: c.ink })
  const stroke = new Stroke({ color: c.paper, width: 4 })
  f.setStyle(new Style({ text: new Text({ text, font: mapFont(13), fill, stroke, ...more }) }))
  return f
}

/** How much of a graticule line is seen. */
const QUIET = 0.28

/** The graticule's lines: faint and whole, since rings of distance are dotted. */
export const graticuleLine = (c: Colours): Stroke =>
  new Stroke({ color: [...asArray(c.soft).slice(0, 3), QUIET], width: 0.8 })

/** Figures on the graticule, quiet and in our own face. */
export function graticuleLabel(c: Colours, textBaseline: CanvasTextBaseline): Text {
  return new Text({
    font: mapFont(11),
    textBaseline,
    textAlign: textBaseline === 'top' ? 'center' : 'start',
    fill: new Fill({ color: c.soft }),
    stroke: new Stroke({ color: c.paper, width: 3 }),
  })
}

const ring = (around: Place, distanceM: number) =>
  new LineString(Array.from({ length: 73 }, (_, i) => at(direct(around, i * 5, distanceM))))

export function ringFeatures(content: MapContent, c: Colours): Feature[] {
  if (!content.base) return []
  return ringDistances(content.farthestM).map((d) => {
    const line = new Feature(ring(content.base!, d))
    line.setStyle(new Style({ stroke: new Stroke({ color: c.soft, width: 1, lineDash: [2, 6] }) }))
    return line
  })
}

/** A mark's square: full in sight, half grazing, open shadowed. */
function markStyle(kind: Clearance | null, c: Colours): Style {
  const color =
    kind === 'shadowed' ? c.paper : kind === 'grazing' ? c.accent : kind === 'clear' ? c.ink : c.paper
  return new Style({
    zIndex: 2,
    image: new RegularShape({
      points: 4,
      radius: 7,
      angle: 0,
      fill: new Fill({ color }),
      stroke: new Stroke({ color: c.ink, width: 2 }),
    }),
  })
}

export function trackFeatures(content: MapContent, c: Colours): Feature[] {
  return content.legs.flatMap((leg) => {
    const geometry = () => new LineString(leg.track.map(at))
    const [casing, line] = [new Feature(geometry()), new Feature(geometry())]
    casing.setStyle(new Style({ zIndex: 0, stroke: new Stroke({ color: c.paper, width: 6 }) }))
    line.setStyle(new Style({ zIndex: 1, stroke: new Stroke({ color: c.ink, width: 2.5 }) }))
    return [casing, line]
  })
}

export function markFeatures(content: MapContent): Feature<Point>[] {
  return content.marks.map((mark) => {
    const f = new Feature(new Point(at(mark)))
    f.setId(mark.id)
    return f
  })
}

/** Gives marks their squares. */
export function drawMarks(features: readonly Feature[], kinds: MarkKinds, c: Colours): void {
  for (const f of features) f.setStyle(markStyle(kinds.get(String(f.getId())) ?? null, c))
}

/** What lies beyond what the map is about, and is not to widen it. */
const BEYOND = 'beyond'

/** The part of the map to be shown: all that is drawn, other sites only as far as twice the farthest mark. */
export function shownExtent(features: readonly Feature[]): Extent {
  const all = createEmpty()
  for (const f of features) if (f.get(BEYOND) !== true) extend(all, f.getGeometry()!.getExtent())
  return all
}

/** Marks features of a site that lies beyond. */
function asFarAs<T extends Feature>(content: MapContent, site: Place, features: T[]): T[] {
  const { base, legs, farthestM } = content
  const isBeyond = base !== null && legs.length > 0 && inverse(base, site).distanceM > 2 * farthestM
  for (const f of features) f.set(BEYOND, isBeyond)
  return features
}

export function siteFeatures(content: MapContent, c: Colours): Feature[] {
  const sites = content.sites.flatMap((s) => {
    const f = new Feature(new Point(at(s)))
    const image = new RegularShape({
      points: 3,
      radius: 9,
      fill: new Fill({ color: c.accent }),
      stroke: new Stroke({ color: c.ink, width: 2 }),
    })
    f.setStyle(new Style({ zIndex: 2, image }))
    if (!s.doubtM) return asFarAs(content, s, [f])
    const doubt = new Feature(ring(s, s.doubtM))
    doubt.setStyle(new Style({ stroke: new Stroke({ color: c.accent, width: 2, lineDash: [6, 5] }) }))
    return asFarAs(content, s, [doubt, f])
  })
  if (!content.base) return sites
  const base = new Feature(new Point(at(content.base)))
  base.setStyle([
    new Style({ zIndex: 3, image: new CircleStyle({ radius: 11, fill: new Fill({ color: c.ink }) }) }),
    new Style({ zIndex: 4, image: new CircleStyle({ radius: 5, fill: new Fill({ color: c.accent }) }) }),
  ])
  return [...sites, base]
}

/** About how wide a letter is, px. */
const LETTER = 6.6
const BOLD_LETTER = 7.4

interface Named {
  bold: boolean
  /** From the symbol's middle, px. */
  gap: number
  /** In the order in which they are tried. */
  sides: readonly Side[]
}

/** A name beside its symbol, where it lies over the fewest other symbols at the scale that is drawn. */
function placedLabel(
  place: number[],
  text: string,
  c: Colours,
  symbols: readonly number[][],
  { bold, gap, sides }: Named,
) {
  const [x, y] = place as [number, number]
  const others = symbols.filter((s) => s !== place)
  const wide = text.length * (bold ? BOLD_LETTER : LETTER)
  const f = label(place, text, c, bold ? { font: mapFont(13, 'bold') } : {})
  const style = f.getStyle() as Style
  let placedAt = 0
  f.setStyle((_, resolution) => {
    if (resolution === placedAt) return style
    placedAt = resolution
    const near = others.map((o): [number, number] => [(o[0]! - x) / resolution, (y - o[1]!) / resolution])
    const { textAlign, offsetX, offsetY } = asOffset(labelSide(near, wide, gap, sides), gap)
    const words = style.getText()!
    words.setTextAlign(textAlign)
    words.setOffsetX(offsetX)
    words.setOffsetY(offsetY)
    return style
  })
  return f
}

const OF_PLACE: Named = { bold: true, gap: 19, sides: ['below', 'above', 'left', 'right'] }
const OF_MARK: Named = { bold: false, gap: 15, sides: ['above', 'left', 'right', 'below'] }

/** Names and figures; where there is no room for all, what is made first stays. */
export function labelFeatures(content: MapContent, c: Colours): Feature[] {
  const { base, units } = content
  const named = [
    ...(base ? [{ place: at(base), name: base.name, how: OF_PLACE }] : []),
    ...content.sites.map((s) => ({ place: at(s), name: s.name, how: OF_PLACE })),
    ...content.marks.map((m) => ({ place: at(m), name: m.name, how: OF_MARK })),
  ]
  const symbols = named.map((n) => n.place)
  const names = named.map(({ place, name, how }) => placedLabel(place, name, c, symbols, how))
  if (!base) return names
  const rings = ringDistances(content.farthestM).flatMap((d) =>
    [0, 90, 180, 270].map((bearing) =>
      label(at(direct(base, bearing, d)), distanceText(d, units).replace('.0 ', ' '), c, {
        fill: new Fill({ color: c.soft }),
      }),
    ),
  )
  return [...names, ...rings]
}
