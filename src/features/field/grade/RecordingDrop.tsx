'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { MAX_MEDIA_BYTES } from '@/core/trial'
import { Choice } from '../menu/Part'

interface Props {
  busy: boolean
  onRecording: (file: File, seconds: number, at: 'base' | 'out') => Promise<void>
  onProblem: (words: string) => void
}

/** How long a sound is; null where the browser cannot read it. */
function secondsOf(file: File): Promise<number | null> {
  return new Promise((resolve) => {
    const audio = new Audio()
    const url = URL.createObjectURL(file)
    const end = (s: number | null) => {
      URL.revokeObjectURL(url)
      resolve(s)
    }
    audio.onloadedmetadata = () => {
      if (Number.isFinite(audio.duration)) return end(audio.duration)
      // A recording that a browser made does not say its length until its end was looked for.
      audio.ondurationchange = () => Number.isFinite(audio.duration) && end(audio.duration)
      audio.currentTime = 1e7
    }
    audio.onerror = () => end(null)
    audio.src = url
  })
}

/** Brings in what a recorder at either end took down. */
export function RecordingDrop({ busy, onRecording, onProblem }: Props) {
  const [at, setAt] = useState<'base' | 'out'>('base')
  const take = async (file: File | undefined) => {
    if (!file) return
    if (file.size > MAX_MEDIA_BYTES)
      return onProblem(
        `${file.name} is larger than ${MAX_MEDIA_BYTES / 1e6} MB. Save it as m4a or ogg, or cut it in two.`,
      )
    const seconds = await secondsOf(file)
    if (seconds === null || seconds === 0)
      return onProblem(
        `${file.name} cannot be read as sound by this browser. Save it as wav, mp3, m4a or ogg.`,
      )
    await onRecording(file, seconds, at)
  }
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple: false,
    noClick: true,
    noKeyboard: true,
    onDrop: (files) => void take(files[0]),
  })
  return (
    <Box
      {...getRootProps({ role: 'group', 'aria-label': 'A recording' })}
      sx={{
        border: '2px dashed',
        borderColor: isDragActive ? 'var(--accent)' : 'var(--soft)',
        background: 'var(--raised)',
        p: 2,
        display: 'grid',
        gap: 1.25,
        alignContent: 'start',
      }}
    >
      <input
        {...getInputProps({ 'aria-label': 'A recording', accept: 'audio/*,video/webm,.m4a,.ogg,.oga' })}
      />
      <b>Drop a recording: wav, mp3, m4a or ogg</b>
      <Choice
        label="Where it was made"
        value={at}
        options={[
          { value: 'base', words: 'At the base' },
          { value: 'out', words: 'Out there' },
        ]}
        onChange={setAt}
      />
      <Box>
        <Button variant="outlined" onClick={open} disabled={busy}>
          {busy ? 'Keeping it…' : 'Choose a recording'}
        </Button>
      </Box>
    </Box>
  )
}
