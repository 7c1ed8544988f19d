'use client'

import { whileOut, whileOutWords } from '@/core/findings/compare/whileOut'
import type { RunLog, TrialPlan } from '@/core/trial'

/** What is told already, while still out there; nothing while nothing is. */
export function AnsweredLine({ plan, log }: { plan: TrialPlan; log: RunLog }) {
  const name = (id: string) => plan.links.find((l) => l.id === id)?.name ?? id
  // A blind listener must not learn from the answer which letter is which.
  const words = log.blind ? null : whileOutWords(whileOut(plan, log), name)
  if (words === null) return null
  return (
    <div
      role="note"
      style={{
        padding: '2px 8px',
        borderLeft: '8px solid var(--f-now)',
        fontSize: '0.95rem',
        fontWeight: 700,
      }}
    >
      {words}
    </div>
  )
}
