import { filled } from '@/core/stats/numeric/filled'
import { normalCdf, normalPdf } from '@/core/stats/numeric/normal'
import { quickNormalCdf } from '@/core/stats/numeric/quickNormalCdf'
import type { ModelPriors, Spreads } from './priors'

/** Beyond its ends a strength is misread by at most so many reading errors. */
const MISREAD = 4
/** An open strength is looked at so far, dB. */
const OPEN_BELOW_DB = 30
const OPEN_ABOVE_DB = 40
/** The step between levels against the narrowest thing on them; the trapezoid rule then errs by some 1e-5. */
const STEP = 1.25
/** The narrowest spread from call to call that the step has to do with, dB: a coarse meter cannot tell a narrower one. */
const narrowDb = (errorDb: number) => 0.25 + 0.57 * errorDb
/** A spread narrower than this share of the step counts as so much. */
export const LEAST_OF_STEP = 0.55

/** Levels at which a strength is looked at, evenly apart, and the chance of the strength there. */
export interface StrengthNodes {
  from: number
  step: number
  n: number
  /** Chance of the strength at each, times the step. */
  weight: Float64Array
}

/**
 * The chance that a level is read as a strength in (lower, upper], at even levels about it.
 * @param errorDb standard deviation of reading, dB
 */
export function strengthNodes(lowerDb: number, upperDb: number, errorDb: number): StrengthNodes {
  const low = Number.isFinite(lowerDb) ? lowerDb - MISREAD * errorDb : upperDb - OPEN_BELOW_DB
  const high = Number.isFinite(upperDb) ? upperDb + MISREAD * errorDb : lowerDb + OPEN_ABOVE_DB
  const widest = STEP / Math.hypot(1 / errorDb, 1 / narrowDb(errorDb))
  const n = Math.ceil((high - low) / widest) + 1
  const step = (high - low) / (n - 1)
  const weight = filled(n, (i) => {
    const x = low + i * step
    const end = i === 0 || i === n - 1 ? 0.5 : 1
    return end * step * (normalCdf((upperDb - x) / errorDb) - normalCdf((lowerDb - x) / errorDb))
  })
  return { from: low, step, n, weight }
}

/**
 * What the list says at each level, times the strength's weight: the chance itself and its derivatives by the
 * cut below (a) and the cut above (b), first and second.
 */
export interface StepTable {
  value: Float64Array
  a: Float64Array
  b: Float64Array
  aa: Float64Array
  bb: Float64Array
}

export function emptyTable(n: number): StepTable {
  const row = () => new Float64Array(n)
  return { value: row(), a: row(), b: row(), aa: row(), bb: row() }
}

/**
 * Fills the table of a step with its cuts at given places.
 * @param below the cut under the step, dB @param above the cut over it, infinite at the list's last step
 * @param top the share that is no stray
 * @param derive false where the chance alone is wanted, in half the time
 */
export function fillStep(
  table: StepTable,
  { from, step, n, weight }: StrengthNodes,
  below: number,
  above: number,
  { cutDb }: Spreads,
  { stray }: ModelPriors,
  top: number,
  derive: boolean,
): void {
  const open = above === Infinity
  for (let i = 0; i < n; i++) {
    const x = from + i * step
    const w = weight[i]!
    const za = (below - x) / cutDb
    const zb = (above - x) / cutDb
    table.value[i] = w * (top * (quickNormalCdf(zb) - quickNormalCdf(za)) + stray)
    if (!derive) continue
    const fa = (w * top * normalPdf(za)) / cutDb
    const fb = open ? 0 : (w * top * normalPdf(zb)) / cutDb
    table.a[i] = -fa
    table.aa[i] = (fa * za) / cutDb
    table.b[i] = fb
    table.bb[i] = open ? 0 : (-fb * zb) / cutDb
  }
}

/** Fills the table of a strength alone: it was heard, so above the first cut. */
export function fillHeard(
  table: StepTable,
  { from, step, n, weight }: StrengthNodes,
  first: number,
  { cutDb }: Spreads,
): void {
  for (let i = 0; i < n; i++) {
    const w = weight[i]!
    const z = (from + i * step - first) / cutDb
    const f = (w * normalPdf(z)) / cutDb
    table.value[i] = w * normalCdf(z)
    table.a[i] = -f
    table.aa[i] = (-f * z) / cutDb
    table.b[i] = table.bb[i] = 0
  }
}
