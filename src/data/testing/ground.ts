import { packHeights, type HeightGrid } from '@/core/terrain'

const SIDE = 601

/** Ground half a degree a side about a place, rolling from nought to twice so many metres. */
export function rollingGround(lat: number, lon: number, highM: number): HeightGrid {
  const at = (i: number) => highM * (1 + Math.sin((i % SIDE) / 9) * Math.cos(Math.floor(i / SIDE) / 7))
  return {
    width: SIDE,
    height: SIDE,
    west: lon - 0.25,
    north: lat + 0.25,
    stepLon: 0.5 / (SIDE - 1),
    stepLat: 0.5 / (SIDE - 1),
    filled: null,
    ...packHeights(Float32Array.from({ length: SIDE * SIDE }, (_, i) => at(i))),
  }
}
