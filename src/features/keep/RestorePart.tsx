'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { countText, dayAndTime } from '@/core/units'
import type { BackupPreview } from '@/data/backup'
import type { Counts } from '@/data/counts'
import { asked, posted } from '@/ui/answers/posted'
import { useAction } from '@/ui/answers/useAction'
import { Table } from '@/ui/table/Table'
import { FileButton } from './FileButton'

const day = (at: string | null) => (at === null ? 'none' : dayAndTime(new Date(at)))

const ROWS: readonly { name: string; of: (c: Counts) => string }[] = [
  { name: 'Trials', of: (c) => String(c.trials) },
  { name: 'Runs', of: (c) => String(c.runs) },
  { name: 'Entries of the log', of: (c) => String(c.entries) },
  { name: 'The newest of them came', of: (c) => day(c.newest) },
]

/** What would be gone, in a sentence; null where nothing would. */
export function goneWords({ runs, entries }: BackupPreview['missing']): string | null {
  if (runs === 0 && entries === 0) return null
  const parts = [
    ...(runs > 0 ? [countText(runs, 'run')] : []),
    ...(entries > 0 ? [countText(entries, 'entry', 'entries')] : []),
  ]
  return `${parts.join(' and ')} that ${runs + entries === 1 ? 'is' : 'are'} here ${runs + entries === 1 ? 'is' : 'are'} not in it.`
}

/** Looks into a backup, says what would change, and puts it in the place of what is here once that was read. */
export function RestorePart() {
  const router = useRouter()
  const action = useAction()
  const [preview, setPreview] = useState<BackupPreview | null>(null)
  const [keptAs, setKeptAs] = useState<string | null>(null)
  const look = (file: File) => {
    setKeptAs(null)
    setPreview(null)
    return action.run(() => posted<BackupPreview>('/api/backup/preview', file), setPreview)
  }
  const restore = (id: string) =>
    action.run(
      () => asked<{ keptAs: string }>('POST', '/api/backup/restore', { id }),
      (done) => {
        setKeptAs(done.keptAs)
        setPreview(null)
        router.refresh()
      },
    )
  const gone = preview && goneWords(preview.missing)
  return (
    <>
      <Box sx={{ mb: 1 }}>
        <FileButton
          words="Choose a backup’s file"
          label="A backup’s file"
          busy={action.busy}
          onFile={(f) => void look(f)}
        />
      </Box>
      {action.refusal('Nothing was changed')}
      {preview && (
        <Box sx={{ border: '2px solid var(--rule)', p: 2 }}>
          <Table
            label="The backup beside what is here"
            head={
              <>
                <th scope="col" aria-label="What" />
                <th scope="col">In the backup of {day(preview.madeAt)}</th>
                <th scope="col">Here now</th>
              </>
            }
          >
            {ROWS.map(({ name, of }) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <td>
                  <b>{of(preview.there)}</b>
                </td>
                <td>{of(preview.here)}</td>
              </tr>
            ))}
          </Table>
          <Box sx={{ my: 1.5 }}>
            {gone ? <b>{gone}</b> : 'It holds every run and entry that is here.'} What is here is kept as a
            file beside it, and telephones that still hold entries send them again. Devices stay in or out as
            they are now.
          </Box>
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
            <Button variant="contained" disabled={action.busy} onClick={() => void restore(preview.id)}>
              Put it in the place of what is here
            </Button>
            <Button onClick={() => setPreview(null)}>Leave it</Button>
          </Box>
        </Box>
      )}
      <Box role="status" sx={{ fontWeight: 700 }}>
        {keptAs && `The backup is in place. What was here is kept as ${keptAs}, beside the database.`}
      </Box>
    </>
  )
}
