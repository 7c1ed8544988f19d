'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import type { Recording } from '@/core/trial'
import { startFrom } from './cuts'
import { timeInto } from './Waveform'

/** A moment whose time the log knows. */
export interface KnownMoment {
  id: string
  time: string
  words: string
}

interface Props {
  recording: Recording
  moments: readonly KnownMoment[]
  cursorS: number | null
  onAlign: (startsAt: string, how: string) => void
}

const clock = (iso: string) =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit' })

const NUDGES = [-1, -0.1, 0.1, 1]

/** Where the recording lies in time: a moment of it that the log knows, and a nudge either way. */
export function AlignPanel({ recording, moments, cursorS, onAlign }: Props) {
  const [chosen, setChosen] = useState('')
  const moment = moments.find((m) => m.id === chosen) ?? moments[0]
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center', my: 1.5 }}>
      <Box sx={{ flex: '1 1 240px' }}>
        {recording.startsAt ? (
          <>
            It began at <b suppressHydrationWarning>{clock(recording.startsAt)}</b> by the log’s clock:{' '}
            {recording.aligned}.
          </>
        ) : (
          <b>Place the cursor where a moment sounds that the log knows, and align it.</b>
        )}
      </Box>
      <TextField
        select
        label="What sounds at the cursor"
        value={moment?.id ?? ''}
        onChange={(e) => setChosen(e.target.value)}
        sx={{ minWidth: 260 }}
      >
        {moments.map((m) => (
          <Option key={m.id} value={m.id}>
            {m.words}, {clock(m.time)}
          </Option>
        ))}
      </TextField>
      <Button
        variant="contained"
        disabled={cursorS === null || !moment}
        onClick={() => {
          if (cursorS === null || !moment) return
          onAlign(startFrom(cursorS, moment.time), `${moment.words} sounds at ${timeInto(cursorS)}`)
        }}
      >
        Align here
      </Button>
      {recording.startsAt && (
        <Box role="group" aria-label="Move the cuts" sx={{ display: 'flex', gap: 0.5 }}>
          {NUDGES.map((n) => (
            <Button
              key={n}
              variant="outlined"
              sx={{ minWidth: 62 }}
              onClick={() =>
                onAlign(
                  startFrom(n, recording.startsAt!),
                  `${recording.aligned.replace(/, then moved.*$/, '')}, then moved by hand`,
                )
              }
            >
              {n > 0 ? '+' : '−'}
              {Math.abs(n)} s
            </Button>
          ))}
        </Box>
      )}
    </Box>
  )
}
