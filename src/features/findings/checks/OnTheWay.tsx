import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { walkWords, saidOfPairs, saidWords, whyFailed, whyFailedWords } from '@/core/findings'
import { clockOffsets, marksNow, type RunLog, type TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import { eventLines, type EventLine } from './eventWords'

/** A photo or a sound as the server holds it; it comes when the device is sent from. */
function Kept({ runId, media }: { runId: string; media: NonNullable<EventLine['media']> }) {
  const src = `/api/runs/${runId}/media/${media.id}`
  if (media.what === 'sound')
    return <audio controls preload="none" src={src} style={{ display: 'block', height: 36 }} />
  return (
    <a href={src} target="_blank" rel="noreferrer" style={{ display: 'block' }}>
      <img
        src={src}
        alt="Photo taken out there"

        style={{ maxHeight: 140, maxWidth: '100%' }}
      />
    </a>
  )
}

/** What else was logged: changes first in weight, then all in turn. */
export function OnTheWay({
  runId,
  plan,
  log,
  units,
}: {
  runId: string
  plan: TrialPlan
  log: RunLog
  units: Units
}) {
  const lines = eventLines(plan, log, units)
  const clocks = clockOffsets(log)
  if (lines.length === 0 && clocks.length === 0) return null
  const name = (id: string) => plan.links.find((l) => l.id === id)?.name ?? 'another rig'
  const marks = marksNow(plan, log)
  const mark = (id: string) => marks.find((m) => m.id === id)?.name ?? 'another mark'
  const leg = (id: string) => marks.find((m) => m.legId === id)?.legName ?? 'another leg'
  const told = [
    ...walkWords(plan, log, name, leg, units),
    ...saidOfPairs(log).map((s) => saidWords(s, name)),
    ...whyFailed(log).map((w) => whyFailedWords(w, name, mark)),
  ]
  return (
    <Box component="section" aria-label="What else was logged" sx={{ mt: 4 }}>
      {told.length > 0 && (
        <>
          <Typography variant="h3" component="h3">
            Heard on the way
          </Typography>
          <Box component="ul" sx={{ pl: 2.5, mt: 1, mb: 3, fontWeight: 700 }}>
            {told.map((t) => (
              <li key={t}>{t}</li>
            ))}
          </Box>
        </>
      )}
      <Typography variant="h3" component="h3">
        What else was logged
      </Typography>
      <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
        {clocks.map((o) => (
          <li key={o.device}>
            <b>
              The clock of {o.device} was {Math.abs(Math.round(o.offsetS / 60))} min{' '}
              {o.offsetS > 0 ? 'ahead of' : 'behind'} {o.against}’s
            </b>
            , by {o.pairs} shared checks. No finding counts on the time of day.
          </li>
        ))}
        {lines.map((l) => (
          <li key={l.id}>
            <span suppressHydrationWarning style={{ color: 'var(--soft)' }}>
              {new Date(l.time).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}
            </span>{' '}
            {l.grave ? <b>{l.words}</b> : l.words}
            {l.media && <Kept runId={runId} media={l.media} />}
          </li>
        ))}
      </Box>
    </Box>
  )
}
