import { once } from '@/core/onceEach'
import {
  lnSplitNormal,
  splitNormalCdf,
  splitNormalQuantile,
  type SplitNormal,
} from '@/core/stats/numeric/splitNormal'
import type { Field } from './field'
import { givenShared } from './givenShared'
import type { FieldPoint } from './points'

/**
 * How far along each axis the posterior is looked at, standard deviations of the normal about the mode; of a long log,
 * where a look takes longer and less is left open, once.
 */
const LOOKED_AT = [1, 2, 4]
const LOOKED_AT_OF_LONG = [2.5]
/** No side is taken to be narrower or wider than so many times the normal. */
const NARROWEST = 0.7
const WIDEST = 1.6
/** The quantile of one is nowhere. */
const ALMOST_ONE = 1 - 1e-12

/**
 * How much wider than the normal about the mode the posterior is along each axis, to either side.
 * @param about the likeliest point of the spreads, the field's factor being that of its mode
 * @param lent axes that a fit of nearly the same has looked along, by where they stand here; along the others it is
 * looked
 */
export function axesAbout(
  field: Field,
  about: FieldPoint,
  lent: ReadonlyMap<number, SplitNormal> = new Map(),
): SplitNormal[] {
  const least = field.floors.least()
  const top = once(() => givenShared(field, about.spreads, about.mode.x.slice()) ?? Infinity)
  const stretch = (axis: number, side: -1 | 1) => stretchOf(field, about, top(), least, axis, side)
  return Array.from(
    { length: field.layout.size },
    (_, i) => lent.get(i) ?? { below: stretch(i, -1), above: stretch(i, 1) },
  )
}

/** How much wider it is along an axis, to one side. @param top ln of it at the mode @param least each can be */
function stretchOf(
  field: Field,
  { spreads, mode }: FieldPoint,
  top: number,
  least: Float64Array,
  axis: number,
  side: -1 | 1,
): number {
  const { factor, at } = field
  const off = new Float64Array(field.size)
  let widest = NARROWEST
  for (const far of field.isLong ? LOOKED_AT_OF_LONG : LOOKED_AT) {
    off.fill(0)
    for (let i = axis; i >= 0; i--) {
      const [mean, sd] = factor.sharedGiven(i, off)
      off[at + i] = i === axis ? side * far * sd : mean
    }
    if (mode.x[at + axis]! + off[at + axis]! < least[axis]!) break
    factor.solveUpperPlaces(off)
    const evidence = givenShared(
      field,
      spreads,
      mode.x.map((v, j) => v + off[j]!),
    )
    if (evidence === null) continue
    widest = Math.max(widest, far / Math.sqrt(2 * Math.max(top - evidence, 1e-6)))
  }
  return Math.min(WIDEST, widest)
}

/**
 * What draws of the shared unknowns are proposed from: the normal about the mode, each of its axes stretched to either
 * side as far as the posterior is found to be wider there (split normal: Geweke 1989, Econometrica 57, 1317). The place
 * of the first cut is known from one side only where all was heard.
 */
export class SharedProposal {
  /** The least that each can be. */
  private readonly least: Float64Array

  constructor(
    private readonly field: Field,
    private readonly axes: readonly SplitNormal[],
  ) {
    this.least = field.floors.least()
  }

  /**
   * Draws what is shared about the mode whose factor the field holds, the last first.
   * @param x the mode @param chance of less than each, from 0 to 1 @param opposite of more than each instead
   * @param off filled with how far off the mode, all else nought
   * @returns ln of the density it was drawn from, up to what is the same for all about that mode
   */
  draw(x: Float64Array, chance: Float64Array, opposite: boolean, off: Float64Array): number {
    const { factor, at } = this.field
    let ln = 0
    off.fill(0)
    for (let i = this.axes.length - 1; i >= 0; i--) {
      const axis = this.axes[i]!
      const [mean, sd] = factor.sharedGiven(i, off)
      const under = splitNormalCdf(axis, (this.least[i]! - x[at + i]! - mean) / sd)
      const p = under + (1 - under) * (opposite ? 1 - chance[i]! : chance[i]!)
      const z = splitNormalQuantile(axis, Math.min(ALMOST_ONE, p))
      off[at + i] = mean + sd * z
      ln += lnSplitNormal(axis, z) - Math.log1p(-under)
    }
    return ln
  }
}
