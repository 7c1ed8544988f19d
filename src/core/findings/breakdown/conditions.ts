import { CONDITIONS, type ConditionFactor } from '@/core/trial/conditions'
import type { LoggedEvent } from '@/core/trial/foldEntries'
import type { ReadCheck } from '../input'

/** An event, and the run it was logged in. */
export interface RunEvent extends LoggedEvent {
  runId?: string
}

/** A factor of the conditions, and the group of a check under it; null where nothing was written down by then. */
export interface ConditionGrouping {
  what: ConditionFactor
  groupOf: (check: Pick<ReadCheck, 'runId' | 'time'>) => string | null
}

interface Written {
  runId: string | undefined
  /** As sorted text; empty for what holds from the run's beginning. */
  from: string
  value: string
}

/**
 * What was written down of the conditions, as factors: what was said at the start holds from a run's
 * beginning, a change from its time on. What was said at the end is of no check: when it came to be so nobody knows.
 * @param events of all runs, in the order of their making
 */
export function conditionGroupings(events: readonly RunEvent[]): ConditionGrouping[] {
  return CONDITIONS.flatMap(({ key, factor }): ConditionGrouping[] => {
    const written = events.flatMap(({ body, runId, time }): Written[] => {
      if (body.kind !== 'conditions' || body.when === 'end') return []
      const value = (body.values[key] ?? '').trim().replace(/\s+/g, ' ').toLowerCase()
      return value === '' ? [] : [{ runId, from: body.when === 'start' ? '' : time, value }]
    })
    if (new Set(written.map((w) => w.value)).size < 2) return []
    return [
      {
        what: factor,
        groupOf: ({ runId, time }) =>
          written.findLast((w) => w.runId === runId && w.from <= time)?.value ?? null,
      },
    ]
  })
}
