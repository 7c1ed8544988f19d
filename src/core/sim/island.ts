import { NOMINAL_DEGREE_M } from '@/core/geo'
import { packHeights, type HeightGrid } from '@/core/terrain'
import { seededRandom } from '@/core/stats/numeric/seededRandom'

/** An invented island. */
export interface IslandSeed {
  seed: number
  /** Middle of the island, and half its lengths along and across its axis, m. */
  lat: number
  lon: number
  alongM: number
  acrossM: number
  /** Bearing of its axis, degrees. */
  axisDeg: number
  /** Hills: where, by east and north of the middle, m; how high and how wide, m. */
  hills: { eastM: number; northM: number; highM: number; wideM: number }[]
  /** Roughness of the ground, m. */
  roughM: number
}

const STEP = 1 / 1200

/** Smooth noise on a lattice: cubic between seeded values, -1 to 1. */
function lattice(seed: number, cell: number): (x: number, y: number) => number {
  const values = new Map<string, number>()
  const at = (i: number, j: number) => {
    const key = `${i} ${j}`
    let v = values.get(key)
    if (v === undefined) {
      v = 2 * seededRandom(seed * 7919 + i * 104_729 + j * 1_299_709).uniform() - 1
      values.set(key, v)
    }
    return v
  }
  const smooth = (t: number) => t * t * (3 - 2 * t)
  return (x, y) => {
    const [i, j] = [Math.floor(x / cell), Math.floor(y / cell)]
    const [u, v] = [smooth(x / cell - i), smooth(y / cell - j)]
    return (
      (at(i, j) * (1 - u) + at(i + 1, j) * u) * (1 - v) + (at(i, j + 1) * (1 - u) + at(i + 1, j + 1) * u) * v
    )
  }
}

/** Builds an invented island's ground, 3 seconds of arc a cell, sea at 0; the same seed gives the same island. */
export function buildIsland(island: IslandSeed): HeightGrid {
  const { lat, lon, alongM, acrossM, axisDeg, hills, roughM, seed } = island
  const reach = Math.max(alongM, acrossM) * 1.25
  const perLon = NOMINAL_DEGREE_M * Math.cos((lat * Math.PI) / 180)
  const halfRows = Math.ceil(reach / NOMINAL_DEGREE_M / STEP)
  const halfColumns = Math.ceil(reach / perLon / STEP)
  const [width, height] = [2 * halfColumns + 1, 2 * halfRows + 1]
  // On the lattice of whole seconds, so that tiles of others lie on the same posts.
  const west = Math.round(lon / STEP) * STEP - halfColumns * STEP
  const north = Math.round(lat / STEP) * STEP + halfRows * STEP
  const [coast, broad, fine] = [lattice(seed, 1500), lattice(seed + 1, 900), lattice(seed + 2, 260)]
  const turn = (axisDeg * Math.PI) / 180
  const values = new Float32Array(width * height)
  for (let r = 0; r < height; r++)
    for (let c = 0; c < width; c++) {
      const east = (west + c * STEP - lon) * perLon
      const up = (north - r * STEP - lat) * NOMINAL_DEGREE_M
      const along = east * Math.sin(turn) + up * Math.cos(turn)
      const across = east * Math.cos(turn) - up * Math.sin(turn)
      const edge = Math.hypot(along / alongM, across / acrossM) + 0.07 * coast(east, up)
      if (edge >= 1) continue
      const shore = Math.min(1, (1 - edge) / 0.16)
      const hill = hills.reduce(
        (s, h) => s + h.highM * Math.exp(-((east - h.eastM) ** 2 + (up - h.northM) ** 2) / h.wideM ** 2),
        0,
      )
      const rough = roughM * (0.7 * broad(east, up) + 0.35 * fine(east, up))
      values[r * width + c] = Math.max(1, shore * (12 + hill + rough))
    }
  return { width, height, west, north, stepLon: STEP, stepLat: STEP, filled: null, ...packHeights(values) }
}
