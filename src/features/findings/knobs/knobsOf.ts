import type { Listener } from '@/core/kit'
import type { Scale } from '@/core/reports'
import { heardScales, type RunLog } from '@/core/trial'
import type { AskedFindings } from '../frame/openFindings'
import type { Settings } from '../frame/ruleParams'

interface ShownRun {
  id: string
  name: string
  state: RunLog['state']
  checks: number
}

export interface KnobsProps {
  trialId: string
  runId: string
  runs: ShownRun[]
  scales: Partial<Record<Listener, Scale>>
  settings: Settings
}

/** What the knobs need of what an address asks for; never the log itself. */
export function knobsOf({ open, runs, shown, settings, plan }: AskedFindings): KnobsProps {
  return {
    trialId: open.trial.id,
    runId: shown.row.id,
    runs: runs.map((r) => ({
      id: r.row.id,
      name: r.row.name,
      state: r.log.state,
      checks: r.log.checks.length,
    })),
    scales: heardScales(plan),
    settings,
  }
}
