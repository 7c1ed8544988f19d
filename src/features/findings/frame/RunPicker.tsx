'use client'

import { usePathname, useRouter } from 'next/navigation'
import { useTransition } from 'react'
import type { RunLog } from '@/core/trial'
import { PickOne } from '@/ui/fields/PickOne'

interface Props {
  runId: string
  /** Those that hold something. */
  runs: { id: string; name: string; state: RunLog['state'] }[]
}

/** What stands behind the name of a run in the list. */
const RUN_STATES = { finished: '', voided: ' (void)', going: ' (going on)' }

/** Which run is looked at; another one opens at the same place, under the plan's own knobs. */
export function RunPicker({ runId, runs }: Props) {
  const router = useRouter()
  const path = usePathname()
  const [changing, start] = useTransition()
  return (
    <PickOne
      label="Run"
      size="small"
      value={runId}
      options={runs.map((r) => ({ value: r.id, name: `${r.name}${RUN_STATES[r.state]}` }))}
      onPick={(id) => start(() => router.replace(`${path}?run=${id}`))}
      sx={{ minWidth: 200, mt: { xs: 1.5, md: 0 }, mb: 1, opacity: changing ? 0.6 : 1 }}
    />
  )
}
