'use client'

import { useMemo } from 'react'
import { silentLinks, type RunLog, type ScheduledCheck, type TrialPlan } from '@/core/trial'
import { andList } from '@/core/units'
import type { FieldActions } from '../actions/useFieldActions'
import { PadButton } from '../pad/PadButton'

interface Props {
  plan: TrialPlan
  log: RunLog
  now: ScheduledCheck
  actions: FieldActions
}

/** Offers to leave out farther on what was silent twice; nothing while nothing is. */
export function LostLine({ plan, log, now, actions }: Props) {
  // Blind, the listener would learn which letter it is.
  const { legId } = now.mark
  const [silent] = useMemo(() => (log.blind ? [] : silentLinks(plan, log, legId)), [plan, log, legId])
  const link = silent && plan.links.find((l) => l.id === silent.linkId)
  if (!silent || !link) return null
  const where = andList(silent.marks.map((m) => m.name))
  return (
    <div style={{ display: 'flex', gap: 8, alignItems: 'center', fontSize: '0.95rem' }}>
      <span style={{ flex: 1 }}>
        {link.name} was silent at {where}.
      </span>
      <PadButton
        onClick={() =>
          void actions.addEvent(
            { kind: 'skip', keys: silent.farther, reason: `lost by ${silent.marks.at(-1)!.name}` },
            `${link.name} is left out farther on`,
          )
        }
        style={{ fontSize: '0.95rem', padding: '2px 10px' }}
      >
        Leave it out
        <br />
        farther on
      </PadButton>
    </div>
  )
}
