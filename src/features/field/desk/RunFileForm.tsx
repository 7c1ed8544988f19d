'use client'

import Box from '@mui/material/Box'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { problem } from '@/core/outcome'
import { posted } from '@/ui/answers/posted'
import { useAction } from '@/ui/answers/useAction'
import { FileDrop } from '@/ui/fields/FileDrop'
import { Fold, Refused } from '@/ui/shell'
import type { RefusedEntry } from '@/core/trial/readLog'
import { countText } from '@/core/units'

/** Reads a run in that a device wrote to a file. */
export function RunFileForm() {
  const router = useRouter()
  const [said, setSaid] = useState('')
  const [refused, setRefused] = useState<RefusedEntry[]>([])
  const [about, setAbout] = useState('')
  const action = useAction()
  const read = (name: string, text: string) => {
    setSaid('')
    setRefused([])
    setAbout(name)
    const file = new Blob([text], { type: 'application/json' })
    return action.run(
      () => posted<{ fresh: number; known: number; refused: RefusedEntry[] }>('/api/runs/file', file),
      ({ fresh, known, refused }) => {
        setRefused(refused)
        setSaid(`${fresh} ${fresh === 1 ? 'entry was' : 'entries were'} new; ${known} were here already.`)
        router.refresh()
      },
    )
  }
  return (
    <Fold title="Read a run in from a file">
      <Box sx={{ maxWidth: 560, mt: 1 }}>
        <FileDrop
          label="Drop a run’s file here"
          hint="Written by the field screen under More. Read in again it changes nothing."
          accept=".reachrun,.json"
          onFiles={([f]) => f && void read(f.name, f.text)}
          onTooLarge={(name) => {
            setAbout(name)
            action.refuse(problem('large', name, 'The file is larger than 64 MB.'))
          }}
        />
        {said && (
          <Box role="status" sx={{ mt: 1 }}>
            {said}
          </Box>
        )}
        {refused.length > 0 && (
          <Refused
            title={`${countText(refused.length, 'entry', 'entries')} could not be read in; the others were`}
            problems={refused.map(({ id, why }) => ({ code: 'entry', where: id, message: why }))}
          />
        )}
        {action.refusal('Nothing was read in', about)}
      </Box>
    </Fold>
  )
}
