import { contours } from 'd3-contour'
import type { Rings } from '@/core/terrain'
import { cellPlace, fieldSide, type Field } from './mapRaster'

/** Figures after the point of a degree: a tenth of a metre. */
const DIGITS = 6

/**
 * The outlines of where a field is at or above a value, by marching squares with corners between cells; holes follow
 * their outline. What is not known is below everything.
 * @param leastCells pieces smaller than this are left out
 */
function ringsAbove(field: Field, value: number, leastCells = 0): Rings[] {
  const { raster, every } = field
  const side = fieldSide(raster, every)
  const [found] = contours().size([side, side]).thresholds([value])(field.values as unknown as number[])
  const place = (p: number[]): [number, number] => {
    const { lat, lon } = cellPlace(
      raster,
      (p[0]! - 0.5) * every - raster.half,
      (p[1]! - 0.5) * every - raster.half,
    )
    return [Number(lon.toFixed(DIGITS)), Number(lat.toFixed(DIGITS))]
  }
  return found!.coordinates.flatMap((rings) => {
    const large = rings.filter((ring) => Math.abs(enclosed(ring)) >= leastCells)
    return rings[0] === large[0] && large.length > 0 ? [large.map((ring) => ring.map(place))] : []
  })
}

/**
 * {@link ringsAbove} within the circle that a map is about: what lies in the corners of its raster is farther out than
 * was asked for, and is not counted either.
 */
export function ringsWithin(field: Field, value: number, leastCells = 0): Rings[] {
  const { raster, every } = field
  const side = fieldSide(raster, every)
  const middle = (side - 1) / 2
  // Falls through the value at the circle, a cell at a time, so that its outline is round.
  const round = field.values.map((v, i) => {
    const out = Math.hypot(Math.floor(i / side) - middle, (i % side) - middle)
    return Math.min(v, value + raster.half / every - out)
  })
  return ringsAbove({ ...field, values: round }, value, leastCells)
}

/** Cells that a ring encloses. */
const enclosed = (ring: number[][]) =>
  ring.slice(1).reduce((s, p, i) => s + (ring[i]![0]! * p[1]! - p[0]! * ring[i]![1]!), 0) / 2
