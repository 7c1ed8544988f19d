import { bad, good, problem, type Outcome } from '@/core/outcome'
import { direct, inverse, turnDeg, type Place } from '@/core/geo'
import { normalCdf } from '@/core/stats'

/** A bearing from a known place, true. */
export interface Bearing extends Place {
  id: string
  name: string
  bearingDeg: number
  /** One standard deviation, degrees, above 0. */
  sdDeg: number
  /** A loop tells a line and not which way along it. */
  bothWays: boolean
}

/** The ellipse in which the transmitter lies with 90 chances of 100. */
interface Ellipse {
  /** Half axes, m. */
  longM: number
  shortM: number
  /** Of the long axis, true, 0 to below 180. */
  bearingDeg: number
}

interface Contribution {
  id: string
  /** Degrees between the bearing and the line to the fix, positive clockwise. */
  offDeg: number
  /** The same in its own standard deviations. */
  offSd: number
  /** How many times as large the ellipse would be without it; null where there would be none. */
  withoutIt: number | null
  /** Which way of a loop was taken, true. */
  takenDeg: number
}

export interface Fix {
  place: Place
  ellipse: Ellipse
  contributions: Contribution[]
  /** The bearing that disagrees with the others; null where none does. */
  outlier: string | null
  /** Chance of such a disagreement by the spreads given, 0 to 1; null of two bearings. */
  agreement: number | null
}

/** Chi-square of two degrees of freedom that holds 90 of 100: -2 ln 0.1. */
const CHI_90 = -2 * Math.log(0.1)
const [SEARCH, ROUNDS] = [48, 30]
/** A bearing so many of its own standard deviations off, that all the rest agree without, is pointed out. */
const OUTLIER_SD = 3
/** Farther than this a crossing is no place any more, in largest distances between places. */
const FARTHEST = 200

interface Line {
  x: number
  y: number
  /** True, radians. */
  angle: number
  sd: number
  bothWays: boolean
}

/** A difference of angles, -π to π. */
const wrapped = (a: number) => Math.atan2(Math.sin(a), Math.cos(a))

/** By how much a line misses a point, radians; of a loop the nearer way. */
function missOf(l: Line, x: number, y: number): number {
  const off = wrapped(l.angle - Math.atan2(x - l.x, y - l.y))
  if (!l.bothWays) return off
  const other = wrapped(off + Math.PI)
  return Math.abs(other) < Math.abs(off) ? other : off
}

const costAt = (lines: readonly Line[], x: number, y: number) =>
  lines.reduce((s, l) => s + (missOf(l, x, y) / l.sd) ** 2, 0)

/** What the bearings know of a point near it, and whereto they pull it: sums of their squared slopes, and by their misses. */
function normalAt(lines: readonly Line[], x: number, y: number) {
  let [xx, xy, yy, bx, by] = [0, 0, 0, 0, 0]
  for (const l of lines) {
    const [dx, dy] = [x - l.x, y - l.y]
    const far = dx * dx + dy * dy
    const [gx, gy] = [dy / far / l.sd, -dx / far / l.sd]
    const miss = missOf(l, x, y) / l.sd
    xx += gx * gx
    xy += gx * gy
    yy += gy * gy
    bx += gx * miss
    by += gy * miss
  }
  return { xx, xy, yy, bx, by, det: xx * yy - xy * xy }
}

interface Found {
  x: number
  y: number
  cost: number
}

/** Gauss and Newton from a start; null where it runs away. */
function refined(lines: readonly Line[], start: Found, reach: number): Found | null {
  let { x, y, cost } = start
  for (let round = 0; round < ROUNDS; round++) {
    const { xx, xy, yy, bx, by, det } = normalAt(lines, x, y)
    if (!(det > 0)) return null
    const [sx, sy] = [(yy * bx - xy * by) / det, (xx * by - xy * bx) / det]
    let part = 1
    while (part > 1e-4 && costAt(lines, x + sx * part, y + sy * part) > cost) part /= 2
    if (part <= 1e-4) break
    x += sx * part
    y += sy * part
    cost = costAt(lines, x, y)
    if (Math.hypot(x, y) > reach) return null
    if (Math.hypot(sx, sy) * part < 1e-3) break
  }
  return { x, y, cost }
}

/** Least cost over a plane, from starts at many distances all round, so that the wrong side of a loop is not kept. */
function solved(lines: readonly Line[], scale: number): Found | null {
  const reach = scale * FARTHEST
  const starts = [0.1, 0.3, 1, 3, 10].flatMap((r) =>
    Array.from({ length: SEARCH }, (_, i) => {
      const turn = (2 * Math.PI * i) / SEARCH
      const at = { x: r * scale * Math.sin(turn), y: r * scale * Math.cos(turn) }
      return { ...at, cost: costAt(lines, at.x, at.y) }
    }),
  )
  return starts
    .sort((a, b) => a.cost - b.cost)
    .slice(0, 8)
    .flatMap((s) => refined(lines, s, reach) ?? [])
    .reduce<Found | null>((best, s) => (best && best.cost <= s.cost ? best : s), null)
}

function ellipseOf(lines: readonly Line[], x: number, y: number): Ellipse {
  const { xx, xy, yy, det } = normalAt(lines, x, y)
  const [cxx, cxy, cyy] = [yy / det, -xy / det, xx / det]
  const middle = (cxx + cyy) / 2
  const apart = Math.hypot((cxx - cyy) / 2, cxy)
  // x is east and y is north, so that the axis counts from north.
  const angle = 0.5 * Math.atan2(2 * cxy, cyy - cxx)
  const deg = (angle * 180) / Math.PI
  return {
    longM: Math.sqrt(CHI_90 * (middle + apart)),
    shortM: Math.sqrt(CHI_90 * Math.max(0, middle - apart)),
    bearingDeg: ((deg % 180) + 180) % 180,
  }
}

/** Places in metres east and north of the first, on a plane that keeps bearings from it. */
function planeOf(bearings: readonly Bearing[]) {
  const origin = middleOf(bearings)
  const toPlane = (p: Place) => {
    const { distanceM, bearingDeg } = inverse(origin, p)
    const a = (bearingDeg * Math.PI) / 180
    return { x: distanceM * Math.sin(a), y: distanceM * Math.cos(a) }
  }
  const toPlace = (x: number, y: number): Place =>
    direct(origin, (Math.atan2(x, y) * 180) / Math.PI, Math.hypot(x, y))
  return { toPlane, toPlace }
}

const middleOf = (places: readonly Place[]): Place => ({
  lat: places.reduce((s, p) => s + p.lat, 0) / places.length,
  lon: places.reduce((s, p) => s + p.lon, 0) / places.length,
})

/** Each bearing as a line of the plane; a true bearing turns a little there, since meridians run together. */
function linesOf(
  bearings: readonly Bearing[],
  toPlane: (p: Place) => { x: number; y: number },
  scale: number,
): Line[] {
  return bearings.map((b) => {
    const [at, ahead] = [toPlane(b), toPlane(direct(b, b.bearingDeg, scale))]
    return {
      ...at,
      angle: Math.atan2(ahead.x - at.x, ahead.y - at.y),
      sd: (b.sdDeg * Math.PI) / 180,
      bothWays: b.bothWays,
    }
  })
}

const farthestApart = (bearings: readonly Bearing[]) =>
  Math.max(...bearings.flatMap((a) => bearings.map((b) => inverse(a, b).distanceM)))

/** What stands in the way of a fix, in words; null where nothing does. */
function noFix(bearings: readonly Bearing[]): Outcome<never> | null {
  const refuse = (code: string, message: string) => bad(problem(code, 'bearings', message))
  if (bearings.length < 2)
    return refuse('too-few', 'One bearing is a line. Take another from a place to the side of it.')
  if (bearings.some((b) => !(b.sdDeg > 0))) return refuse('spread', 'A spread is above 0 degrees.')
  if (farthestApart(bearings) < 1)
    return refuse(
      'one-place',
      'All bearings are from one place, so they do not cross. Walk to the side, and take another.',
    )
  return null
}

/**
 * The most likely place of a transmitter by bearings from known places, normal errors in angle, with its ellipse.
 * @param bearings two or more, true
 */
export function fixOf(bearings: readonly Bearing[]): Outcome<Fix> {
  const no = noFix(bearings)
  if (no) return no
  const { toPlane, toPlace } = planeOf(bearings)
  const scale = farthestApart(bearings)
  const lines = linesOf(bearings, toPlane, scale)
  const found = solved(lines, scale)
  // Two lines that run apart have their least cost where they begin, or nowhere.
  const most = (found?.cost ?? Infinity) / bearings.length
  if (!found || (bearings.length === 2 && most > 4))
    return bad(
      problem(
        'no-crossing',
        'bearings',
        'These bearings do not cross: they run apart, or side by side. Is one of them a back bearing, or taken by the compass and entered as true?',
      ),
    )
  // Each of them told by the others, once for what it contributes and for whether it disagrees.
  const others = lines.map((_, i) => lines.filter((__, k) => k !== i))
  const byOthers = others.map((rest) => (rest.length < 2 ? null : solved(rest, scale)))
  const area = (ls: readonly Line[]) => 1 / Math.sqrt(normalAt(ls, found.x, found.y).det)
  const contributions = lines.map((l, i): Contribution => {
    const off = missOf(l, found.x, found.y)
    const takenRad = Math.atan2(found.x - l.x, found.y - l.y) + off
    return {
      id: bearings[i]!.id,
      offDeg: (off * 180) / Math.PI,
      offSd: off / l.sd,
      withoutIt: byOthers[i] ? area(others[i]!) / area(lines) : null,
      takenDeg: turnDeg((takenRad * 180) / Math.PI),
    }
  })
  const outlier = outlierOf(lines, byOthers)
  return good({
    place: toPlace(found.x, found.y),
    ellipse: ellipseOf(lines, found.x, found.y),
    contributions,
    outlier: outlier === null ? null : bearings[outlier]!.id,
    agreement: bearings.length > 2 ? chiAbove(found.cost, bearings.length - 2) : null,
  })
}

/** The one line without which the others agree and from which it then lies far off, by its place; null where none is. */
function outlierOf(lines: readonly Line[], byOthers: readonly (Found | null)[]): number | null {
  if (lines.length < 4) return null
  const costs = byOthers.map((f) => f?.cost ?? Infinity)
  const best = costs.indexOf(Math.min(...costs))
  const [line, fix] = [lines[best]!, byOthers[best]]
  return fix && Math.abs(missOf(line, fix.x, fix.y)) / line.sd > OUTLIER_SD ? best : null
}

/** Chance of a chi-square above a value, by the Wilson and Hilferty approximation. */
function chiAbove(value: number, free: number): number {
  const spread = 2 / (9 * free)
  const z = ((value / free) ** (1 / 3) - (1 - spread)) / Math.sqrt(spread)
  return normalCdf(-z)
}

/** A place from which one more bearing narrows the fix the most. */
export interface NextStand {
  place: Place
  /** From the fix. */
  bearingDeg: number
  distanceM: number
  /** Area of the ellipse afterwards, as a part of what it is now. */
  areaLeft: number
}

/**
 * Where to stand next: places round the fix, no nearer and no farther than is given.
 * @param sdDeg spread of the bearing to come
 * @param fromM, toM how near and how far from the fix one can stand, m
 */
export function nextStand(
  fix: Fix,
  bearings: readonly Bearing[],
  sdDeg: number,
  fromM: number,
  toM: number,
): NextStand {
  const { toPlane, toPlace } = planeOf(bearings)
  const lines = linesOf(bearings, toPlane, toM)
  const at = toPlane(fix.place)
  const now = normalAt(lines, at.x, at.y).det
  const sd = (sdDeg * Math.PI) / 180
  const stands = [fromM, (fromM + toM) / 2, toM].flatMap((distanceM) =>
    Array.from({ length: 36 }, (_, i) => {
      const bearingDeg = i * 10
      const a = (bearingDeg * Math.PI) / 180
      const [x, y] = [at.x + distanceM * Math.sin(a), at.y + distanceM * Math.cos(a)]
      const det = normalAt([...lines, { x, y, angle: 0, sd, bothWays: false }], at.x, at.y).det
      return { place: toPlace(x, y), bearingDeg, distanceM, areaLeft: Math.sqrt(now / det) }
    }),
  )
  return stands.reduce((best, s) => (s.areaLeft < best.areaLeft ? s : best))
}
