import { type Outcome, bad, good, problem } from '@/core/outcome'
import type { HeightGrid } from './grid'

const SIZES: Record<number, number> = { 1201: 3, 3601: 1 }

/**
 * Reads an SRTM tile: square, big-endian signed 16-bit metres, north row first, named after its south-west corner.
 * @param name such as N47W030.hgt
 */
export function readHgt(name: string, bytes: ArrayBuffer): Outcome<HeightGrid> {
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
  const side = Object.keys(SIZES)
    .map(Number)
    .find((n) => n * n * 2 === bytes.byteLength)
  if (!side) {
    const nearest = bytes.byteLength > 10_000_000 ? 3601 : 1201
    return bad(
      problem(
        'hgt-size',
        name,
        `It holds ${bytes.byteLength} bytes. A tile of ${SIZES[nearest]} seconds holds ${nearest} × ${nearest} × 2 = ${nearest * nearest * 2}: it is cut short or no .hgt file.`,
      ),
    )
  }
  const view = new DataView(bytes)
  const data = new Int16Array(side * side)
  for (let i = 0; i < data.length; i++) data[i] = view.getInt16(2 * i)
  const step = 1 / (side - 1)
  return good({
    width: side,
    height: side,
    west,
    north: south + 1,
    stepLon: step,
    stepLat: step,
    scaleM: 1,
    data,
    filled: null,
  })
}
