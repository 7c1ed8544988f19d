'use client'

import Button from '@mui/material/Button'
import { useState } from 'react'

/** Copies a text, and says that it did. */
export function CopyButton({ text, label }: { text: () => string | Promise<string>; label: string }) {
  const [said, setSaid] = useState('')
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(await text())
      setSaid('Copied')
    } catch {
      setSaid('This browser does not let a page copy; select the table instead')
    }
  }
  return (
    <>
      <Button size="small" variant="outlined" onClick={copy}>
        {label}
      </Button>
      <span role="status" style={{ marginLeft: 10 }}>
        {said}
      </span>
    </>
  )
}
