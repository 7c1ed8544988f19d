import { VOID, type HeightGrid } from './grid'

/**
 * Fills voids from what lies around them: the mean of the nearest known heights to the west, east, north and south,
 * weighted by one over their distance. The cells filled are marked.
 * @returns the same grid, changed, and how many cells were filled; those with nothing known in any direction stay void
 */
export function fillVoids(grid: HeightGrid): { grid: HeightGrid; filled: number } {
  const { width, height, data } = grid
  let any = false
  for (let i = 0; i < data.length && !any; i++) any = data[i] === VOID
  if (!any) return { grid, filled: 0 }
  const sum = new Float32Array(data.length)
  const weight = new Float32Array(data.length)
  const sweep = (start: number, step: number, count: number) => {
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
      }
    }
  }
  for (let r = 0; r < height; r++) {
    sweep(r * width, 1, width)
    sweep(r * width + width - 1, -1, width)
  }
  for (let c = 0; c < width; c++) {
    sweep(c, width, height)
    sweep((height - 1) * width + c, -width, height)
  }
  const mask = grid.filled ?? new Uint8Array(data.length)
  let filled = 0
  for (let i = 0; i < data.length; i++) {
    if (data[i] !== VOID || weight[i] === 0) continue
    data[i] = Math.round(sum[i]! / weight[i]!)
    mask[i] = 1
    filled++
  }
  return { grid: { ...grid, filled: mask }, filled }
}
