import type { RunLog, ScheduledCheck, TrialPlan } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'

interface Props {
  plan: TrialPlan
  log: RunLog
  now: ScheduledCheck
  open: readonly ScheduledCheck[]
  units: Units
}

const SHOWN = 3

/** The next few checks after this one, and the next mark. */
export function NextLine({ plan, log, now, open, units }: Props) {
  const at = open.indexOf(now)
  const rest = [...open.slice(at + 1), ...open.slice(0, Math.max(0, at))]
  const next = [
    ...rest.filter((c) => c.markId === now.markId),
    ...rest.filter((c) => c.markId !== now.markId),
  ]
  if (next.length === 0) return null
  const letter = (id: string) => log.blind?.[id] ?? plan.links.find((l) => l.id === id)?.letter ?? '?'
  return (
    <div style={{ fontSize: '0.95rem', display: 'flex', flexWrap: 'wrap', columnGap: 14 }}>
      <span>Then</span>
      {next.slice(0, SHOWN).map((c, i) => (
        <span key={i}>
          <b>{letter(c.linkId)}</b> {c.direction}
          {c.markId !== now.markId && (
            <>
              {' '}
              at <b>{c.mark.name}</b>, {distanceText(c.mark.distanceM, units)}
            </>
          )}
        </span>
      ))}
    </div>
  )
}
