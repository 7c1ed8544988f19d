import { type Outcome, bad, good, problem } from '@/core/outcome'
import { plainNumber } from '@/core/units/plainNumber'
import { MAX_CELLS } from '../grid'
import { heightsIn, type HeightsRead } from './heights'
import type { HeightUnit } from './units'

/** How far a place may lie off its cell's middle, in cells. */
const OFF = 0.05

interface Places {
  x: Float64Array
  y: Float64Array
  z: Float32Array
  count: number
}

function placesOf(name: string, text: string): Outcome<Places> {
  const most = Math.min(MAX_CELLS, Math.ceil(text.length / 6) + 1)
  const [x, y, z] = [new Float64Array(most), new Float64Array(most), new Float32Array(most)]
  let count = 0
  let line = 0
  for (let at = 0; at < text.length;) {
    const end = text.indexOf('\n', at)
    const row = text.slice(at, end === -1 ? text.length : end).trim()
    at = end === -1 ? text.length : end + 1
    line++
    if (row === '' || row.startsWith('#')) continue
    const cells = row.split(/[\s;,]+/)
    const [a, b, c] = cells.slice(0, 3).map(plainNumber)
    if (cells.length < 3 || Number.isNaN(a!) || Number.isNaN(b!)) {
      // A heading is one line, and the first.
      if (count === 0 && line === 1) continue
      return bad(
        problem(
          'xyz',
          `${name}, line ${line}`,
          `"${row.slice(0, 60)}" is no height. A line of an .xyz file is east (or longitude), north (or latitude), height.`,
        ),
      )
    }
    if (count >= most)
      return bad(
        problem('too-large', name, `It holds more than ${MAX_CELLS} heights. Cut it to your ground first.`),
      )
    x[count] = a!
    y[count] = b!
    z[count] = c!
    count++
  }
  return good({ x, y, z, count })
}

/** The least step between the values of a coordinate, and its ends; null where they are no even steps. */
function stepsOf(values: Float64Array, count: number): { first: number; step: number; size: number } | null {
  const sorted = values.slice(0, count).sort()
  let step = Infinity
  const [first, last] = [sorted[0]!, sorted[count - 1]!]
  const least = (last - first) * 1e-7
  for (let i = 1; i < count; i++) {
    const d = sorted[i]! - sorted[i - 1]!
    if (d > least && d < step) step = d
  }
  if (!Number.isFinite(step)) return null
  const size = Math.round((last - first) / step) + 1
  // The mean step is the better one: a written place is rounded.
  return { first, step: (last - first) / (size - 1), size }
}

/**
 * Reads heights a line each, east, north, height, on an even grid in any order; what is missing is not known.
 * @param projection what a .prj file beside it holds; null for degrees
 */
export function readXyz(
  name: string,
  text: string,
  projection: string | null = null,
  unit: HeightUnit | null = null,
): Outcome<HeightsRead> {
  const places = placesOf(name, text)
  if (!places.ok) return places
  const { x, y, z, count } = places.value
  if (count < 4) return bad(problem('xyz', name, `It holds ${count} heights; a grid has four at least.`))
  const [across, up] = [stepsOf(x, count), stepsOf(y, count)]
  const uneven =
    'Its places lie on no even grid. Save it as a grid (GeoTIFF, .asc); a few places can be typed, or come as a .gpx.'
  if (!across || !up || across.size < 2 || up.size < 2) return bad(problem('xyz', name, uneven))
  const [width, height] = [across.size, up.size]
  if (width * height > MAX_CELLS || width * height > count * 20) return bad(problem('xyz', name, uneven))
  const values = new Float32Array(width * height).fill(NaN)
  for (let i = 0; i < count; i++) {
    const [c, r] = [(x[i]! - across.first) / across.step, (y[i]! - up.first) / up.step]
    if (Math.abs(c - Math.round(c)) > OFF || Math.abs(r - Math.round(r)) > OFF)
      return bad(problem('xyz', name, uneven))
    values[(height - 1 - Math.round(r)) * width + Math.round(c)] = z[i]!
  }
  const y0 = up.first + (height - 1) * up.step
  const raw = { width, height, values, x0: across.first, y0, stepX: across.step, stepY: up.step }
  return heightsIn(name, raw, projection, unit)
}
