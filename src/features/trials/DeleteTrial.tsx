'use client'

import { countText } from '@/core/units'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useEffect, useState } from 'react'
import { refuse, good } from '@/core/outcome'
import type { TrialContents } from '@/data/deleteTrial'
import { useAction } from '@/ui/answers/useAction'
import { fileNameOf } from '@/core/trial/runFileName'
import { downloadText } from '@/ui/fields/downloadText'
import { removeTrial, whatGoes } from './actions'

/** What goes with a trial, in a sentence. */
export function goesWords({ runs, checks, entries, media }: TrialContents): string {
  if (runs === 0) return 'Its plan goes. No run was begun.'
  const kept = media > 0 ? ` and ${countText(media, 'photo or sound', 'photos and sounds')}` : ''
  return `Its plan goes, and ${countText(runs, 'run')} with ${countText(checks, 'check')} (${countText(entries, 'entry', 'entries')} of the log)${kept}.`
}

/** Asks before a trial is deleted; one with checks has to be written to a file first. */
export function DeleteTrial({ trialId, onClose }: { trialId: string; onClose: () => void }) {
  const [contents, setContents] = useState<TrialContents | null>(null)
  const [written, setWritten] = useState<string | null>(null)
  const action = useAction()
  useEffect(() => {
    void action.run(() => whatGoes(trialId), setContents)
    // Asked once, when it is opened.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [trialId])
  const write = () =>
    action.run(
      async () => {
        const response = await fetch(`/api/trials/${trialId}/runs`)
        if (!response.ok) return refuse('The server could not write the file.')
        const file = await response.text()
        const { digest } = JSON.parse(file) as { digest: string }
        return good({ file, digest })
      },
      ({ file, digest }) => {
        downloadText(`${fileNameOf(contents?.name ?? '', 'trial')}.runs.json`, file, 'application/json')
        setWritten(digest)
      },
    )
  const remove = () => action.run(() => removeTrial(trialId, written), onClose)
  const mustWrite = contents !== null && contents.checks > 0
  return (
    <Dialog open onClose={onClose} aria-labelledby="delete-trial" fullWidth maxWidth="sm">
      <DialogTitle id="delete-trial">Delete “{contents?.name ?? '…'}”?</DialogTitle>
      <DialogContent>
        {contents && <Box>{goesWords(contents)} Rigs, places and ground stay. It cannot be taken back.</Box>}
        {mustWrite && (
          <Box sx={{ mt: 2 }}>
            {written ? (
              <span role="status">Written. Keep the file where you will find it.</span>
            ) : (
              'Checks are never lost by a tap: write them to a file first.'
            )}
            <Box sx={{ mt: 1 }}>
              <Button variant="outlined" onClick={() => void write()} disabled={action.busy}>
                Write its runs to a file
              </Button>
            </Box>
          </Box>
        )}
        {action.refusal('It was not deleted')}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Keep it</Button>
        <Button
          variant="contained"
          color="error"
          onClick={() => void remove()}
          disabled={action.busy || contents === null || (mustWrite && written === null)}
        >
          Delete the trial
        </Button>
      </DialogActions>
    </Dialog>
  )
}
