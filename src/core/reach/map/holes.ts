import type { Place } from '@/core/geo'
import { inArea, type Rings } from '@/core/terrain'
import { fieldPlace, fieldSide, type Field } from './mapRaster'

/** A piece of an area that is likely not covered. */
export interface Hole {
  km2: number
  /** Its cell nearest to its middle. */
  place: Place
}

/** Below this a place is likelier not covered. */
const LIKELY = 0.5

/**
 * The pieces of an area where a link likelier does not cover than does, the largest first; cells that touch along an
 * edge are one piece.
 * @param cover chance that a place is covered; what is not known counts as not covered
 */
export function holesIn(cover: Field, rings: Rings, most = 5): Hole[] {
  const { raster, every, values } = cover
  const side = fieldSide(raster, every)
  const cellKm2 = ((raster.stepM * every) / 1000) ** 2
  const open = new Uint8Array(values.length)
  for (let i = 0; i < values.length; i++)
    if (!(values[i]! >= LIKELY) && inArea(rings, fieldPlace(cover, i))) open[i] = 1
  const holes: Hole[] = []
  for (let i = 0; i < open.length; i++) {
    if (open[i] === 0) continue
    const piece = [i]
    open[i] = 0
    for (let k = 0; k < piece.length; k++) {
      const at = piece[k]!
      const column = at % side
      for (const [next, there] of [
        [at - side, at >= side],
        [at + side, at + side < open.length],
        [at - 1, column > 0],
        [at + 1, column < side - 1],
      ] as const)
        if (there && open[next] === 1) {
          open[next] = 0
          piece.push(next)
        }
    }
    holes.push({ km2: piece.length * cellKm2, place: fieldPlace(cover, middleOf(piece, side)) })
  }
  return holes.sort((a, b) => b.km2 - a.km2).slice(0, most)
}

/** Of a piece the cell nearest to its centre: a piece may be bent about it. */
function middleOf(piece: readonly number[], side: number): number {
  const [row, column] = [(i: number) => Math.floor(i / side), (i: number) => i % side]
  const mean = (of: (i: number) => number) => piece.reduce((s, i) => s + of(i), 0) / piece.length
  const [r, c] = [mean(row), mean(column)]
  const off = (i: number) => (row(i) - r) ** 2 + (column(i) - c) ** 2
  return piece.reduce((best, i) => (off(i) < off(best) ? i : best))
}
