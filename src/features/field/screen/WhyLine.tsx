'use client'

import { useMemo } from 'react'
import { surprisingSilence, type RunLog, type TrialPlan } from '@/core/trial'
import { checkName } from '../actions/checkName'
import type { Expected } from '../hints/useExpected'
import { PadButton } from '../pad/PadButton'

interface Props {
  plan: TrialPlan
  log: RunLog
  expected: Expected['before']
  onWhy: () => void
}

/** Offers to look into a check that was silent where nobody would have thought so; nothing while none was. */
export function WhyLine({ plan, log, expected, onWhy }: Props) {
  const found = useMemo(() => surprisingSilence(plan, log, expected), [plan, log, expected])
  if (!found) return null
  return (
    <div style={{ display: 'flex', gap: 8, alignItems: 'center', fontSize: '0.95rem' }}>
      <span style={{ flex: 1 }}>
        {checkName(plan, log, found.check)}: not heard, {found.because}.
      </span>
      <PadButton onClick={onWhy} style={{ fontSize: '1rem', padding: '2px 14px' }}>
        Why?
      </PadButton>
    </div>
  )
}
