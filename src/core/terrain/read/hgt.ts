import { type Outcome, bad, problem } from '@/core/outcome'
import { heightsIn, type HeightsRead } from './heights'
import type { HeightUnit } from './units'

/** Rows and columns of a tile, and its seconds from row to row: beyond 50 or 60° some have half the columns. */
const SIZES = [
  { rows: 1201, columns: 1201, seconds: 3 },
  { rows: 1201, columns: 601, seconds: 3 },
  { rows: 3601, columns: 3601, seconds: 1 },
  { rows: 3601, columns: 1801, seconds: 1 },
] as const

const BYTES = 2

/**
 * Reads an SRTM tile: big-endian signed 16-bit metres, north row first, named after its south-west corner.
 * @param name such as N47W030.hgt
 */
export function readHgt(
  name: string,
  bytes: ArrayBuffer,
  unit: HeightUnit | null = null,
): Outcome<HeightsRead> {
  const m = /([NS])(\d{1,2})([EW])(\d{1,3})/i.exec(name)
  if (!m)
    return bad(
      problem(
        'hgt-name',
        name,
        `The name of an .hgt file says where it lies, such as N47W030.hgt; "${name}" does not.`,
      ),
    )
  const south = (m[1]!.toUpperCase() === 'N' ? 1 : -1) * Number(m[2])
  const west = (m[3]!.toUpperCase() === 'E' ? 1 : -1) * Number(m[4])
  if (south < -90 || south > 89 || west < -180 || west > 179)
    return bad(problem('hgt-name', name, `${m[0]} is no place on the earth.`))
  const size = SIZES.find((s) => s.rows * s.columns * BYTES === bytes.byteLength)
  if (!size) {
    const { rows, columns, seconds } = bytes.byteLength > 10_000_000 ? SIZES[2] : SIZES[0]
    return bad(
      problem(
        'hgt-size',
        name,
        `It holds ${bytes.byteLength} bytes. A tile of ${seconds} seconds holds ${rows} × ${columns} × 2 = ${rows * columns * BYTES}: it is cut short or no .hgt file.`,
      ),
    )
  }
  const { rows, columns } = size
  const view = new DataView(bytes)
  const values = new Float32Array(rows * columns)
  for (let i = 0; i < values.length; i++) values[i] = view.getInt16(BYTES * i)
  const raw = {
    width: columns,
    height: rows,
    values,
    x0: west,
    y0: south + 1,
    stepX: 1 / (columns - 1),
    stepY: 1 / (rows - 1),
  }
  return heightsIn(name, raw, null, unit)
}
