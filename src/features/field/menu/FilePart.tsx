'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useEffect, useState } from 'react'
import { clockOffsets, fileNameOf, RUN_FILE_END, type RunFile } from '@/core/trial'
import { downloadText } from '@/ui/fields/downloadText'
import { allClips, clipBlob } from '../media/clipStore'
import type { MenuProps } from './shared'

const mega = (bytes: number) => `${Math.round(bytes / 1e6)} MB`

const base64Of = async (blob: Blob) => {
  const url = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(reader.result as string)
    reader.onerror = () => reject(reader.error ?? new Error('not read'))
    reader.readAsDataURL(blob)
  })
  return url.slice(url.lastIndexOf(',') + 1)
}

async function mediaOf(runId: string): Promise<NonNullable<RunFile['media']>> {
  const found: NonNullable<RunFile['media']> = []
  for (const { id, type } of await allClips(runId)) {
    const blob = await clipBlob(id)
    if (blob && blob.size > 0) found.push({ id, type, base64: await base64Of(blob) })
  }
  return found
}

/** The run as a file with no server at all, what waits, and how much room is left. */
export function FilePart({ pack, handle, clips }: MenuProps) {
  const [room, setRoom] = useState<{ left: number; kept: boolean } | null>(null)
  useEffect(() => {
    void (async () => {
      if (!navigator.storage?.estimate) return
      const kept = (await navigator.storage.persist?.()) ?? false
      const { quota = 0, usage = 0 } = await navigator.storage.estimate()
      setRoom({ left: quota - usage, kept })
    })()
  }, [])
  const write = async () => {
    const { protocol, runId, trialId, runName, startedAt, plan } = pack
    const file: RunFile = {
      format: 'even-reach-run',
      from: 'device',
      pack: { protocol, runId, trialId, runName, startedAt, plan },
      entries: handle.entries,
      media: await mediaOf(pack.runId),
    }
    const name = fileNameOf(pack.runName)
    downloadText(`${name}${RUN_FILE_END}`, JSON.stringify(file, null, 1), 'application/json')
  }
  const { waiting, trouble } = handle.queue
  return (
    <>
      <Box>
        {waiting === 0 ? 'The server holds every entry.' : `${waiting} entries are only on this device.`}{' '}
        {clips.refused && `The server will not take one of the photos or sounds: ${clips.refused} `}
        {clips.waiting > 0 && `${clips.waiting} photos or sounds are only on this device. `}
        {trouble && `The last try: ${trouble}.`}
      </Box>
      {clockOffsets(handle.log).map((o) => (
        <Box key={o.device}>
          The clock of {o.device} is {Math.abs(Math.round(o.offsetS / 60))} min{' '}
          {o.offsetS > 0 ? 'ahead of' : 'behind'} {o.against}’s, by {o.pairs} shared checks; findings take it
          out.
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" size="large" onClick={() => void handle.sync().then(clips.send)}>
          Send now
        </Button>
        <Button variant="outlined" size="large" onClick={() => void write()}>
          Write the run to a file
        </Button>
      </Box>
      {room && (
        <Box sx={{ color: 'var(--soft)' }}>
          Room left here: {mega(room.left)}
          {room.kept
            ? '; the browser has promised to keep it.'
            : '; the browser may clear it when space runs out, so send or write a file in good time.'}
        </Box>
      )}
    </>
  )
}
