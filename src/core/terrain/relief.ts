import { metresPerDegree } from '@/core/geo/degrees'
import { gridBounds, VOID, type HeightGrid } from './grid'

/** Inks of the relief, 0 to 255: land from low to high, water, and what is not known. */
export interface ReliefInks {
  low: readonly [number, number, number]
  high: readonly [number, number, number]
  water: readonly [number, number, number]
  unknown: readonly [number, number, number]
  /** How dark the shaded side becomes, 0 to 1. */
  shade: number
}

export const DAY_INKS: ReliefInks = {
  low: [229, 226, 196],
  high: [252, 248, 238],
  water: [196, 214, 222],
  unknown: [225, 220, 210],
  shade: 0.9,
}
export const NIGHT_INKS: ReliefInks = {
  low: [38, 48, 46],
  high: [92, 98, 92],
  water: [18, 32, 44],
  unknown: [30, 34, 38],
  shade: 0.95,
}

/** Light from the north-west, 45 degrees up; steepened so that gentle ground shows. */
const STEEPEN = 3.4
const [SUN_X, SUN_Y, SUN_Z] = [-0.5, 0.5, Math.SQRT1_2]

/**
 * Shaded relief, RGBA, one pixel a cell, north row first. Sea (height 0 or less) is water; filled voids are hatched.
 * @param out filled if given, width · height · 4; else made
 */
export function shadedRelief(grid: HeightGrid, inks: ReliefInks, out?: Uint8ClampedArray): Uint8ClampedArray {
  const { width, height, data, scaleM, filled } = grid
  const pixels = out ?? new Uint8ClampedArray(width * height * 4)
  const middle = (gridBounds(grid).north + gridBounds(grid).south) / 2
  const degree = metresPerDegree(middle)
  const [cellX, cellY] = [grid.stepLon * degree.lon, grid.stepLat * degree.lat]
  let highest = 1
  for (let i = 0; i < data.length; i++) if (data[i]! > highest) highest = data[i]!
  const [kx, ky] = [(STEEPEN * scaleM) / (2 * cellX), (STEEPEN * scaleM) / (2 * cellY)]
  for (let r = 0; r < height; r++) {
    const up = r === 0 ? 0 : -width
    const down = r === height - 1 ? 0 : width
    for (let c = 0; c < width; c++) {
      const i = r * width + c
      const o = 4 * i
      const h = data[i]!
      const ink = h === VOID ? inks.unknown : h <= 0 ? inks.water : null
      if (ink) {
        pixels[o] = ink[0]
        pixels[o + 1] = ink[1]
        pixels[o + 2] = ink[2]
        pixels[o + 3] = 255
        continue
      }
      const w = c === 0 ? h : data[i - 1]!
      const e = c === width - 1 ? h : data[i + 1]!
      const n = data[i + up]!
      const s = data[i + down]!
      const gx = w === VOID || e === VOID ? 0 : (e - w) * kx
      const gy = n === VOID || s === VOID ? 0 : (n - s) * ky
      const lit = (-gx * SUN_X - gy * SUN_Y + SUN_Z) / Math.sqrt(1 + gx * gx + gy * gy)
      // Flat ground stays as it is; the sunny side only a little lighter, the other much darker.
      const tone = lit >= SUN_Z ? 1 + 0.08 * (lit - SUN_Z) : 1 - inks.shade * (SUN_Z - lit)
      const t = Math.sqrt(h / highest)
      const hatch = filled?.[i] === 1 && (r + c) % 4 === 0 ? 0.72 : 1
      for (let k = 0; k < 3; k++)
        pixels[o + k] = (inks.low[k]! + (inks.high[k]! - inks.low[k]!) * t) * tone * hatch
      pixels[o + 3] = 255
    }
  }
  return pixels
}
