import { inputOf, slopeOfRun } from '@/core/findings'
import type { MeasuredSlope } from '@/core/reach'
import { marksNow } from '@/core/trial'
import { listRuns, logOf, type Db } from '@/data'

/** The slope measured by a trial's newest run that is not void; null where there is none that can tell. */
export function slopeOfTrial(db: Db, trialId: string): MeasuredSlope | null {
  for (const run of listRuns(db, trialId)) {
    const log = logOf(db, run.id)
    if (log.state === 'voided' || log.checks.length === 0) continue
    return slopeOfRun(inputOf(run.plan, marksNow(run.plan, log), log.checks, true))
  }
  return null
}
