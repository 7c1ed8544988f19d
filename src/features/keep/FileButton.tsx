'use client'

import Button from '@mui/material/Button'
import { useRef } from 'react'

interface Props {
  /** What the button says while nothing is done. */
  words: string
  /** Of the file that is asked for. */
  label: string
  busy: boolean
  onFile: (file: File) => void
}

/** Asks for one archive. The same file can be chosen again. */
export function FileButton({ words, label, busy, onFile }: Props) {
  const picker = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button variant="outlined" disabled={busy} onClick={() => picker.current?.click()}>
        {busy ? 'Working…' : words}
      </Button>
      <input
        ref={picker}
        type="file"
        accept=".zip,application/zip"
        aria-label={label}
        hidden
        onChange={(e) => {
          const [file] = e.target.files ?? []
          if (file) onFile(file)
          e.target.value = ''
        }}
      />
    </>
  )
}
