import { VOID } from './grid'

/** Heights beyond this are no heights on the earth, m. */
const [MIN_M, MAX_M] = [-11_500, 9_000]

/** Heights as 16-bit whole numbers: in decimetres where all fit, else in metres. NaN and what is no height is void. */
export function packHeights(heightsM: ArrayLike<number>): { data: Int16Array; scaleM: number } {
  const known = (v: number) => v >= MIN_M && v <= MAX_M
  let fine = true
  for (let i = 0; i < heightsM.length; i++) {
    const v = heightsM[i]!
    if (known(v) && Math.abs(v) > 3_270) fine = false
  }
  const scaleM = fine ? 0.1 : 1
  const data = new Int16Array(heightsM.length)
  for (let i = 0; i < data.length; i++) {
    const v = heightsM[i]!
    data[i] = known(v) ? Math.round(v / scaleM) : VOID
  }
  return { data, scaleM }
}
