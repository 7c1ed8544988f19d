/** Heights as a file holds them, north row first, west column first, in the file's own coordinates. */
export interface RawHeights {
  width: number
  height: number
  /** Metres over the sea; NaN where nobody knows. */
  values: Float32Array
  /** Middle of the first cell, and steps east and south, in the file's own units; the steps above 0. */
  x0: number
  y0: number
  stepX: number
  stepY: number
}
