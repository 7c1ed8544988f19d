import { posteriorOf } from '@/core/model/answers'
import { stepDraws } from '@/core/model/fall'
import { unitOf, type JointFit } from '../joint/jointFit'

/** Everything beyond a distance is weaker, as behind a ridge; the reach has it in it, and holds on this way only. */
export interface StepSeen {
  kind: 'step'
  beyondM: number
  /** By how much; null where the log has no measure for it. */
  loss: { unit: 'dB' | 'steps'; estimate: number; low: number; high: number } | null
}

export function stepSeen(joint: JointFit): StepSeen[] {
  const { input, fit } = joint
  const draws = stepDraws(fit)
  if (!draws || !input.model.step) return []
  const { nearM, farM } = input.model.step
  const { unit, size } = unitOf(joint, [...fit.data.input.listeners.keys()])
  const { q05, q50, q95 } = posteriorOf(fit, draws)
  return [
    {
      kind: 'step',
      beyondM: Math.sqrt(nearM * farM),
      loss: unit === 'none' ? null : { unit, estimate: q50 / size, low: q05 / size, high: q95 / size },
    },
  ]
}
