'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useDropzone } from 'react-dropzone'
import type { DroppedFile, FileDropProps } from './droppedFile'
import { decodeText } from '@/core/formats/decodeText'

const MAX_BYTES = 64 * 1024 * 1024

async function opened(file: File): Promise<DroppedFile> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  return { name: file.name, bytes, text: decodeText(bytes).text }
}

/** What `FileDrop` shows, with all that takes files. */
export function FileDropZone({ label, hint, accept, multiple = false, onFiles, onTooLarge }: FileDropProps) {
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
