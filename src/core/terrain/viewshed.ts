import { metresPerDegree } from '@/core/geo/degrees'
import type { Place } from '@/core/geo'
import { effectiveRadiusKm, USUAL_K } from '@/core/propagation/horizon'
import { gridBounds, VOID, type HeightGrid } from './grid'

const SIDES = [-1, 1] as const

/** What is in sight from a place: 1 seen, 0 not, 2 not known. */
export interface Viewshed {
  seen: Uint8Array
  /** Cells seen, and cells of known height. */
  inSight: number
  known: number
}

/**
 * What is in sight from an antenna, cell by cell, ring by ring outwards: each cell's least height to be seen
 * follows from the two cells nearer to the observer (Franklin 1994, Wang 2000). The earth's bulge with the
 * ray's bend is taken off each height. Only cells within the radius are looked at.
 * @param observerM over the ground, targetM over the ground of each cell, 0 or more
 * @param radiusM above 0; Infinity for the whole grid
 * @throws RangeError where the observer is outside the grid
 */
export function viewshed(
  grid: HeightGrid,
  observer: Place,
  at: { observerM: number; targetM: number; radiusM?: number; k?: number },
): Viewshed {
  const { width, height, data, scaleM } = grid
  const x0 = Math.round((observer.lon - grid.west) / grid.stepLon)
  const y0 = Math.round((grid.north - observer.lat) / grid.stepLat)
  if (!(x0 >= 0 && y0 >= 0 && x0 < width && y0 < height))
    throw new RangeError('the observer stands outside the grid')
  const { observerM, targetM, radiusM = Infinity, k = USUAL_K } = at
  const bounds = gridBounds(grid)
  const degree = metresPerDegree((bounds.north + bounds.south) / 2)
  const [cellX, cellY] = [grid.stepLon * degree.lon, grid.stepLat * degree.lat]
  const [cellX2, cellY2] = [cellX * cellX, cellY * cellY]
  const curve = 1 / (2000 * effectiveRadiusKm(k))
  const eye = data[y0 * width + x0]! * scaleM + observerM
  const seen = new Uint8Array(width * height)
  // Heights relative to the eye that a target must exceed; filled from the inside out.
  const need = new Float32Array(width * height)
  const mostX = Math.min(Math.ceil(radiusM / cellX), Math.max(x0, width - 1 - x0))
  const mostY = Math.min(Math.ceil(radiusM / cellY), Math.max(y0, height - 1 - y0))
  const r2 = radiusM * radiusM
  let inSight = 1
  let known = 1
  seen[y0 * width + x0] = 1
  need[y0 * width + x0] = -Infinity
  // One cell, by its steps from the observer: how far (ax, ay, 0 or more) and to which side (sx, sy, -1, 0 or 1).
  const look = (ax: number, ay: number, sx: number, sy: number) => {
    const x = x0 + ax * sx
    const y = y0 + ay * sy
    if (x < 0 || y < 0 || x >= width || y >= height) return
    const far2 = ax * ax * cellX2 + ay * ay * cellY2
    if (far2 > r2) return
    const i = y * width + x
    let least: number
    if (ax <= 1 && ay <= 1) least = -Infinity
    else if (ax > ay) {
      const j = i - sx
      const behind = need[j]!
      const p = ay === 0 ? behind : between(behind, need[j - sy * width]!, ay / ax)
      least = (p * ax) / (ax - 1)
    } else if (ay > ax) {
      const j = i - sy * width
      const behind = need[j]!
      const p = ax === 0 ? behind : between(behind, need[j - sx]!, ax / ay)
      least = (p * ay) / (ay - 1)
    } else least = (need[i - sx - sy * width]! * ax) / (ax - 1)
    const raw = data[i]!
    if (raw === VOID) {
      seen[i] = 2
      need[i] = least
      return
    }
    const ground = raw * scaleM - far2 * curve - eye
    known++
    if (ground + targetM >= least) {
      seen[i] = 1
      inSight++
    }
    need[i] = ground > least ? ground : least
  }
  for (let ring = 1; ring <= Math.max(mostX, mostY); ring++) {
    if (ring <= mostX) {
      look(ring, 0, 1, 0)
      look(ring, 0, -1, 0)
      const most = Math.min(ring - 1, mostY)
      for (const sx of SIDES)
        for (const sy of SIDES) for (let ay = 1; ay <= most; ay++) look(ring, ay, sx, sy)
    }
    if (ring <= mostY) {
      look(0, ring, 0, 1)
      look(0, ring, 0, -1)
      const most = Math.min(ring - 1, mostX)
      for (const sy of SIDES)
        for (const sx of SIDES) for (let ax = 1; ax <= most; ax++) look(ax, ring, sx, sy)
    }
    if (ring <= mostX && ring <= mostY)
      for (const sx of SIDES) for (const sy of SIDES) look(ring, ring, sx, sy)
  }
  return { seen, inSight, known }
}

/** Between the cell straight behind and the one beside it, by how far the ray lies towards that. */
function between(straight: number, beside: number, share: number): number {
  if (straight === -Infinity || beside === -Infinity) return share < 0.5 ? straight : beside
  return straight + (beside - straight) * share
}
