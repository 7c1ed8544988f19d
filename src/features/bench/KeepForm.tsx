'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import type { BodyByKind, MeasurementKind, MeasurementSource, NewMeasurement } from '@/core/bench'
import { MAX_LETTERS } from '@/core/schema/limits'
import { useAction } from '@/ui/answers/useAction'
import { FieldGrid } from '@/ui/fields/FieldGrid'
import { Quiet } from '@/ui/shell/Quiet'
import { keepMeasurement } from './actions'
import { PickPart } from './PickPart'
import type { BenchPart } from './types'

interface Props<K extends MeasurementKind> {
  kind: K
  /** What it would be called. */
  name: string
  body: () => BodyByKind[K]
  takenAt: string
  source: MeasurementSource
  instrument: string
  parts: readonly BenchPart[]
  /** The part it is of, if one was chosen already. */
  partId: string
  /** What its part takes from it, in words. */
  gives: string
  onKept: (id: string, name: string) => void
}

/** Keeps a measurement with its date, instrument and conditions, and lets its part go by it. */
export function KeepForm<K extends MeasurementKind>({
  kind,
  name: first,
  body,
  partId: firstPart,
  parts,
  gives,
  onKept,
  ...about
}: Props<K>) {
  const action = useAction()
  const [name, setName] = useState<string | null>(null)
  const [partId, setPartId] = useState<string | null>(null)
  const [conditions, setConditions] = useState('')
  const [instrument, setInstrument] = useState<string | null>(null)
  const called = name ?? first
  const part = partId ?? firstPart
  const keep = () =>
    action.run(
      () =>
        keepMeasurement({
          ...about,
          kind,
          name: called,
          partId: part === '' ? null : part,
          instrument: instrument ?? about.instrument,
          conditions,
          body: body(),
        } as NewMeasurement),
      (id) => {
        setName(null)
        onKept(id, called)
      },
    )
  return (
    <Box
      component="section"
      aria-label="Keep it"
      className="no-print"
      sx={{ mt: 3, borderTop: '2px solid var(--ink)', pt: 1.5 }}
    >
      <FieldGrid leastPx={200}>
        <TextField
          label="Keep it as"
          value={called}
          onChange={(e) => setName(e.target.value)}
          slotProps={{ htmlInput: { maxLength: MAX_LETTERS.trialName } }}
        />
        <PickPart label="Of the part" partId={part} parts={parts} onPick={setPartId} />
        <TextField
          label="Instrument"
          value={instrument ?? about.instrument}
          onChange={(e) => setInstrument(e.target.value)}
          slotProps={{ htmlInput: { maxLength: MAX_LETTERS.line } }}
        />
        <TextField
          label="Conditions"
          placeholder="dry, 8 °C, on a wooden table"
          value={conditions}
          onChange={(e) => setConditions(e.target.value)}
          slotProps={{ htmlInput: { maxLength: MAX_LETTERS.shortNote }, inputLabel: { shrink: true } }}
        />
      </FieldGrid>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 1.5, flexWrap: 'wrap' }}>
        <Button variant="contained" disabled={action.busy} onClick={() => void keep()}>
          Keep it
        </Button>
        <Quiet small sx={{ flex: '1 1 240px' }}>
          {parts.length === 0 ? '' : part === '' ? 'By itself; it can be given to a part later.' : gives}
        </Quiet>
      </Box>
      {action.refusal('It was not kept')}
    </Box>
  )
}
