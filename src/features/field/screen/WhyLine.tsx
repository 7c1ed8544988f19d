'use client'

import { useMemo } from 'react'
import { surprisingSilence, type RunLog } from '@/core/trial'
import { checkName } from '../actions/checkName'
import { expectedChance } from '../hints/expected'
import type { RunPack } from '../log/runPack'
import { PadButton } from '../pad/PadButton'

interface Props {
  pack: RunPack
  log: RunLog
  onWhy: () => void
}

/** Offers to look into a check that was silent where nobody would have thought so; nothing while none was. */
export function WhyLine({ pack, log, onWhy }: Props) {
  const found = useMemo(
    () => surprisingSilence(pack.plan, log, (linkId, markId) => expectedChance(pack, linkId, markId)),
    [pack, log],
  )
  if (!found) return null
  return (
    <div style={{ display: 'flex', gap: 8, alignItems: 'center', fontSize: '0.95rem' }}>
      <span style={{ flex: 1 }}>
        {checkName(pack.plan, log, found.check)}: not heard, {found.because}.
      </span>
      <PadButton onClick={onWhy} style={{ fontSize: '1rem', padding: '2px 14px' }}>
        Why?
      </PadButton>
    </div>
  )
}
