import { posteriorOf } from '@/core/model/answers'
import { stepDraws } from '@/core/model/fall'
import type { JointFit } from '../joint/jointFit'

/** Everything beyond a distance is weaker, as behind a ridge; the reach has it in it, and holds on this way only. */
export interface StepSeen {
  kind: 'step'
  beyondM: number
  db: number
  low: number
  high: number
}

export function stepSeen({ input, fit }: JointFit): StepSeen[] {
  const draws = stepDraws(fit)
  if (!draws || !input.model.step) return []
  const { q05: low, q50: db, q95: high } = posteriorOf(fit, draws)
  const { nearM, farM } = input.model.step
  return [{ kind: 'step', beyondM: Math.sqrt(nearM * farM), db, low, high }]
}
