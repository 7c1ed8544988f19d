import { VOID, type HeightGrid } from './grid'

/** Contour lines of one height: pieces of x1, y1, x2, y2 in cells from the north-west cell's middle. */
export interface Contour {
  heightM: number
  segments: Float32Array
}

/** A step that gives some dozen lines over a range of heights, m: 1, 2 or 5 times a power of ten. */
export function contourStepM(rangeM: number): number {
  const raw = Math.max(rangeM, 1) / 12
  const power = 10 ** Math.floor(Math.log10(raw))
  const lead = raw / power
  return (lead <= 1 ? 1 : lead <= 2 ? 2 : lead <= 5 ? 5 : 10) * power
}

/**
 * Contour lines by marching squares, each cell of four heights on its own; a saddle is told by its mean.
 * Where a height is not known there is no line.
 * @param stepM height between lines, above 0; the shore, half a metre, is one of them
 */
export function contourLines(grid: HeightGrid, stepM: number): Contour[] {
  const { width, height, data, scaleM } = grid
  let [low, high] = [Infinity, -Infinity]
  for (let i = 0; i < data.length; i++) {
    const v = data[i]!
    if (v === VOID) continue
    if (v < low) low = v
    if (v > high) high = v
  }
  if (!(high > low)) return []
  const levels: number[] = []
  if (low <= 0 && high > 0) levels.push(0.5)
  for (let m = Math.max(stepM, Math.ceil((low * scaleM) / stepM) * stepM); m < high * scaleM; m += stepM)
    levels.push(m)
  const lines = levels.map((m) => ({
    level: m / scaleM + 1e-3,
    out: new Float32Array(1024),
    used: 0,
    heightM: m,
  }))
  const inUnits = lines.map((l) => l.level)
  for (let r = 0; r < height - 1; r++)
    for (let c = 0; c < width - 1; c++) {
      const i = r * width + c
      const a = data[i]!
      const b = data[i + 1]!
      const d = data[i + width + 1]!
      const e = data[i + width]!
      const least = Math.min(a, b, d, e)
      const most = Math.max(a, b, d, e)
      if (least === most || least === VOID) continue
      for (let k = 0; k < inUnits.length; k++) {
        const level = inUnits[k]!
        if (level > most) break
        if (level <= least) continue
        cross(lines[k]!, level, a, b, d, e, c, r)
      }
    }
  return lines.map((l) => ({ heightM: l.heightM, segments: l.out.slice(0, l.used) }))
}

interface Line {
  out: Float32Array
  used: number
}

function push(line: Line, x1: number, y1: number, x2: number, y2: number): void {
  if (line.used + 4 > line.out.length) {
    const grown = new Float32Array(line.out.length * 2)
    grown.set(line.out)
    line.out = grown
  }
  line.out[line.used++] = x1
  line.out[line.used++] = y1
  line.out[line.used++] = x2
  line.out[line.used++] = y2
}

/** The lines of one level through one square: a b over e d. */
function cross(
  line: Line,
  level: number,
  a: number,
  b: number,
  d: number,
  e: number,
  x: number,
  y: number,
): void {
  const code = (a >= level ? 8 : 0) | (b >= level ? 4 : 0) | (d >= level ? 2 : 0) | (e >= level ? 1 : 0)
  const top = x + (level - a) / (b - a)
  const right = y + (level - b) / (d - b)
  const bottom = x + (level - e) / (d - e)
  const left = y + (level - a) / (e - a)
  switch (code) {
    case 1:
    case 14:
      return push(line, x, left, bottom, y + 1)
    case 2:
    case 13:
      return push(line, bottom, y + 1, x + 1, right)
    case 3:
    case 12:
      return push(line, x, left, x + 1, right)
    case 4:
    case 11:
      return push(line, top, y, x + 1, right)
    case 6:
    case 9:
      return push(line, top, y, bottom, y + 1)
    case 7:
    case 8:
      return push(line, x, left, top, y)
    case 5:
    case 10: {
      const joined = (a + b + d + e) / 4 >= level
      if ((code === 5) === joined) {
        push(line, x, left, top, y)
        push(line, bottom, y + 1, x + 1, right)
      } else {
        push(line, x, left, bottom, y + 1)
        push(line, top, y, x + 1, right)
      }
    }
  }
}
