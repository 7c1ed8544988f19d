'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import type { Place } from '@/core/geo'
import { herePlace } from '@/ui/fields/herePlace'

/** Asks the device once where it is, and says why it does not tell. */
export function HereButton({ words, onPlace }: { words: string; onPlace: (place: Place) => void }) {
  const [seeking, setSeeking] = useState(false)
  const [trouble, setTrouble] = useState<string | null>(null)
  const seek = () => {
    setSeeking(true)
    herePlace()
      .then(
        (place) => {
          setTrouble(null)
          onPlace(place)
        },
        (e: Error) => setTrouble(e.message),
      )
      .finally(() => setSeeking(false))
  }
  return (
    <Box>
      <Button variant="outlined" onClick={seek} disabled={seeking}>
        {seeking ? 'Looking for the position…' : words}
      </Button>
      {trouble && (
        <Box role="alert" sx={{ color: 'var(--bad)', mt: 0.5 }}>
          {trouble}
        </Box>
      )}
    </Box>
  )
}
