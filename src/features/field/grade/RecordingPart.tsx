'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { Refused } from '@/ui/shell'
import { AlignPanel } from './AlignPanel'
import type { GradeQueue, KeptRecording } from './gradeQueue'
import type { useRecording } from './useRecording'
import { Waveform } from './Waveform'

/** Shown around a cut when it is looked at closely, s. */
const CLOSE_S = 30

interface Props {
  recordings: KeptRecording[]
  recording: KeptRecording
  opened: ReturnType<typeof useRecording>
  queue: GradeQueue
  blind: boolean
  afterS: number
  close: boolean
  onPick: (entryId: string) => void
  onAfter: (seconds: number) => void
  onClose: (on: boolean) => void
  onAlign: (startsAt: string, aligned: string) => void
}

/** The recording that is listened to: its waveform with the cuts, and what aligns it. */
export function RecordingPart({
  recordings,
  recording,
  opened,
  queue,
  blind,
  afterS,
  close,
  onPick,
  onAfter,
  onClose,
  onAlign,
}: Props) {
  const [cursor, setCursor] = useState<number | null>(null)
  const { cuts, now, gradeOf, words, moments } = queue
  const shown = close && now ? [now.fromS - CLOSE_S / 2, now.fromS + CLOSE_S / 2] : [0, recording.seconds]
  return (
    <Box component="section" aria-label="Recording">
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center', mb: 1 }}>
        <TextField
          select
          label="Recording"
          value={recording.entryId}
          onChange={(e) => onPick(e.target.value)}
          sx={{ minWidth: 240 }}
        >
          {recordings.map((r) => (
            <Option key={r.entryId} value={r.entryId}>
              {r.name}, {r.at === 'base' ? 'at the base' : 'out there'}
            </Option>
          ))}
        </TextField>
        <TextField
          select
          label="Cut after sending"
          value={afterS}
          onChange={(e) => onAfter(Number(e.target.value))}
          sx={{ width: 150 }}
        >
          {[3, 6, 10, 15, 30].map((s) => (
            <Option key={s} value={s}>
              {s} s
            </Option>
          ))}
        </TextField>
        <FormControlLabel
          control={<Checkbox checked={close} onChange={(e) => onClose(e.target.checked)} />}
          label={`Only ${CLOSE_S} s around the cut`}
        />
      </Box>
      {opened?.problem && (
        <Refused
          title="It cannot be listened to"
          problems={[{ where: recording.name, message: opened.problem }]}
        />
      )}{' '}
      {!opened && <Box role="status">Reading the sound…</Box>}
      {opened?.sound && (
        <Waveform
          peaks={opened.sound.peaks}
          fromS={shown[0]!}
          toS={shown[1]!}
          cursorS={cursor}
          onCursor={setCursor}
          chosen={now?.id ?? null}
          stretches={cuts.map((c) => ({
            id: c.id,
            fromS: c.fromS,
            toS: c.toS,
            label: blind ? 'a check' : words(c),
            done: gradeOf(c) !== undefined,
          }))}
        />
      )}
      <AlignPanel recording={recording} moments={moments} cursorS={cursor} onAlign={onAlign} />
    </Box>
  )
}
