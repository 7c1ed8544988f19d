'use client'

import type { FieldForecast } from '@/core/findings/forecast'
import { tellsMost } from '@/core/findings/tellsMost'
import { keyText, type CheckKey, type RunLog, type ScheduledCheck, type TrialPlan } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'
import { PadButton } from '../pad/PadButton'

interface Props {
  plan: TrialPlan
  log: RunLog
  now: ScheduledCheck
  open: readonly ScheduledCheck[]
  forecast: FieldForecast
  units: Units
  onTake: (key: CheckKey) => void
}

/** Offers the check that would tell much more a minute than the one whose turn it is; nothing while none would. */
export function TellsMostLine({ plan, log, now, open, forecast, units, onTake }: Props) {
  const best = tellsMost(forecast, now)
  const check = best && open.find((c) => keyText(c) === keyText(best))
  if (!check) return null
  const letter = log.blind?.[check.linkId] ?? plan.links.find((l) => l.id === check.linkId)?.letter ?? '?'
  return (
    <div style={{ display: 'flex', gap: 8, alignItems: 'center', fontSize: '0.95rem' }}>
      <span style={{ flex: 1 }}>
        Would tell more: <b>{letter}</b> {check.direction}
        {check.markId !== now.markId && (
          <>
            {' '}
            at <b>{check.mark.name}</b>, {distanceText(check.mark.distanceM, units)}
          </>
        )}
      </span>
      <PadButton onClick={() => onTake(check)} style={{ fontSize: '0.95rem', padding: '2px 10px' }}>
        Take it next
      </PadButton>
    </div>
  )
}
