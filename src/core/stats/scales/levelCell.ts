/**
 * What one report says of a level: it lies in (lower, upper] dB.
 * - a step of a meter: both ends finite
 * - not heard, or the lowest step a listener gives: lower is -Infinity
 * - full scale: upper is Infinity
 *
 * - heard, with no strength given: upper is Infinity, lower the threshold of hearing
 *
 * `softDb` is the standard deviation of the edge itself: nought for a meter's step, the width of the hearing
 * threshold for "not heard" and for "heard" alone. It belongs to the upper edge, and to the lower one only
 * where the cell is open above.
 */
export interface LevelCell {
  lower: number
  upper: number
  softDb: number
  notHeard: boolean
}

/** A step of a meter or display. @param lower dB @param upper dB, above lower */
export function stepCell(lower: number, upper: number): LevelCell {
  if (!(lower < upper)) throw new RangeError(`lower ${lower} must be below upper ${upper}`)
  return { lower, upper, softDb: 0, notHeard: false }
}

/** Not heard: at or below a threshold that is itself only known to within softDb. */
export function notHeardCell(thresholdDb: number, softDb = 0): LevelCell {
  return { lower: -Infinity, upper: thresholdDb, softDb, notHeard: true }
}

/** Heard, and nothing more: above a threshold that is itself only known to within softDb. */
export function heardCell(thresholdDb: number, softDb = 0): LevelCell {
  return { lower: thresholdDb, upper: Infinity, softDb, notHeard: false }
}

/** The same report with a known advantage taken out. @param knownDb dB by which the link was favoured */
export function shiftCell(cell: LevelCell, knownDb: number): LevelCell {
  const { lower, upper, softDb, notHeard } = cell
  return { lower: lower - knownDb, upper: upper - knownDb, softDb, notHeard }
}

/** The middle of a bounded cell in dB; null where an end is open. */
export function cellMiddle(cell: LevelCell): number | null {
  return Number.isFinite(cell.lower) && Number.isFinite(cell.upper) ? (cell.lower + cell.upper) / 2 : null
}
