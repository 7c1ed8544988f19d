import { normalCdf, normalPdf } from '@/core/stats/numeric/normal'
import type { Layout } from './layout'
import type { ModelPriors } from './priors'
import type { ModelData } from './reports'

/** Below z the ratio φ/Φ is read from its asymptote, which needs no quotient of vanishing numbers. */
const FAR = -12

/** ln Φ(z) with its first derivative and minus its second. */
export function floorOf(z: number): [ln: number, d: number, curve: number] {
  const far = z < FAR
  const r = far ? -z - 1 / z : normalPdf(z) / normalCdf(z)
  const ln = far ? -0.5 * z * z - Math.log(-z * Math.sqrt(2 * Math.PI)) : Math.log(normalCdf(z))
  return [ln, r, r * (z + r)]
}

/** So far below its middle a soft floor lets nothing through, and so far above it all. */
const CLEAR_SDS = 2.5
/** Of what a floor is soft by: within so little its curvature is the same. */
const STIRRED = 0.1
/** So much of the way to the least that something can be is gone at once. */
const NEARLY = 0.9
/** A step makes nothing stronger; softly, so that the curvature stays. */
const STEP_FLOOR = [0, 0.5] as const

interface Floor {
  /** The shared unknowns whose sum has it. */
  sum: readonly number[]
  floor: readonly [where: number, over: number]
}

/** What of the shared unknowns has a soft floor: a step, each part's slope, and the gaps between a list's cuts. */
export class Floors {
  readonly all: readonly Floor[]

  constructor(
    { input }: ModelData,
    private readonly layout: Layout,
    priors: ModelPriors,
  ) {
    const gaps = layout.cut.flatMap((first, d) =>
      input.listeners[d]!.counts
        ? []
        : Array.from({ length: layout.cuts[d]! - 1 }, (_, k) => [first + k + 1]),
    )
    this.all = [
      ...(layout.step === null ? [] : [{ sum: [layout.step], floor: STEP_FLOOR }]),
      // Each part falls by its own.
      ...[0, ...layout.bend].map((_, k) => ({
        sum: [layout.slope, ...layout.bend.slice(0, k)],
        floor: priors.slopeFloor,
      })),
      ...gaps.map((sum) => ({ sum, floor: priors.gapFloor })),
    ]
  }

  /**
   * Whether a step moves anything about its floor, where the curvature changes within a fraction of what it is soft by.
   * @param at where the shared unknowns begin in both
   */
  stirredBy(x: Float64Array, step: Float64Array, at: number): boolean {
    return this.all.some(({ sum, floor: [where, over] }) => {
      const above = sum.reduce((s, i) => s + x[at + i]!, -where)
      const by = Math.abs(sum.reduce((s, i) => s + step[at + i]!, 0))
      return by > STIRRED * over && above - by < CLEAR_SDS * over
    })
  }

  /**
   * How much of a step may be made at most, 1 for all of it: what has a floor stays above the least it can be. Cuts
   * that change places would leave reports between them without a chance.
   */
  allowed(x: Float64Array, step: Float64Array, at: number): number {
    let share = 1
    for (const { sum, floor } of this.all) {
      const above = sum.reduce((s, i) => s + x[at + i]!, CLEAR_SDS * floor[1] - floor[0])
      const by = sum.reduce((s, i) => s + step[at + i]!, 0)
      if (above > 0 && above + by < 0) share = Math.min(share, (NEARLY * above) / -by)
    }
    return share
  }

  /** The least that each of the shared unknowns can be: one with a floor of its own lies hardly below it. */
  least(): Float64Array {
    const least = new Float64Array(this.layout.size).fill(-Infinity)
    for (const { sum, floor } of this.all)
      if (sum.length === 1) least[sum[0]!] = floor[0] - CLEAR_SDS * floor[1]
    return least
  }
}
