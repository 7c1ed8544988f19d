import { filled } from '@/core/stats/numeric/filled'
import type { ModelFit } from './fit'
import type { ModelInput } from './reports'

/** What a walk by steps of it spreads most evenly over a stretch: the golden section. */
const GOLDEN = (Math.sqrt(5) - 1) / 2
/** No level falls by less than 10 dB a decade; draws whose weight is next to nothing may. */
const LEAST_SLOPE = 1

/** By how much all is weaker beyond the input's step, dB by draw; null where it has none. */
export function stepDraws({ field, draws }: Pick<ModelFit, 'field' | 'draws'>): Float64Array | null {
  const { step } = field.layout
  return step === null ? null : filled(draws.length, (i) => Math.max(0, draws[i]!.x[field.at + step]!))
}

/**
 * Where the step stands, lg m by draw: anywhere between the two marks, as nothing was reported from there. What is one
 * draw more than once has one place.
 */
function stepPlaces(
  { nearM, farM }: NonNullable<ModelInput['step']>,
  draws: ModelFit['draws'],
): Float64Array {
  const [near, far] = [Math.log10(nearM), Math.log10(farM)]
  let apart = 0
  return filled(draws.length, (i) => {
    if (i > 0 && draws[i] !== draws[i - 1]) apart++
    return near + (((apart + 0.5) * GOLDEN) % 1) * (far - near)
  })
}

/**
 * By how much the level of every link falls with distance, by draw: straight in lg d but for bends and a step, and
 * never rising, so that a greater margin reaches farther.
 */
export class Fall {
  private readonly lgMiddle: number
  /** lg m where parts meet. */
  private readonly bends: readonly number[]
  /** Draw by draw, a slope for each part. */
  private readonly slopes: Float64Array
  /** Draw by draw, the fall from the middle distance to each bend, dB. */
  private readonly atBends: Float64Array
  /** lg m beyond which all is weaker, and by how much, dB, by draw; null where there is no step. */
  private readonly step: { lg: Float64Array; db: Float64Array } | null

  constructor({ data, field, draws }: Pick<ModelFit, 'data' | 'field' | 'draws'>) {
    const { layout, at, bends } = field
    this.lgMiddle = Math.log10(data.middleM)
    this.bends = bends
    const parts = bends.length + 1
    const db = stepDraws({ field, draws })
    this.step = db && { lg: stepPlaces(data.input.step!, draws), db }
    this.slopes = new Float64Array(draws.length * parts)
    this.atBends = new Float64Array(draws.length * bends.length)
    draws.forEach(({ x }, i) => {
      let n = x[at + layout.slope]!
      this.slopes[i * parts] = Math.max(LEAST_SLOPE, n)
      bends.forEach((_, k) => {
        n += x[at + layout.bend[k]!]!
        this.slopes[i * parts + k + 1] = Math.max(LEAST_SLOPE, n)
      })
      // The model's level at the middle distance is that of the first part drawn out, as the field has it.
      let fall = 0
      bends.forEach((lg, k) => {
        const from = k === 0 ? this.lgMiddle : bends[k - 1]!
        fall += 10 * this.slopes[i * parts + k]! * (lg - from)
        this.atBends[i * bends.length + k] = fall
      })
    })
  }

  /** The fall from the middle distance to another, dB; what a step takes is in it. */
  to(draw: number, lg: number): number {
    const { step } = this
    return this.sloping(draw, lg) + (step && lg > step.lg[draw]! ? step.db[draw]! : 0)
  }

  /** The mean slope n between two distances, without what a step takes. */
  slope(draw: number, near: number, far: number): number {
    if (!(far > near)) return this.at(draw, near) / 10
    return (this.sloping(draw, far) - this.sloping(draw, near)) / (10 * (far - near))
  }

  /** Which part a distance lies in. */
  private partOf(lg: number): number {
    let k = this.bends.length
    while (k > 0 && lg < this.bends[k - 1]!) k--
    return k
  }

  /** Where a part begins, lg of m, what has fallen by there, and its dB a decade; the first is drawn out from the middle. */
  private lineOf(draw: number, part: number): [lg: number, db: number, slope: number] {
    const { bends, slopes, atBends, lgMiddle } = this
    const slope = 10 * slopes[draw * (bends.length + 1) + part]!
    return part === 0
      ? [lgMiddle, 0, slope]
      : [bends[part - 1]!, atBends[draw * bends.length + part - 1]!, slope]
  }

  private sloping(draw: number, lg: number): number {
    const [from, db, slope] = this.lineOf(draw, this.partOf(lg))
    return db + slope * (lg - from)
  }

  /** How far out it has fallen so much, lg of m; at a step where that falls within it. */
  where(draw: number, db: number): number {
    const { step } = this
    if (!step) return this.slopingWhere(draw, db)
    const near = this.slopingWhere(draw, db)
    const at = step.lg[draw]!
    return near <= at ? near : Math.max(at, this.slopingWhere(draw, db - step.db[draw]!))
  }

  private slopingWhere(draw: number, db: number): number {
    const { bends, atBends } = this
    let k = bends.length
    while (k > 0 && db < atBends[draw * bends.length + k - 1]!) k--
    const [from, fallen, slope] = this.lineOf(draw, k)
    return from + (db - fallen) / slope
  }

  /** dB a decade at a distance. */
  at(draw: number, lg: number): number {
    return this.lineOf(draw, this.partOf(lg))[2]
  }
}
