import { USUAL_EVENING } from '@/core/findings'
import type { Settings } from './ruleParams'

/** What goes into the findings, in a line; what is as usual is said shortly. */
export function choicesText(settings: Settings, runs: readonly { id: string }[], runId: string): string {
  const { evening, leftOut, unitStepDb } = settings.choices
  const more = settings.withRuns.filter((id) => id !== runId && runs.some((r) => r.id === id)).length
  const parts = [
    more === 0 ? 'this run' : `this run and ${more} more`,
    evening.join() === USUAL_EVENING.join()
      ? 'all that is known evened, height left in'
      : evening.length === 0
        ? 'nothing evened'
        : `${evening.join(', ')} evened`,
    unitStepDb === null
      ? 'meters as declared'
      : unitStepDb === 'unknown'
        ? 'S-units of 3 to 6 dB'
        : `S-units of ${unitStepDb} dB`,
    leftOut.length === 0 ? 'nothing left out' : `${leftOut.length} left out`,
  ]
  return `${parts.join('; ')}.`
}
