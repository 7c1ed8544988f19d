'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import { useRouter } from 'next/navigation'
import { useState, type ReactNode } from 'react'
import { MAX_LETTERS } from '@/core/schema/limits'
import { OnceKnown, type Soon } from '@/ui/answers/OnceKnown'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { countText, dayAndTime, type Units, weekdayText } from '@/core/units'
import { Empty, PageHead } from '@/ui/shell'
import { ReachStrip, type StripModel } from '@/ui/strip'
import { beginRun } from './actions'
import { DescribeRig } from './DescribeRig'
import { RunFileForm } from './RunFileForm'
import { TakeAlong } from './TakeAlong'

export interface RunLine {
  id: string
  name: string
  startedAt: string
  state: 'going' | 'finished' | 'voided'
  reason: string
  logged: number
  total: number
  /** Edges walked and changes by ear. */
  noted: number
  note: string
  /** Sent checks, and changes marked without looking, that were not graded yet or have been from a recording. */
  toGrade: number
  /** Rigs that were added out there and are not described yet. */
  toDescribe: { linkId: string; name: string }[]
}

const STATES = { going: 'going on', finished: 'finished', voided: 'void' }

/** What a run is called where nobody says: its day and part of the day, here. */
function usualName(now: Date): string {
  const hour = now.getHours()
  const part = hour < 12 ? 'morning' : hour < 18 ? 'afternoon' : 'evening'
  return `${weekdayText(now)}, ${part}`
}

function NewRun({ trialId, fixable }: { trialId: string; fixable: boolean }) {
  const router = useRouter()
  const action = useAction()
  const [name, setName] = useState('')
  const [note, setNote] = useState('')
  const [fixed, setFixed] = useState(true)
  useUnsaved((name !== '' || note !== '') && !action.busy)
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        void action.run(
          () =>
            beginRun(trialId, {
              name: name.trim() || usualName(new Date()),
              note,
              fixedBeforehand: fixable && fixed,
            }),
          (runId) => router.push(`/field?run=${runId}`),
        )
      }}
      sx={{ display: 'grid', gap: 1.5, maxWidth: 560 }}
    >
      <TextField
        label="Name of the run"
        placeholder="Its day, if you leave this empty"
        value={name}
        onChange={(e) => setName(e.target.value)}
        slotProps={{ htmlInput: { maxLength: MAX_LETTERS.runName } }}
      />
      <TextField
        label="Conditions"
        placeholder="Weather, who is where, anything that changed"
        value={note}
        onChange={(e) => setNote(e.target.value)}
        slotProps={{ htmlInput: { maxLength: MAX_LETTERS.shortNote } }}
      />
      {fixable && (
        <FormControlLabel
          control={<Checkbox checked={fixed} onChange={(e) => setFixed(e.target.checked)} />}
          label="The number of marks is fixed: we go to all of them, whatever the first ones say"
        />
      )}
      {action.refusal('The run was not begun', 'Run')}
      <Box>
        <Button type="submit" variant="contained" disabled={action.busy}>
          Begin the run
        </Button>
      </Box>
    </Box>
  )
}

interface Props {
  trialId: string
  runs: RunLine[]
  /** What a run still wants; null where it can begin. */
  missing: string | null
  /** The number of marks, or of rounds, can be fixed before setting out. */
  fixable: boolean
  /** The progress of the run that counts; its ground is by itself until it is corrected by what was logged. */
  strip: Soon<StripModel> | null
  rigs: { id: string; letter: string; name: string }[]
  units: Units
  /** Who is out with them. */
  out: ReactNode
}

/** The field step: runs of this trial, the progress of the one that counts, and a new one. */
export function RunList({ trialId, runs, missing, fixable, strip, rigs, units, out }: Props) {
  return (
    <>
      <PageHead
        title="Field"
        lead="One run is one outing that carries out the plan. A run that does not count is voided with a reason, and stays in the record."
      />
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mb: 3 }}>
        {runs.map((r) => (
          <Box
            component="li"
            key={r.id}
            sx={{
              display: 'flex',
              flexWrap: 'wrap',
              gap: 2,
              alignItems: 'center',
              borderTop: '1px solid var(--rule)',
              py: 1.5,
            }}
          >
            <Box sx={{ flex: '1 1 260px' }}>
              <Typography
                component="h2"
                variant="h3"
                sx={{ textDecoration: r.state === 'voided' ? 'line-through' : 'none' }}
              >
                {r.name}
              </Typography>
              <span suppressHydrationWarning style={{ color: 'var(--soft)' }}>
                {dayAndTime(new Date(r.startedAt))}
                {r.note && ` · ${r.note}`}
              </span>
              {r.reason && <div>{r.state === 'voided' ? `Void: ${r.reason}` : r.reason}</div>}
            </Box>
            <Box sx={{ minWidth: 170 }}>
              <b>
                {r.total > 0 ? `${r.logged} of ${countText(r.total, 'check')}` : countText(r.noted, 'note')}
              </b>
              <div style={{ color: 'var(--soft)' }}>{STATES[r.state]}</div>
              {r.state === 'going' && <TakeAlong runId={r.id} name={r.name} />}
            </Box>
            {r.toDescribe.map((added) => (
              <DescribeRig key={added.linkId} runId={r.id} added={added} rigs={rigs} />
            ))}
            {r.state === 'going' && (
              <Button href={`/api/runs/${r.id}/file`} download aria-label={`Write ${r.name} to a file`}>
                To a file
              </Button>
            )}
            <Button component={PageLink} href={`/trials/${trialId}/field/sheet?run=${r.id}`}>
              Log sheet
            </Button>
            {r.toGrade > 0 && (
              <Button component={PageLink} href={`/trials/${trialId}/field/grade?run=${r.id}`}>
                Grade {r.toGrade}
              </Button>
            )}
            <Button
              component={PageLink}
              href={`/field?run=${r.id}`}
              variant={r.state === 'going' ? 'contained' : 'outlined'}
            >
              {r.state === 'going' ? 'Go on logging' : 'Open its log'}
            </Button>
          </Box>
        ))}
      </Box>
      {strip && (
        <OnceKnown what={strip}>
          {(model) => (
            <ReachStrip model={model} units={units} title="What is logged and what is still to make" />
          )}
        </OnceKnown>
      )}
      {runs.length > 0 && out}
      {missing ? (
        <Empty title="Nothing to log yet" action={null}>
          {missing}
        </Empty>
      ) : (
        <Box sx={{ borderTop: '1px solid var(--rule)', pt: 2 }}>
          <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
            {runs.length === 0 ? 'Begin the first run' : 'Begin another run'}
          </Typography>
          <NewRun trialId={trialId} fixable={fixable} />
        </Box>
      )}
      <Box sx={{ mt: 3 }}>
        <RunFileForm />
      </Box>
    </>
  )
}
