'use client'

import { countText } from '@/core/units'
import { waitingForGrades, type RunLog } from '@/core/trial'
import { PadButton } from '../pad/PadButton'
import { keyRow, LARGE_KEY } from '../pad/keyStyles'

interface Props {
  trialId: string
  runId: string
  log: RunLog
  onFinish: () => void
  onUndo: () => void
  onMore: () => void
}

const LINK = { color: 'inherit', fontSize: '1.2rem', minHeight: 44, display: 'flex', alignItems: 'center' }

/** Nothing left to make: the end of the run in one tap, and where to go from here. */
export function FieldDone({ trialId, runId, log, onFinish, onUndo, onMore }: Props) {
  const words =
    log.state === 'voided'
      ? `This run is void: ${log.stateReason}`
      : log.state === 'finished'
        ? 'This run is finished.'
        : 'Every check is made or skipped.'
  const toGrade = waitingForGrades(log)
  return (
    <section style={{ flex: 1, display: 'flex', flexDirection: 'column', justifyContent: 'center', gap: 14 }}>
      <h1 style={{ margin: 0 }}>{words}</h1>
      {toGrade > 0 ? (
        <>
          <div style={{ fontSize: '1.2rem' }}>
            {countText(toGrade, 'check')} {toGrade === 1 ? 'waits' : 'wait'} for grading.
          </div>
          <a href={`/trials/${trialId}/field/grade?run=${runId}`} style={LINK}>
            Grade them
          </a>
        </>
      ) : (
        <a href={`/trials/${trialId}/findings?run=${runId}`} style={LINK}>
          Read the findings
        </a>
      )}
      {log.state === 'going' && (
        <PadButton strong onClick={onFinish} style={LARGE_KEY}>
          Finish this run
        </PadButton>
      )}
      <div style={keyRow(2)}>
        <PadButton onClick={onUndo}>Undo</PadButton>
        <PadButton onClick={onMore}>More</PadButton>
      </div>
    </section>
  )
}
