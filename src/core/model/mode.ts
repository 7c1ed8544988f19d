import type { Arrow } from './arrow'
import type { Field } from './field'
import type { Spreads } from './priors'

/** The field at its most likely, given the spreads, and the posterior about it. */
export interface Mode {
  x: Float64Array
  /** Laplace's: ln of the chance of the reports and the spreads, up to a constant. */
  evidence: number
  steps: number
}

/**
 * Newton's method ends with a step that adds less than half of this; what it adds is known to the third order, and the
 * less at each mark the more exactly, so that it may be more in all where there are many.
 */
const CLOSE = 0.02
const MARKS = 200
export const closeEnough = ({ data }: Field) => CLOSE * Math.max(1, data.marks.length / MARKS)
const MAX_STEPS = 60
const MAX_HALVINGS = 12
const FIRST_RIDGE = 0.01
const MAX_RIDGE = 1e6

/**
 * Newton's method from a start. Where the curvature is not positive definite a ridge is added; where a step would
 * lower the posterior it is halved.
 * @returns null where no mode is found in {@link MAX_STEPS}
 */
export function modeOf(field: Field, spreads: Spreads, start: Float64Array): Mode | null {
  const close = closeEnough(field)
  const x = Float64Array.from(start)
  const step = new Float64Array(x.length)
  const tried = new Float64Array(x.length)
  let height = field.derive(x, spreads)
  for (let steps = 1; steps <= MAX_STEPS; steps++) {
    const made = factorised(field.curve, field.factor)
    if (!made) return null
    const { factor } = field
    const { lnDet, ridge } = made
    step.set(field.gradient)
    factor.solveLower(step)
    let gain = 0
    for (const v of step) gain += v * v
    factor.solveUpper(step)
    if (gain < close && ridge === 0 && !field.floors.stirredBy(x, step, field.at)) {
      for (let i = 0; i < x.length; i++) x[i]! += step[i]!
      return { x, evidence: height + gain / 2 - 0.5 * lnDet, steps }
    }
    let share = field.floors.allowed(x, step, field.at)
    let found = -Infinity
    let halvings = 0
    for (; halvings <= MAX_HALVINGS; halvings++, share /= 2) {
      for (let i = 0; i < x.length; i++) tried[i] = x[i]! + share * step[i]!
      found = halvings === 0 ? field.derive(tried, spreads) : field.value(tried, spreads)
      if (found >= height - 1e-9) break
    }
    if (!(found >= height - 1e-9)) return null
    x.set(tried)
    height = halvings === 0 ? found : field.derive(x, spreads)
  }
  return null
}

/**
 * The Cholesky factor of the curvature at a mode, a ridge added where it is not definite. It is the field's own; the
 * next mode takes it away.
 */
export function factorAt(
  field: Field,
  { x }: Mode,
  spreads: Spreads,
): { factor: Arrow; lnDet: number } | null {
  field.derive(x, spreads)
  const made = factorised(field.curve, field.factor)
  return made && { factor: field.factor, lnDet: made.lnDet }
}

/** Factorises a curvature. @returns null where no ridge makes it definite */
export function factorised(curve: Arrow, factor: Arrow): { lnDet: number; ridge: number } | null {
  for (let ridge = 0; ridge <= MAX_RIDGE; ridge = Math.max(FIRST_RIDGE, 10 * ridge)) {
    factor.copyFrom(curve)
    if (ridge > 0) factor.addRidge(ridge)
    const lnDet = factor.factorise()
    if (lnDet !== null) return { lnDet, ridge }
  }
  return null
}
