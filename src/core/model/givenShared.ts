import type { Field } from './field'
import { closeEnough, factorised } from './mode'
import type { Spreads } from './priors'

const MAX_STEPS = 6
const MAX_HALVINGS = 6

/**
 * Moves what links have of their own and the ground to where they are likeliest, what is shared staying as it is; the
 * field's {@link Field.placesFactor} is then the factor of their curvature.
 * @param x changed in place
 * @returns Laplace's ln of the chance of the reports and of what is shared; null where none is found
 */
export function givenShared(field: Field, spreads: Spreads, x: Float64Array): number | null {
  const { placesCurve, placesFactor, at } = field
  const close = closeEnough(field)
  const step = new Float64Array(at)
  let height = field.derivePlaces(x, spreads)
  for (let steps = 1; steps <= MAX_STEPS; steps++) {
    const made = factorised(placesCurve, placesFactor)
    if (!made) return null
    step.set(field.gradient.subarray(0, at))
    placesFactor.solveLower(step)
    let gain = 0
    for (const v of step) gain += v * v
    placesFactor.solveUpper(step)
    move(x, step, 1)
    if (gain < close && made.ridge === 0) return height + gain / 2 - 0.5 * made.lnDet
    let found = field.derivePlaces(x, spreads, true)
    let share = 1
    for (let halvings = 0; !(found >= height - 1e-9); halvings++) {
      if (halvings === MAX_HALVINGS) return null
      share /= 2
      move(x, step, -share)
      found = field.derivePlaces(x, spreads, true)
    }
    height = found
  }
  return null
}

function move(x: Float64Array, step: Float64Array, by: number): void {
  for (let i = 0; i < step.length; i++) x[i]! += by * step[i]!
}
