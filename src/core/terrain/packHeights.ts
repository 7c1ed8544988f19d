import { VOID } from './grid'

/** Heights beyond this are no heights on the earth, m. */
const [MIN_M, MAX_M] = [-11_500, 9_000]
/** Beyond this a decimetre does not fit, m. */
const MOST_IN_DECIMETRES = 3_270

/**
 * Heights as 16-bit whole numbers: in metres where all are whole metres or some are too high, else in decimetres. NaN
 * and what is no height is void.
 */
export function packHeights(heightsM: ArrayLike<number>): { data: Int16Array; scaleM: number } {
  const known = (v: number) => v >= MIN_M && v <= MAX_M
  let fits = true
  let whole = true
  for (let i = 0; i < heightsM.length; i++) {
    const v = heightsM[i]!
    if (!known(v)) continue
    if (Math.abs(v) > MOST_IN_DECIMETRES) fits = false
    if (v !== Math.round(v)) whole = false
  }
  const scaleM = fits && !whole ? 0.1 : 1
  const data = new Int16Array(heightsM.length)
  for (let i = 0; i < data.length; i++) {
    const v = heightsM[i]!
    data[i] = known(v) ? Math.round(v / scaleM) : VOID
  }
  return { data, scaleM }
}
