'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useState, type ReactNode } from 'react'
import {
  marksNow,
  schedule,
  type EntryBody,
  type RunLog,
  type ScheduledCheck,
  type TrialPlan,
} from '@/core/trial'
import { distanceText, type Units } from '@/core/units'
import { LogList } from './LogList'
import { NewMarkForm } from './NewMarkForm'
import { SpacingForm } from './SpacingForm'

interface Props {
  trialId: string
  plan: TrialPlan
  log: RunLog
  now: ScheduledCheck | null
  units: Units
  remark: string
  onRemark: (text: string) => void
  onJump: (markId: string) => Promise<void>
  onSkip: () => Promise<void>
  onAdd: (body: EntryBody, supersedes?: string | null) => Promise<unknown>
  onClose: () => void
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" sx={{ borderTop: '1px solid var(--rule)', py: 2 }}>
      <Typography variant="h3" component="h2" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {children}
    </Box>
  )
}

/** All that is not needed for every check: jump, skip, new marks, spacing, the log, the end of the run. */
export function FieldMenu({
  trialId,
  plan,
  log,
  now,
  units,
  remark,
  onRemark,
  onJump,
  onSkip,
  onAdd,
  onClose,
}: Props) {
  const [reason, setReason] = useState('')
  const marks = marksNow(plan, log)
  const left = schedule(plan, log).filter((c) => c.state === 'to do')
  const here = now ? left.filter((c) => c.markId === now.markId) : []
  const close = (work: Promise<unknown>) => void work.then(onClose)
  return (
    <Dialog open fullScreen onClose={onClose} aria-labelledby="more-title">
      <Box sx={{ maxWidth: 640, width: '100%', mx: 'auto', p: 2 }}>
        <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
          <Typography id="more-title" variant="h2" component="h1" sx={{ flex: 1 }}>
            {plan.trialName}
          </Typography>
          <Button variant="contained" size="large" onClick={onClose}>
            Back to the log
          </Button>
        </Box>
        {now && (
          <Part title="A remark on this check">
            <TextField fullWidth label="Remark" value={remark} onChange={(e) => onRemark(e.target.value)} />
          </Part>
        )}
        <Part title="Go to a mark">
          <TextField
            select
            fullWidth
            label="Mark"
            value={now?.markId ?? ''}
            onChange={(e) => close(onJump(e.target.value))}
          >
            {marks.map((m) => (
              <MenuItem key={m.id} value={m.id}>
                {m.name}, {m.legName}, {distanceText(m.distanceM, units)}:{' '}
                {left.filter((c) => c.markId === m.id).length} to make
              </MenuItem>
            ))}
          </TextField>
        </Part>
        {now && (
          <Part title="Skip">
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
              <Button variant="outlined" size="large" onClick={() => close(onSkip())}>
                Skip this check
              </Button>
              <Button
                variant="outlined"
                size="large"
                onClick={() => close(onAdd({ kind: 'skip', keys: here, reason: 'mark left out' }))}
              >
                Skip the rest of {now.mark.name} ({here.length})
              </Button>
            </Box>
          </Part>
        )}
        <Part title="Add a mark that was not planned">
          <NewMarkForm
            plan={plan}
            units={units}
            before={now?.markId ?? null}
            onMark={(body) => close(onAdd(body).then(() => onJump(body.mark.id)))}
          />
        </Part>
        <Part title="Change the spacing of what is left">
          <SpacingForm
            plan={plan}
            log={log}
            units={units}
            legId={now?.mark.legId ?? null}
            onSpacing={(body) => close(onAdd(body))}
          />
        </Part>
        <Part title="The log">
          <LogList plan={plan} log={log} onVoid={(id, why) => onAdd({ kind: 'void', reason: why }, id)} />
        </Part>
        <Part title="The end of the run">
          {log.state === 'going' ? (
            <Box sx={{ display: 'grid', gap: 1.5 }}>
              <Button
                variant="outlined"
                size="large"
                onClick={() => close(onAdd({ kind: 'run', state: 'finished', reason: '' }))}
              >
                Finish this run{left.length > 0 ? ` with ${left.length} checks not made` : ''}
              </Button>
              <Box sx={{ display: 'flex', gap: 1 }}>
                <TextField
                  fullWidth
                  label="Why this run does not count"
                  value={reason}
                  onChange={(e) => setReason(e.target.value)}
                />
                <Button
                  variant="outlined"
                  color="error"
                  disabled={reason.trim() === ''}
                  onClick={() => close(onAdd({ kind: 'run', state: 'voided', reason: reason.trim() }))}
                >
                  Void this run
                </Button>
              </Box>
            </Box>
          ) : (
            <Button
              variant="outlined"
              onClick={() => close(onAdd({ kind: 'run', state: 'reopened', reason: '' }))}
            >
              Take this run up again
            </Button>
          )}
        </Part>
        <Link href={`/trials/${trialId}/field`}>Leave the field screen</Link>
      </Box>
    </Dialog>
  )
}
