import { VOID, type HeightGrid } from './grid'

const [WEST, EAST, NORTH, SOUTH] = [1, 2, 4, 8] as const
const isEnclosed = (sides: number) =>
  (sides & (WEST | EAST)) === (WEST | EAST) || (sides & (NORTH | SOUTH)) === (NORTH | SOUTH)

/**
 * Fills voids from what lies around them: the mean of the nearest known heights to the west, east, north and south,
 * weighted by one over their distance. The cells filled are marked. What is not enclosed, west and east or north and
 * south, is no hole but ground that the file does not hold, and stays unknown.
 * @returns the same grid, changed, and how many cells were filled
 */
export function fillVoids(grid: HeightGrid): { grid: HeightGrid; filled: number } {
  const { width, height, data } = grid
  let any = false
  for (let i = 0; i < data.length && !any; i++) any = data[i] === VOID
  if (!any) return { grid, filled: 0 }
  const sum = new Float32Array(data.length)
  const weight = new Float32Array(data.length)
  /** From which sides something is known, one bit each. */
  const sides = new Uint8Array(data.length)
  const sweep = (side: number, start: number, step: number, count: number) => {
    let last = VOID
    let off = 0
    for (let k = 0, i = start; k < count; k++, i += step) {
      if (data[i] !== VOID) {
        last = data[i]!
        off = 0
      } else if (last !== VOID) {
        off++
        sum[i]! += last / off
        weight[i]! += 1 / off
        sides[i]! |= side
      }
    }
  }
  for (let r = 0; r < height; r++) {
    sweep(WEST, r * width, 1, width)
    sweep(EAST, r * width + width - 1, -1, width)
  }
  for (let c = 0; c < width; c++) {
    sweep(NORTH, c, width, height)
    sweep(SOUTH, (height - 1) * width + c, -width, height)
  }
  const mask = grid.filled ?? new Uint8Array(data.length)
  let filled = 0
  for (let i = 0; i < data.length; i++) {
    if (data[i] !== VOID || !isEnclosed(sides[i]!)) continue
    data[i] = Math.round(sum[i]! / weight[i]!)
    mask[i] = 1
    filled++
  }
  return { grid: { ...grid, filled: mask }, filled }
}
