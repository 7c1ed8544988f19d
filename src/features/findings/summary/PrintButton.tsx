'use client'

import Button from '@mui/material/Button'

export function PrintButton({ disabled }: { disabled: boolean }) {
  return (
    <Button variant="contained" disabled={disabled} onClick={() => window.print()}>
      Print it
    </Button>
  )
}
