import type { Mode } from './mode'
import type { Modes } from './modes'
import { spreadCount, spreadsAt, type ModelPriors, type Spreads } from './priors'
import type { ModelInput } from './reports'

/** How many spreads a run has. */
export const spreadsOf = (input: ModelInput) =>
  spreadCount(input.listeners.some((l) => l.stretchedBelowDb !== undefined))

/**
 * ln of the chance of a field’s reports at a point of the spreads, the point’s own in it, and what it comes from.
 * @returns null where no mode is found
 */
export function densityAt(
  modes: Modes,
  priors: ModelPriors,
  theta: Float64Array,
): { ln: number; of: { spreads: Spreads; mode: Mode } } | null {
  const spreads = spreadsAt(theta, priors)
  const mode = modes.at(theta, spreads)
  if (!mode) return null
  return { ln: mode.evidence - 0.5 * theta.reduce((s, v) => s + v * v, 0), of: { spreads, mode } }
}
