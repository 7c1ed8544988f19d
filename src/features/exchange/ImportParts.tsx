'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import type { ReactNode } from 'react'
import type { Listener } from '@/core/kit'
import type { Scale } from '@/core/reports'
import { MAX_LETTERS } from '@/core/schema/limits'
import type { Action } from '@/ui/answers/useAction'
import { distanceText, type Units } from '@/core/units'
import { ScaleField } from '@/ui/fields/ScaleField'
import { Refused } from '@/ui/shell'
import type { preview } from './dayDraft'
import { PreviewTable } from './PreviewTable'

type Rows = ReturnType<typeof preview>

/** One step of the import, numbered. */
export function Part({ n, title, children }: { n: number; title: string; children: ReactNode }) {
  return (
    <Box component="section" sx={{ borderTop: '1px solid var(--rule)', py: 2.5 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
        {n}. {title}
      </Typography>
      {children}
    </Box>
  )
}

interface MeaningsProps {
  scales: Record<Listener, Scale>
  /** Who reported in bare digits, and whose scale nobody has chosen yet. */
  bare: Listener[]
  confirmed: boolean
  /** @param by whose scale was chosen */
  onScales: (scales: Record<Listener, Scale>, by: Listener) => void
  onConfirmed: (on: boolean) => void
}

/** What the reports mean, guessed and to be confirmed. */
export function Meanings({ scales, bare, confirmed, onScales, onConfirmed }: MeaningsProps) {
  return (
    <Part n={4} title="What the reports mean">
      <Typography sx={{ mb: 2, color: 'var(--soft)', maxWidth: 760 }}>
        Guessed from the reports. The same figures mean different things to different teams, so please
        confirm.
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0,1fr)', sm: 'repeat(2, minmax(0,1fr))' },
          gap: 3,
        }}
      >
        <ScaleField
          label="The base reported"
          value={scales.base}
          onChange={(base) => onScales({ ...scales, base }, 'base')}
        />
        <ScaleField
          label="Whoever was out there reported"
          value={scales.out}
          onChange={(out) => onScales({ ...scales, out }, 'out')}
        />
      </Box>
      {bare.length > 0 && (
        <Typography role="note" sx={{ mt: 2, maxWidth: 760, fontWeight: 700 }}>
          {bare.length === 2
            ? 'Both reported'
            : bare[0] === 'base'
              ? 'The base reported'
              : 'Whoever was out there reported'}{' '}
          in bare figures. They could be readability, strength out of 5 or of 9, bars, or a level: nobody can
          tell from the figures, so look at how each row is read below before you confirm.
        </Typography>
      )}
      <FormControlLabel
        control={<Checkbox checked={confirmed} onChange={(e) => onConfirmed(e.target.checked)} />}
        label="Yes, this is what the reports mean"
      />
    </Part>
  )
}

interface EveryRowProps {
  rows: Rows
  units: Units
  without: boolean
  /** Marks in doubtful places are meant so. */
  doubtsMeant: boolean
  onWithout: (on: boolean) => void
  onDoubtsMeant: (on: boolean) => void
}

/** How every row will be read, and what cannot be. */
export function EveryRow({ rows, units, without, doubtsMeant, onWithout, onDoubtsMeant }: EveryRowProps) {
  const troubled = rows.problems.length + rows.unread.length
  return (
    <Part n={5} title={`Every row: ${rows.rows.length - rows.unread.length} read, ${rows.left} not`}>
      {troubled > 0 && (
        <Refused
          title="These cannot be read"
          problems={[
            ...rows.problems,
            ...rows.unread.map(({ row, reading }) => ({
              code: 'report',
              where: `line ${row.line}`,
              message: `"${row.report}": ${reading.state === 'not read' ? reading.why : ''}`,
            })),
          ]}
        />
      )}
      {rows.doubts.length > 0 && (
        <Box role="note" sx={{ mb: 1.5 }}>
          <Typography sx={{ fontWeight: 700 }}>Is this meant?</Typography>
          <ul style={{ margin: '4px 0 0', paddingLeft: 20 }}>
            {rows.doubts.map(({ mark, line, why }) => (
              <li key={mark}>
                {mark} (line {line}){' '}
                {why.kind === 'distance'
                  ? `is ${distanceText(why.metres, units)} from the base`
                  : `lies ${distanceText(why.metres, units)} from the marks before and after it`}
              </li>
            ))}
          </ul>
          <FormControlLabel
            control={<Checkbox checked={doubtsMeant} onChange={(e) => onDoubtsMeant(e.target.checked)} />}
            label="Yes, these places are right"
          />
        </Box>
      )}
      <PreviewTable rows={rows.rows} units={units} />
      {troubled > 0 && (
        <FormControlLabel
          control={<Checkbox checked={without} onChange={(e) => onWithout(e.target.checked)} />}
          label={`Import without the ${rows.problems.length} rows listed; ${rows.unread.length} unread reports come in as text`}
        />
      )}
    </Part>
  )
}

interface BringInProps {
  name: string
  fixed: boolean
  confirmed: boolean
  /** The trial that holds this day already. */
  known: string | null
  action: Action
  checks: number
  ready: boolean
  onName: (name: string) => void
  onFixed: (on: boolean) => void
  onSubmit: () => void
}

/** The last step: what the trial is called, and the button that stores. */
export function BringIn({
  name,
  fixed,
  confirmed,
  known,
  action,
  checks,
  ready,
  onName,
  onFixed,
  onSubmit,
}: BringInProps) {
  return (
    <>
      <Box sx={{ display: 'grid', gap: 1.5, justifyItems: 'start' }}>
        <TextField
          label="Name of the trial"
          value={name}
          onChange={(e) => onName(e.target.value)}
          slotProps={{ htmlInput: { maxLength: MAX_LETTERS.trialName } }}
          sx={{ minWidth: { sm: 360 } }}
        />
        <FormControlLabel
          control={<Checkbox checked={fixed} onChange={(e) => onFixed(e.target.checked)} />}
          label="The number of marks was fixed beforehand; nobody stopped because it seemed clear"
        />
        <Button variant="contained" size="large" onClick={onSubmit} disabled={action.busy || !ready}>
          Import {checks} checks
        </Button>
        {!confirmed && <span style={{ color: 'var(--soft)' }}>Confirm under 4 what the reports mean.</span>}
      </Box>
      <div role="status">
        {known && (
          <p>
            This file is already in: nothing was changed.{' '}
            <PageLink href={`/trials/${known}/findings`}>Open its findings</PageLink>
          </p>
        )}
      </div>
      {action.refusal('Nothing was imported')}
    </>
  )
}
