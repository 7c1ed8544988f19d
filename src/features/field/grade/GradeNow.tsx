'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { EarState } from '@/core/trial'
import { describeScale, whyNotRead, type Scale } from '@/core/reports'
import type { Cut } from './cuts'
import { gradeKeys } from './gradeKeys'

interface Props {
  cut: Cut
  place: string
  /** What the listener may know; null where blind. */
  known: string | null
  scale: Scale
  states: readonly EarState[]
  onPlay: () => void
  onGrade: (text: string) => void
  onSkip: () => void
}

/** One cut: heard, and graded in the listener's scale. Enter logs, an empty field plays again. */
export function GradeNow({ cut, place, known, scale, states, onPlay, onGrade, onSkip }: Props) {
  const [text, setText] = useState('')
  const state = cut.about.kind === 'state'
  const keys = gradeKeys(scale)
  const problem = state ? null : whyNotRead(text, scale)
  const submit = () => {
    if (text.trim() === '') return onPlay()
    if (!problem) onGrade(text.trim())
  }
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault()
        submit()
      }}
      sx={{ borderLeft: '8px solid var(--accent)', pl: 2, py: 1, display: 'grid', gap: 1.5, maxWidth: 620 }}
    >
      <Typography variant="h2" component="h2">
        {place}
        {known && <span style={{ fontWeight: 400 }}> · {known}</span>}
      </Typography>
      {!cut.inside && <b>The recording does not reach it: align again, or skip it.</b>}
      {state ? (
        <Box role="group" aria-label="What it was" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          {states.map((s) => (
            <Button key={s.name} variant="outlined" onClick={() => onGrade(s.name)}>
              {s.name}
            </Button>
          ))}
        </Box>
      ) : (
        <>
          {keys.length > 0 && (
            <Box role="group" aria-label="Grade" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
              {keys.map((k) => (
                <Button key={k} variant="outlined" onClick={() => onGrade(k)}>
                  {k}
                </Button>
              ))}
            </Box>
          )}
          <TextField
            autoFocus
            label="Report"
            value={text}
            onChange={(e) => setText(e.target.value)}
            error={problem !== null}
            helperText={
              problem ?? `Read as ${describeScale(scale)}. Enter logs it; with nothing typed it plays again.`
            }
          />
        </>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" onClick={onPlay} disabled={!cut.inside}>
          Play it
        </Button>
        {!state && (
          <>
            <Button variant="outlined" onClick={() => onGrade('not heard')}>
              Not heard
            </Button>
            <Button type="submit" variant="contained" disabled={text.trim() === '' || problem !== null}>
              Log the grade
            </Button>
          </>
        )}
        <Button onClick={onSkip}>Leave it for later</Button>
      </Box>
    </Box>
  )
}
