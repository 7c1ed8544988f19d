import { deltaBullingtonLoss } from './deltaBullington'
import { quickEdge } from './quickEdge'
import { QuickSphere } from './quickSphere'
import type { DiffractionPath } from './sphericalEarth'

/** Below this a knife edge takes nothing. */
const NO_EDGE = -0.78
/** Samples that share one bound of how near the ground comes to a sight line. */
const BLOCK = 16

/**
 * Points added from left to right, and the upper hull of them: what may be seen, or bound a view, from beyond their
 * right end.
 */
class UpperHull {
  private readonly at: Int32Array
  private count = 0

  constructor(
    private readonly y: Float64Array,
    most: number,
  ) {
    this.at = new Int32Array(most)
  }

  clear(): void {
    this.count = 0
  }

  /** Adds the point of this index, which lies right of all before it. */
  add(i: number): void {
    const { at, y } = this
    while (this.count >= 2) {
      const a = at[this.count - 2]!
      const b = at[this.count - 1]!
      if ((y[b]! - y[a]!) * (i - a) > (y[i]! - y[a]!) * (b - a)) break
      this.count--
    }
    at[this.count++] = i
  }

  /** The point seen highest from a place right of all, at x (in samples) and height h. */
  highestFrom(x: number, h: number): number {
    const { at, y } = this
    let [low, high] = [0, this.count - 1]
    while (low < high) {
      const k = (low + high) >> 1
      const a = at[k]!
      const b = at[k + 1]!
      // Where the edge's line runs under that place its left end is the higher of the two.
      if (y[b]! + ((y[b]! - y[a]!) / (b - a)) * (x - b) < h) high = k
      else low = k + 1
    }
    return at[low]!
  }

  /** The point farthest over a line of this rise a sample. */
  farthestOver(rise: number): number {
    const { at, y } = this
    let [low, high] = [0, this.count - 1]
    while (low < high) {
      const k = (low + high) >> 1
      const a = at[k]!
      const b = at[k + 1]!
      if (y[b]! - y[a]! < rise * (b - a)) high = k
      else low = k + 1
    }
    return at[low]!
  }
}

/**
 * Diffraction loss by the delta-Bullington method of ITU-R P.526-15 from one place to every sample of a straight way
 * out from it, evenly spaced: the same figures as {@link deltaBullingtonLoss} of each piece of the profile, at a cost a
 * sample that hardly grows with the distance. Sums and maxima run along; what the far end's view is bounded by is
 * looked up on hulls.
 */
export class RadialDiffraction {
  /** Ground over the sea, and the same sunk by the earth's bulge, m. */
  private readonly ground: Float64Array
  private readonly sunk: Float64Array
  private readonly blocks: Float64Array
  private readonly groundHull: UpperHull
  private readonly sunkHull: UpperHull
  private readonly sphere: QuickSphere
  private readonly half: number
  private readonly perWave: number
  private count = 0
  private stepKm = 0
  private hts = 0
  /** Where along the way the smooth earth came nearest to the sight line at the sample before. */
  private topShare = 0.5
  private steepest = -Infinity
  private steepestBare = -Infinity
  private v1 = 0
  private v2 = 0
  /** How much of the way so far lies over ground at exactly 0 m, in half samples. */
  private seaHalves = 0

  /**
   * @param most samples of a way at most
   * @param nearM, farM antenna heights over the ground, above 0 m
   */
  constructor(
    most: number,
    private readonly nearM: number,
    private readonly farM: number,
    private readonly path: DiffractionPath,
  ) {
    this.ground = new Float64Array(most)
    this.sunk = new Float64Array(most)
    this.blocks = new Float64Array(Math.ceil(most / BLOCK) + 1)
    this.groundHull = new UpperHull(this.ground, most)
    this.sunkHull = new UpperHull(this.sunk, most)
    this.sphere = new QuickSphere(path)
    this.half = 500 / path.radiusKm
    this.perWave = Math.sqrt((0.002 * path.frequencyMHz) / 299.792458)
  }

  /** A new way, from the ground under the near end. */
  begin(stepKm: number, groundM: number): void {
    this.stepKm = stepKm
    this.ground[0] = groundM
    this.sunk[0] = groundM
    this.hts = groundM + this.nearM
    this.count = 1
    this.steepest = -Infinity
    this.steepestBare = -Infinity
    this.v1 = 0
    this.v2 = 0
    this.seaHalves = 0
    this.groundHull.clear()
    this.sunkHull.clear()
  }

  /** The next sample's ground, m over the sea. */
  add(groundM: number): void {
    const { ground, sunk, stepKm, half, hts } = this
    const j = this.count
    // The sample before lies between the ends from now on.
    const i = j - 1
    if (i > 0) {
      const di = i * stepKm
      const bare = (ground[i]! - hts) / di
      const rise = bare - half * di
      if (bare > this.steepestBare) this.steepestBare = bare
      if (rise > this.steepest) this.steepest = rise
      const block = (i / BLOCK) | 0
      this.blocks[block] = i % BLOCK === 0 || i === 1 ? rise : Math.max(this.blocks[block]!, rise)
      this.groundHull.add(i)
      this.sunkHull.add(i)
    }
    const d = j * stepKm
    ground[j] = groundM
    sunk[j] = groundM - half * d * d
    const before = ground[i]!
    this.v1 += stepKm * (groundM + before)
    this.v2 += stepKm * (groundM * (2 * d + i * stepKm) + before * (d + 2 * i * stepKm))
    this.seaHalves += Number(groundM === 0) + Number(before === 0)
    this.count = j + 1
  }

  /** Loss beyond free space to the sample added last, dB. */
  lossDb(): number {
    const j = this.count - 1
    const { ground, nearM, farM, hts } = this
    const d = j * this.stepKm
    if (j === 1)
      return deltaBullingtonLoss(
        { distancesKm: [0, d], heightsM: [ground[0]!, ground[1]!] },
        nearM,
        farM,
        this.path,
      ).lossDb
    const hrs = ground[j]! + farM
    const loss = this.bullington(j, d, hrs)
    const rise = (hrs - hts) / d
    let hst = (2 * this.v1 * d - this.v2) / (d * d)
    let hsr = (this.v2 - this.v1 * d) / (d * d)
    const at = this.steepestBare - rise
    if (at > 0) {
      const top = this.groundHull.farthestOver(rise * this.stepKm)
      const obstacle = ground[top]! - hts - rise * top * this.stepKm
      const back = this.groundHull.highestFrom(j, hrs)
      const ar = (ground[back]! - hrs) / ((j - back) * this.stepKm) + rise
      hst -= (obstacle * at) / (at + ar)
      hsr -= (obstacle * ar) / (at + ar)
    }
    const near = hts - Math.min(hst, ground[0]!)
    const far = hrs - Math.min(hsr, ground[j]!)
    const spherical = this.sphere.lossDb(d, near, far, this.seaHalves / (2 * j))
    if (spherical <= 0) return loss
    return loss + Math.max(0, spherical - this.smooth(j, d, near, far))
  }

  /** The Bullington part over the ground, dB. */
  private bullington(j: number, d: number, hrs: number): number {
    const { half, hts, stepKm, sunk } = this
    const straight = (hrs - hts) / d
    const steepest = this.steepest + half * d
    if (steepest < straight) return quickEdge(this.nearestTheLine(j, d, straight), d)
    const x = this.sunkHull.highestFrom(j, hrs - half * d * d)
    const dx = x * stepKm
    const back = (sunk[x]! + half * d * dx - hrs) / (d - dx)
    return quickEdge(this.overEdge(d, hts, hrs, steepest, back), d)
  }

  /** ν of the edge that two views bound, from the near end and from the far one. */
  private overEdge(d: number, near: number, far: number, steepest: number, back: number): number {
    const db = (far - near + back * d) / (steepest + back)
    const over = near + steepest * db - (near * (d - db) + far * db) / d
    return over * this.perWave * Math.sqrt(d / (db * (d - db)))
  }

  /** ν of the ground nearest a sight line that it does not reach, from the far end inwards; bounded by blocks. */
  private nearestTheLine(j: number, d: number, straight: number): number {
    const { ground, half, hts, stepKm, blocks, perWave } = this
    const c = half * d - straight
    let best = NO_EDGE
    for (let block = ((j - 1) / BLOCK) | 0; block >= 0; block--) {
      const first = Math.max(1, block * BLOCK)
      const low = first * stepKm
      // All lie under the line, so the block's highest at its nearest is the most that any of it comes to.
      if ((blocks[block]! + c) * perWave * Math.sqrt((d * low) / (d - low)) <= best) continue
      for (let i = Math.min(j - 1, block * BLOCK + BLOCK - 1); i >= first; i--) {
        const di = i * stepKm
        const v = ((ground[i]! - hts) / di - half * di + c) * perWave * Math.sqrt((d * di) / (d - di))
        if (v > best) best = v
      }
    }
    return best
  }

  /** The Bullington part over ground that is everywhere 0, dB. */
  private smooth(j: number, d: number, near: number, far: number): number {
    const steepest = this.steepestOverFlat(near, j, d)
    const nu =
      steepest >= (far - near) / d
        ? this.overEdge(d, near, far, steepest, this.steepestOverFlat(far, j, d))
        : this.nearestOverFlat(j, d, near, far)
    return quickEdge(nu, d)
  }

  /** The steepest rise to a sample over flat ground from this height, m a km. */
  private steepestOverFlat(height: number, j: number, d: number): number {
    const { half, stepKm } = this
    const at = Math.floor(Math.sqrt(height / half) / stepKm)
    const a = at < 1 ? 1 : at > j - 1 ? j - 1 : at
    const b = a === at && a < j - 1 ? a + 1 : a
    const rise = half * (d - a * stepKm) - height / (a * stepKm)
    if (a === b) return rise
    return Math.max(rise, half * (d - b * stepKm) - height / (b * stepKm))
  }

  /** ν of a sample over flat ground that the sight line clears. */
  private nuOverFlat(i: number, d: number, near: number, far: number): number {
    const di = i * this.stepKm
    const left = d - di
    return (this.half * di * left - (near * left + far * di) / d) * this.perWave * Math.sqrt(d / (di * left))
  }

  /**
   * The highest of these. It has one top: concave in the angle whose sine is the root of the share of the way. It is
   * sought from where it was last.
   */
  private nearestOverFlat(j: number, d: number, near: number, far: number): number {
    let low = 1
    let high = j - 1
    let i = Math.max(1, Math.round(this.topShare * j))
    for (let leap = 1; low < high; leap *= 2) {
      if (i >= high) i = high - 1
      if (this.nuOverFlat(i, d, near, far) < this.nuOverFlat(i + 1, d, near, far)) {
        low = i + 1
        i = low + leap
        if (i < high) continue
      } else {
        high = i
        i = high - leap
        if (i >= low) continue
      }
      i = (low + high) >> 1
    }
    this.topShare = low / j
    return this.nuOverFlat(low, d, near, far)
  }
}
