'use client'

import Box from '@mui/material/Box'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { FileDrop } from '@/ui/fields/FileDrop'
import { Fold, Refused } from '@/ui/shell'

/** Reads a run in that a device wrote to a file. */
export function RunFileForm() {
  const router = useRouter()
  const [said, setSaid] = useState('')
  const [problem, setProblem] = useState<{ where: string; message: string } | null>(null)
  const read = async (name: string, text: string) => {
    setSaid('')
    try {
      const response = await fetch('/api/runs/file', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: text,
      })
      const answer = (await response.json()) as { message?: string; fresh?: number; known?: number }
      setProblem(response.ok ? null : { where: name, message: answer.message ?? 'It was refused.' })
      if (response.ok) {
        const { fresh = 0, known = 0 } = answer
        setSaid(`${fresh} ${fresh === 1 ? 'entry was' : 'entries were'} new; ${known} were here already.`)
        router.refresh()
      }
    } catch {
      setProblem({ where: name, message: 'The server could not be reached; nothing was read in.' })
    }
  }
  return (
    <Fold title="Read a run in from a file">
      <Box sx={{ maxWidth: 560, mt: 1 }}>
        <FileDrop
          label="Drop a run’s file here"
          hint="Written by the field screen under More. Read in again it changes nothing."
          accept=".json,.run.json"
          onFiles={([f]) => f && void read(f.name, f.text)}
          onTooLarge={(name) => setProblem({ where: name, message: 'The file is larger than 64 MB.' })}
        />
        {said && (
          <Box role="status" sx={{ mt: 1 }}>
            {said}
          </Box>
        )}
        {problem && <Refused title="Nothing was read in" problems={[problem]} />}
      </Box>
    </Fold>
  )
}
