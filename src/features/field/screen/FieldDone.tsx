'use client'

import type { RunLog } from '@/core/trial'
import { PadButton } from '../pad/PadButton'

/** Nothing left to make: where to go from here. */
export function FieldDone({
  trialId,
  log,
  onUndo,
  onMore,
}: {
  trialId: string
  log: RunLog
  onUndo: () => void
  onMore: () => void
}) {
  const words =
    log.state === 'voided'
      ? `This run is void: ${log.stateReason}`
      : log.state === 'finished'
        ? 'This run is finished.'
        : 'Every check is made or skipped.'
  return (
    <section style={{ flex: 1, display: 'flex', flexDirection: 'column', justifyContent: 'center', gap: 14 }}>
      <h1 style={{ margin: 0 }}>{words}</h1>
      <a href={`/trials/${trialId}/findings`} style={{ color: 'inherit', fontSize: '1.2rem' }}>
        Read the findings
      </a>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 4 }}>
        <PadButton onClick={onUndo}>Undo</PadButton>
        <PadButton onClick={onMore}>More</PadButton>
      </div>
    </section>
  )
}
