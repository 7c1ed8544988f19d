import type { EarState } from './earStateRecord'

export type { EarState } from './earStateRecord'

/** Where a trial has no list of its own. */
export const USUAL_EAR_STATES: readonly EarState[] = [
  { name: 'clear', means: 'clear' },
  { name: 'first break-up', means: 'broken' },
  { name: 'lost', means: 'lost' },
  { name: 'back', means: 'clear' },
]

/** The states of a plan; those begun before trials had lists take the usual ones. */
export function earStatesOf(plan: { earStates?: readonly EarState[] }): readonly EarState[] {
  return plan.earStates && plan.earStates.length > 0 ? plan.earStates : USUAL_EAR_STATES
}
