import { freeSpaceLoss, groundPath, MIN_DIFFRACTION_MHZ, RadialDiffraction } from '@/core/propagation'
import { filled } from '@/core/stats/numeric/filled'
import type { CoverAt, PathCover } from '@/core/terrain'
import { endDb, lossOver, type Taken } from '../lossOver'
import { emptyField, fieldSide, type Field, type RasterGround } from './mapRaster'

/** The two ends of every path of a field. */
export interface FieldEnds {
  frequencyMHz: number
  /** Over the ground, m. */
  baseM: number
  farM: number
  /** Its waves stand upright. */
  vertical: boolean
}

/** A way out from the middle, along one axis a cell at a time, and across it by a share of a cell. */
interface Way {
  /** East and south of one step along the axis, and of one across it. */
  along: [east: number, south: number]
  across: [east: number, south: number]
}

const WAYS: readonly Way[] = [
  { along: [1, 0], across: [0, 1] },
  { along: [-1, 0], across: [0, 1] },
  { along: [0, 1], across: [1, 0] },
  { along: [0, -1], across: [1, 0] },
]

/** What a way has met so far. */
class Walked {
  readonly heightsM: Float64Array
  readonly distancesKm: Float64Array
  readonly woodTopM: Float32Array
  readonly builtTopM: Float32Array
  count = 0
  /** Something stands on it. */
  topped = false

  constructor(most: number) {
    this.heightsM = new Float64Array(most)
    this.distancesKm = new Float64Array(most)
    this.woodTopM = new Float32Array(most)
    this.builtTopM = new Float32Array(most)
  }

  begin(): void {
    this.count = 0
    this.topped = false
  }

  add(distanceKm: number, heightM: number, on: CoverAt | null): void {
    const i = this.count++
    this.distancesKm[i] = distanceKm
    this.heightsM[i] = heightM
    const top = on?.heightM ?? 0
    this.woodTopM[i] = on?.kind === 'wood' ? top : 0
    this.builtTopM[i] = on?.kind === 'wood' ? 0 : top
    if (top > 0) this.topped = true
  }

  cover(near: CoverAt | null, far: CoverAt | null): PathCover {
    const [woodTopM, builtTopM] = [
      this.woodTopM.subarray(0, this.count),
      this.builtTopM.subarray(0, this.count),
    ]
    return { woodTopM, builtTopM, near, far }
  }

  profile() {
    return {
      distancesKm: this.distancesKm.subarray(0, this.count),
      heightsM: this.heightsM.subarray(0, this.count),
    }
  }
}

/**
 * Median loss from the middle of a raster to its cells, dB, by {@link lossOver} along ways to every cell of its
 * edge: of the ways that pass a cell the one nearest to its middle is taken, so that a cell is looked at once. Over
 * bare ground the model's part runs along the way; where something stands on it each path is worked out by itself.
 * @param every only each so many-th cell, both ways; the ground between is walked all the same
 * @param sides which of the four sides of the raster are gone to: east, west, south, north; several workers share them
 * @returns NaN where the ground is not known all the way; in the middle the least of what is about it
 */
export function lossField(
  ground: RasterGround,
  { frequencyMHz, baseM, farM, vertical }: FieldEnds,
  taken: Taken,
  every: number,
  sides: readonly number[] = [0, 1, 2, 3],
): Field {
  const { raster, heightsM, cover, kinds } = ground
  const { half, stepM } = raster
  const side = 2 * half + 1
  const field = emptyField(raster, every)
  const coarse = fieldSide(raster, every)
  const [n, middle] = [half / every, (coarse - 1) / 2]
  const coverOfCell = (i: number) => (cover && cover[i]! > 0 ? kinds[cover[i]! - 1]! : null)
  const centre = half * side + half
  const near = coverOfCell(centre)
  const ends = (far: CoverAt | null) =>
    endDb(frequencyMHz, baseM, near, taken.baseStands, false) +
    endDb(frequencyMHz, farM, far, taken.farStands, false)
  const usualEnds = ends(null)
  const runs = taken.model === 'terrain' && frequencyMHz >= MIN_DIFFRACTION_MHZ
  const radial = new RadialDiffraction(half + 1, baseM, farM, groundPath(frequencyMHz, vertical, taken.k))
  // What stands about, or another model than the one that runs along, asks for the whole of what was met.
  const walked = runs && !cover ? null : new Walked(half + 1)
  const whole = (distanceKm: number, far: CoverAt | null, met: Walked) => {
    const profile = met.profile()
    const geometry = { frequencyMHz, distanceKm, baseM, farM, profile, vertical, k: taken.k }
    return lossOver(geometry, cover ? met.cover(near, far) : null, taken).lossDb
  }
  const start = heightsM[centre]!
  const stepsDb = filled(half + 1, (k) => 20 * Math.log10(Math.max(1, k)))
  // Of two cells that lie beside one another so far out, how many ways the nearest ones lie apart.
  const waysApart = filled(n + 1, (out) => n / Math.max(1, out))
  const walk = ({ along, across }: Way, lean: number) => {
    const slope = lean / n
    const stepKm = (stepM / 1000) * Math.hypot(1, slope)
    const [outward, aside] = [along[1] * side + along[0], across[1] * side + across[0]]
    const [coarseOut, coarseAside] = [along[1] * coarse + along[0], across[1] * coarse + across[0]]
    const freeDb = freeSpaceLoss(frequencyMHz, stepKm)
    radial.begin(stepKm, start)
    walked?.begin()
    walked?.add(0, start, near)
    for (let k = 1; k <= half; k++) {
      const off = slope * k
      const beside = Math.floor(off)
      const share = off - beside
      const first = centre + k * outward + beside * aside
      const height =
        share === 0 ? heightsM[first]! : heightsM[first]! * (1 - share) + heightsM[first + aside]! * share
      if (height !== height) return
      const on = cover && coverOfCell(share < 0.5 ? first : first + aside)
      radial.add(height)
      walked?.add(k * stepKm, height, on)
      if (k % every !== 0) continue
      const out = k / every
      const over = Math.floor(slope * out + 0.5)
      if (Math.floor(over * waysApart[out]! + 0.5) !== lean) continue
      field.values[middle * coarse + middle + out * coarseOut + over * coarseAside] =
        runs && !walked?.topped
          ? freeDb + stepsDb[k]! + radial.lossDb() + (on ? ends(on) : usualEnds)
          : whole(k * stepKm, on, walked!)
    }
  }
  if (!Number.isNaN(start)) for (const i of sides) for (let lean = -n; lean <= n; lean++) walk(WAYS[i]!, lean)
  // At the base itself as a step from it.
  const at = middle * coarse + middle
  const about = [at - 1, at + 1, at - coarse, at + coarse]
    .map((i) => field.values[i]!)
    .filter((v) => !Number.isNaN(v))
  if (about.length > 0) field.values[at] = Math.min(...about)
  return field
}
