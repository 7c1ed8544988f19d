'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { marksNow, type LoggedCheck, type RunLog, type TrialPlan } from '@/core/trial'

interface Props {
  plan: TrialPlan
  log: RunLog
  onVoid: (id: string, reason: string) => Promise<unknown>
  /** Asks for it once more, and goes there. */
  onRepeat: (check: LoggedCheck) => void
  onEdit: (check: LoggedCheck, text: string, also: string | undefined) => Promise<unknown>
}

/** Every logged check, newest first; a void one stays listed, struck through, with its reason. */
export function LogList({ plan, log, onVoid, onRepeat, onEdit }: Props) {
  const [edited, setEdited] = useState<{ id: string; text: string; also: string } | null>(null)
  const [asked, setAsked] = useState<string | null>(null)
  const [reason, setReason] = useState('')
  const marks = marksNow(plan, log)
  const name = (id: string) => plan.links.find((l) => l.id === id)?.name ?? 'another link'
  const mark = (id: string) => [...marks, ...plan.marks].find((m) => m.id === id)?.name ?? 'another mark'
  if (log.checks.length === 0) return <Box sx={{ color: 'var(--soft)' }}>Nothing is logged yet.</Box>
  return (
    <Box component="ol" reversed sx={{ m: 0, pl: 4 }}>
      {[...log.checks].reverse().map((c) => (
        <Box component="li" key={c.id} sx={{ py: 0.5 }}>
          <span style={{ textDecoration: c.voided ? 'line-through' : 'none' }}>
            {mark(c.markId)}, {name(c.linkId)}, {c.direction}:{' '}
            <b>{c.also === undefined ? c.text : `${c.text}, ${c.also}`}</b>
            {c.versions > 1 && !c.voided && ' (corrected)'}
            {c.calls > 1 && `, ${c.calls} calls`}
            {c.remark && ` · ${c.remark}`}
          </span>
          {c.voided ? (
            <span> void: {c.voided.reason}</span>
          ) : (
            <>
              <Button
                size="small"
                onClick={() => setEdited({ id: c.id, text: c.text, also: c.also ?? '' })}
                aria-label={`Edit ${mark(c.markId)} ${name(c.linkId)} ${c.direction}`}
              >
                Edit
              </Button>
              <Button
                size="small"
                onClick={() => onRepeat(c)}
                aria-label={`Ask again ${mark(c.markId)} ${name(c.linkId)} ${c.direction}`}
              >
                Once more
              </Button>
              <Button
                size="small"
                onClick={() => setAsked(c.id)}
                aria-label={`Void ${mark(c.markId)} ${name(c.linkId)} ${c.direction}`}
              >
                Void
              </Button>
            </>
          )}
          {edited?.id === c.id && !c.voided && (
            <Box sx={{ display: 'flex', gap: 1, my: 1 }}>
              <TextField
                autoFocus
                fullWidth
                label="The report"
                value={edited.text}
                onChange={(e) => setEdited({ ...edited, text: e.target.value })}
              />
              {plan.also && (
                <TextField
                  fullWidth
                  label={plan.also.second}
                  value={edited.also}
                  onChange={(e) => setEdited({ ...edited, also: e.target.value })}
                />
              )}
              <Button
                variant="contained"
                disabled={
                  edited.text.trim() === '' ||
                  (edited.text.trim() === c.text && edited.also.trim() === (c.also ?? ''))
                }
                onClick={() =>
                  void onEdit(c, edited.text.trim(), edited.also.trim() || undefined).then(() =>
                    setEdited(null),
                  )
                }
              >
                Correct it
              </Button>
            </Box>
          )}
          {asked === c.id && !c.voided && (
            <Box sx={{ display: 'flex', gap: 1, my: 1 }}>
              <TextField
                autoFocus
                fullWidth
                label="Why it does not count"
                value={reason}
                onChange={(e) => setReason(e.target.value)}
              />
              <Button
                variant="contained"
                disabled={reason.trim() === ''}
                onClick={() =>
                  void onVoid(c.id, reason.trim()).then(() => {
                    setAsked(null)
                    setReason('')
                  })
                }
              >
                Void it
              </Button>
            </Box>
          )}
        </Box>
      ))}
    </Box>
  )
}
