'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import type { Entry } from '@/core/trial'
import type { RefusedEntry } from '@/core/trial/readLog'

interface Props {
  entries: readonly Entry[]
  aside: readonly RefusedEntry[]
  onAgain: () => Promise<void>
}

/** What an entry is, by the first words of what it holds. */
function whatItIs(entry: Entry | undefined): string {
  if (!entry) return 'An entry'
  const { body, wallTime } = entry
  const text = 'text' in body && typeof body.text === 'string' ? `, “${body.text.slice(0, 40)}”` : ''
  return `${body.kind} at ${new Date(wallTime).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}${text}`
}

/** Entries that the server does not take: kept on this device, the reason beside each, and what can be done. */
export function AsideList({ entries, aside, onAgain }: Props) {
  return (
    <Box
      role="group"
      aria-label="Not taken by the server"
      sx={{ borderLeft: '6px solid var(--bad)', pl: 1.5 }}
    >
      <b>The server does not take these; all others went on.</b> They stay on this device and go into a file
      with the rest of the run. A check can be put right with Edit below; after the server is brought up to
      date, try again.
      <Box component="ul" sx={{ m: 0, mt: 1, pl: 3 }}>
        {aside.map(({ id, why }) => (
          <li key={id}>
            {whatItIs(entries.find((e) => e.id === id))}: {why}
          </li>
        ))}
      </Box>
      <Button variant="outlined" onClick={() => void onAgain()}>
        Try again
      </Button>
    </Box>
  )
}
