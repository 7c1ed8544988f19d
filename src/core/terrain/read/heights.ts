import type { HeightGrid } from '../grid'
import { packHeights } from '../packHeights'
import type { RawHeights } from './raw'
import { ALL_VOID, toDegrees } from './resample'
import { HEIGHT_UNITS, type HeightUnit } from './units'
import { bad, good, problem, type Outcome } from '@/core/outcome'

/** Heights that were read, and what was done to them on the way, in words. */
export interface HeightsRead {
  grid: HeightGrid
  /** Sentences for whoever brings them in: what was changed, and what was taken for what. */
  notes: string[]
}

/** Marks for "nothing here" that files hold without saying so. */
const MARKS = [-9999, -32767, -32768, -99999]
/** A height this near to such a mark says that it may be a height like others, m. */
const BESIDE_M = 300

/** The highest ground there is, and the lowest that is dry, m. */
const [HIGHEST_M, LOWEST_DRY_M] = [8_900, -450]

/**
 * Takes the usual marks for nothing as voids where they stand out: where nothing else lies within 300 m of them.
 * @param values changed; NaN is a void already
 * @returns a sentence where any was taken so
 */
function takeMarks(values: Float32Array): string[] {
  const found = MARKS.map((mark) => ({ mark, count: 0, beside: false }))
  for (const v of values)
    for (const f of found) {
      if (v === f.mark) f.count++
      else if (Math.abs(v - f.mark) < BESIDE_M && !MARKS.includes(v)) f.beside = true
    }
  const voids = found.filter((f) => f.count > 0 && !f.beside)
  if (voids.length === 0) return []
  const marks = new Set(voids.map((f) => f.mark))
  for (let i = 0; i < values.length; i++) if (marks.has(values[i]!)) values[i] = NaN
  return voids.map(
    (f) =>
      `${f.count === 1 ? '1 cell holds' : `${f.count} cells hold`} ${f.mark}, which is taken as not known.`,
  )
}

function rangeOf(values: Float32Array): [low: number, high: number] {
  let [low, high] = [Infinity, -Infinity]
  for (const v of values) {
    if (v < low) low = v
    if (v > high) high = v
  }
  return [low, high]
}

/**
 * Turns a file's figures into heights, and looks whether they can be any: voids that are not said, the sea's floor,
 * figures that no ground has. Marks for voids are figures of the file, so they are looked for before anything is worked
 * out.
 * @param values changed; NaN is a void already
 * @param turn metres of a figure: times, plus
 * @returns sentences on what was done
 */
export function soundHeights(
  name: string,
  values: Float32Array,
  { times = 1, plus = 0 }: { times?: number; plus?: number } = {},
): Outcome<string[]> {
  const notes = takeMarks(values)
  if (times !== 1 || plus !== 0) for (let i = 0; i < values.length; i++) values[i] = values[i]! * times + plus
  const [low, high] = rangeOf(values)
  if (low > high) return bad(problem('all-void', name, ALL_VOID))
  if (high > HIGHEST_M)
    return bad(
      problem(
        'too-high',
        name,
        `It holds heights up to ${Math.round(high)} m, and no ground is higher than 8849. Say below what its figures are; if they are none of these, they are no heights.`,
      ),
    )
  if (high < LOWEST_DRY_M)
    return bad(
      problem(
        'too-low',
        name,
        `Its highest figure is ${Math.round(high)} m: all of it would lie under the sea. Look whether it holds heights.`,
      ),
    )
  if (low < LOWEST_DRY_M) {
    for (let i = 0; i < values.length; i++) if (values[i]! < 0) values[i] = 0
    notes.push(
      `It reaches down to ${Math.round(low)} m, which is the sea's floor: what lies below 0 is taken as the sea's surface.`,
    )
  }
  return good(notes)
}

/** A grid of raw heights that are in degrees already. */
export function asDegrees({ width, height, values, x0, y0, stepX, stepY }: RawHeights): HeightGrid {
  const packed = packHeights(values)
  return { width, height, west: x0, north: y0, stepLon: stepX, stepLat: stepY, ...packed, filled: null }
}

const NO_DEGREES =
  'Its corner is no longitude and latitude, and it does not say its projection. Bring its .prj file along, or save it as GeoTIFF.'

/**
 * What a file without words of its own on its figures holds: heights in whatever system the file beside it names.
 * @param raw its values are changed
 * @param projection what a .prj file beside it holds; null for degrees
 * @param unit what somebody says that its figures are; null for metres
 */
export function heightsIn(
  name: string,
  raw: RawHeights,
  projection: string | null,
  unit: HeightUnit | null,
): Outcome<HeightsRead> {
  const notes = soundHeights(name, raw.values, { times: HEIGHT_UNITS[unit ?? 'metres'] })
  if (!notes.ok) return notes
  if (projection === null || /^\s*GEOGCS/i.test(projection)) {
    if (Math.abs(raw.x0) > 181 || Math.abs(raw.y0) > 91) return bad(problem('projected', name, NO_DEGREES))
    return good({ grid: asDegrees(raw), notes: notes.value })
  }
  try {
    const grid = toDegrees(name, raw, projection)
    if (!grid.ok) return grid
    return good({ grid: grid.value, notes: [...notes.value, 'Turned to degrees by its .prj file.'] })
  } catch {
    return bad(
      problem(
        'projection',
        name,
        'The .prj file beside it names a projection that is not known here. Turn it to degrees (EPSG:4326) first.',
      ),
    )
  }
}
