import { type Outcome, bad, good, problem } from '@/core/outcome'
import { metresPerDegree, type Place } from '@/core/geo'
import { plainNumber } from '@/core/units/plainNumber'
import { MAX_CELLS, type HeightGrid } from './grid'
import { packHeights } from './packHeights'

/** A place whose height somebody measured. */
export interface HeightPoint extends Place {
  heightM: number
}

const STEP = 1 / 1200
/** A point speaks for ground no farther than this, m. */
const REACH_M = 1_000
/** How many of the nearest points make a height. */
const NEAREST = 6
const MIN = 3
/** Longest side of what few places can tell of: three degrees. */
const MOST_SIDE = 3600

/**
 * A grid from heights known at some places only, by the inverse square of the distance to the nearest of them (Shepard
 * 1968). Ground farther than a kilometre from every point stays unknown. A makeshift, and to be shown as one.
 */
export function gridFromPoints(name: string, points: readonly HeightPoint[]): Outcome<HeightGrid> {
  if (points.length < MIN)
    return bad(
      problem('points', name, `It holds ${points.length} places with a height; at least ${MIN} are needed.`),
    )
  const lowest = points.reduce((m, p) => Math.min(m, p.lat), 90)
  const highest = points.reduce((m, p) => Math.max(m, p.lat), -90)
  const middle = (lowest + highest) / 2
  const per = metresPerDegree(middle)
  const { lat: perLat, lon: perLon } = per
  const [marginLat, marginLon] = [REACH_M / perLat, REACH_M / perLon]
  const west = Math.floor((points.reduce((m, p) => Math.min(m, p.lon), 180) - marginLon) / STEP) * STEP
  const east = points.reduce((m, p) => Math.max(m, p.lon), -180) + marginLon
  const north = Math.ceil((highest + marginLat) / STEP) * STEP
  const south = lowest - marginLat
  const width = Math.ceil((east - west) / STEP) + 1
  const height = Math.ceil((north - south) / STEP) + 1
  if (width * height > MAX_CELLS || Math.max(width, height) > MOST_SIDE)
    return bad(
      problem(
        'too-large',
        name,
        'Its places lie too far apart for one piece of ground. Bring them in by region.',
      ),
    )
  const buckets = bucketed(points, west, north, per)
  const values = new Float32Array(width * height).fill(NaN)
  for (let r = 0; r < height; r++)
    for (let c = 0; c < width; c++) {
      const [lat, lon] = [north - r * STEP, west + c * STEP]
      const near = nearest(buckets, (lon - west) * perLon, (north - lat) * perLat)
      if (near.length === 0) continue
      const weights = near.map(([d2]) => 1 / Math.max(d2, 1))
      const total = weights.reduce((s, w) => s + w, 0)
      values[r * width + c] = near.reduce((s, [, h], i) => s + h * weights[i]!, 0) / total
    }
  return good({
    width,
    height,
    west,
    north,
    stepLon: STEP,
    stepLat: STEP,
    filled: null,
    ...packHeights(values),
  })
}

type Buckets = Map<string, [x: number, y: number, h: number][]>

/** Points by squares of the reach, so that only nine squares are looked at. */
function bucketed(
  points: readonly HeightPoint[],
  west: number,
  north: number,
  per: { lat: number; lon: number },
): Buckets {
  const buckets: Buckets = new Map()
  for (const p of points) {
    const [x, y] = [(p.lon - west) * per.lon, (north - p.lat) * per.lat]
    const key = `${Math.floor(x / REACH_M)} ${Math.floor(y / REACH_M)}`
    const bucket = buckets.get(key)
    if (bucket) bucket.push([x, y, p.heightM])
    else buckets.set(key, [[x, y, p.heightM]])
  }
  return buckets
}

function nearest(buckets: Buckets, x: number, y: number): [d2: number, h: number][] {
  const [bx, by] = [Math.floor(x / REACH_M), Math.floor(y / REACH_M)]
  const found: [number, number][] = []
  for (let i = bx - 1; i <= bx + 1; i++)
    for (let j = by - 1; j <= by + 1; j++)
      for (const [px, py, h] of buckets.get(`${i} ${j}`) ?? []) {
        const d2 = (px - x) ** 2 + (py - y) ** 2
        if (d2 > REACH_M * REACH_M) continue
        if (found.length < NEAREST) found.push([d2, h])
        else {
          let worst = 0
          for (let k = 1; k < found.length; k++) if (found[k]![0] > found[worst]![0]) worst = k
          if (d2 < found[worst]![0]) found[worst] = [d2, h]
        }
      }
  return found
}

/** Heights typed a line each: latitude, longitude, metres. */
export function readHeightPoints(text: string): Outcome<HeightPoint[]> {
  const points: HeightPoint[] = []
  for (const [i, row] of text.split('\n').entries()) {
    const line = row.trim()
    if (line === '') continue
    const numbers = line.split(/[\s;,]+/).map(plainNumber)
    const [lat, lon, heightM] = numbers
    const where = `line ${i + 1}`
    if (numbers.length !== 3 || numbers.some(Number.isNaN))
      return bad(
        problem(
          'point',
          where,
          `"${line.slice(0, 60)}" is no height. Write latitude, longitude and metres: 47.3 -29.55 120`,
        ),
      )
    if (Math.abs(lat!) > 85 || Math.abs(lon!) > 180 || heightM! < -500 || heightM! > 9000)
      return bad(problem('point', where, `"${line.slice(0, 60)}" is no place or no height on the earth.`))
    points.push({ lat: lat!, lon: lon!, heightM: heightM! })
  }
  return good(points)
}
