'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useDropzone } from 'react-dropzone'
import { decodeText } from '@/core/formats/decodeText'

export interface DroppedFile {
  name: string
  text: string
  bytes: Uint8Array
}

interface Props {
  label: string
  hint: string
  accept: string
  multiple?: boolean
  onFiles: (files: DroppedFile[]) => void
  onTooLarge: (name: string) => void
}

const MAX_BYTES = 64 * 1024 * 1024

async function opened(file: File): Promise<DroppedFile> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  return { name: file.name, bytes, text: decodeText(bytes).text }
}

/** A place to drop files on or to pick them; said beforehand: 64 MB each. */
export function FileDrop({ label, hint, accept, multiple = false, onFiles, onTooLarge }: Props) {
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple,
    noClick: true,
    noKeyboard: true,
    onDrop: (files) => {
      const large = files.find((f) => f.size > MAX_BYTES)
      if (large) onTooLarge(large.name)
      else void Promise.all(files.map(opened)).then(onFiles)
    },
  })
  return (
    <Box
      {...getRootProps({ role: 'group', 'aria-label': label })}
      sx={{
        border: '2px dashed',
        borderColor: isDragActive ? 'var(--accent)' : 'var(--soft)',
        background: 'var(--raised)',
        p: 2.5,
      }}
    >
      <input {...getInputProps({ 'aria-label': label, accept })} />
      <b>{label}</b>
      <Box sx={{ color: 'var(--soft)' }}>{hint} Up to 64 MB a file.</Box>
      <Button variant="outlined" onClick={open} sx={{ mt: 1.5 }}>
        {multiple ? 'Choose files' : 'Choose a file'}
      </Button>
    </Box>
  )
}
