import { type Outcome, bad, good, problem } from '@/core/outcome'
import { plainNumber } from '@/core/units/plainNumber'
import { MAX_CELLS } from '../grid'
import { heightsIn, type HeightsRead } from './heights'
import type { RawHeights } from './raw'
import type { HeightUnit } from './units'

const KEYS = [
  'ncols',
  'nrows',
  'xllcorner',
  'yllcorner',
  'xllcenter',
  'yllcenter',
  'cellsize',
  'nodata_value',
  'dx',
  'dy',
]

/** Some programs write their mark for nothing as "nan", which no height equals either. */
const headerNumber = (text: string) => (/^[+-]?nan$/i.test(text) ? -9999 : plainNumber(text))

/**
 * Reads an ESRI ASCII grid, in degrees or in the projection that a .prj file beside it names. The header's sizes are
 * held against the values that follow.
 * @param projection what the .prj file holds; null where there is none
 */
export function readAsciiGrid(
  name: string,
  text: string,
  projection: string | null = null,
  unit: HeightUnit | null = null,
): Outcome<HeightsRead> {
  const raw = rawGrid(name, text)
  return raw.ok ? heightsIn(name, raw.value, projection, unit) : raw
}

function rawGrid(name: string, text: string): Outcome<RawHeights> {
  const header = new Map<string, number>()
  let at = 0
  for (let line = 1; line <= 12; line++) {
    const end = text.indexOf('\n', at)
    const row = text.slice(at, end === -1 ? text.length : end).trim()
    const m = /^([A-Za-z_]+)\s+(\S+)$/.exec(row)
    if (!m) break
    const key = m[1]!.toLowerCase()
    if (!KEYS.includes(key))
      return bad(
        problem(
          'asc-header',
          `${name}, line ${line}`,
          `"${m[1]}" is nothing that the head of an ASCII grid says.`,
        ),
      )
    const value = headerNumber(m[2]!)
    if (Number.isNaN(value))
      return bad(problem('asc-header', `${name}, line ${line}`, `${m[1]} must be a number, not "${m[2]}".`))
    header.set(key, value)
    at = end + 1
    if (end === -1) break
  }
  const [ncols, nrows] = [header.get('ncols') ?? 0, header.get('nrows') ?? 0]
  const stepLon = header.get('cellsize') ?? header.get('dx') ?? 0
  const stepLat = header.get('cellsize') ?? header.get('dy') ?? 0
  const x =
    header.get('xllcenter') ?? (header.has('xllcorner') ? header.get('xllcorner')! + stepLon / 2 : NaN)
  const y =
    header.get('yllcenter') ?? (header.has('yllcorner') ? header.get('yllcorner')! + stepLat / 2 : NaN)
  if (!Number.isInteger(ncols) || !Number.isInteger(nrows))
    return bad(problem('asc-header', name, `ncols and nrows are whole numbers, not ${ncols} and ${nrows}.`))
  if (!(ncols >= 2 && nrows >= 2 && stepLon > 0 && stepLat > 0) || Number.isNaN(x) || Number.isNaN(y))
    return bad(
      problem(
        'asc-header',
        name,
        'The head of an ASCII grid gives ncols, nrows, xllcorner, yllcorner and cellsize; one of them is missing or is not above 0.',
      ),
    )
  if (ncols * nrows > MAX_CELLS)
    return bad(
      problem(
        'too-large',
        name,
        `It claims ${ncols} × ${nrows} cells; ${MAX_CELLS} are the most. Cut it to your ground first.`,
      ),
    )
  const north = y + (nrows - 1) * stepLat
  const nodata = header.get('nodata_value') ?? -9999
  const values = new Float32Array(ncols * nrows)
  let count = 0
  const number = /\S+/g
  number.lastIndex = at
  for (let m = number.exec(text); m; m = number.exec(text)) {
    if (count >= values.length)
      return bad(problem('asc-values', name, `More values follow than ${ncols} × ${nrows}.`))
    const v = plainNumber(m[0].replace(',', '.'))
    if (Number.isNaN(v))
      return bad(problem('asc-values', name, `Value ${count + 1}, "${m[0].slice(0, 20)}", is no number.`))
    values[count++] = v === nodata ? NaN : v
  }
  if (count < values.length)
    return bad(problem('asc-values', name, `It is cut short: ${count} of ${values.length} values.`))
  return good({ width: ncols, height: nrows, values, x0: x, y0: north, stepX: stepLon, stepY: stepLat })
}
