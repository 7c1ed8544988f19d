'use client'

import { useCallback, useMemo, useState } from 'react'
import { v7 } from 'uuid'
import { foldEntries, type Entry, type EntryBody } from '@/core/trial'
import { deskEntries, sendDeskEntries } from '../log/deskEntries'
import { putMedia } from '../log/wire'

/** The run's log at the desk, and what is added to it there. */
export function useGrading(runId: string, initial: Entry[]) {
  const [entries, setEntries] = useState(initial)
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const log = useMemo(() => foldEntries(entries), [entries])

  /** Sends entries; what is shown follows once the server holds them. @returns whether it does */
  const add = useCallback(
    async (bodies: { body: EntryBody; supersedes?: string }[]): Promise<boolean> => {
      const made = deskEntries(runId, 'grading', log.newestId, bodies)
      try {
        await sendDeskEntries(made)
        setEntries((old) => [...old, ...made])
        setProblem(null)
        return true
      } catch (e) {
        setProblem(`It was not kept: ${e instanceof Error ? e.message : String(e)}. Try again.`)
        return false
      }
    },
    [runId, log.newestId],
  )

  /** Keeps a recording with the run. */
  const addRecording = useCallback(
    async (file: File, seconds: number, at: 'base' | 'out') => {
      setBusy(true)
      try {
        const mediaId = v7()
        await putMedia(runId, mediaId, file)
        // A recorder writes the file when it stops: a first guess at when it began.
        const startsAt = new Date(file.lastModified - seconds * 1000).toISOString()
        const aligned = 'guessed from the file’s date, not aligned yet'
        await add([{ body: { kind: 'recording', mediaId, name: file.name, at, seconds, startsAt, aligned } }])
      } catch (e) {
        setProblem(`${file.name}: ${e instanceof Error ? e.message : String(e)}`)
      } finally {
        setBusy(false)
      }
    },
    [runId, add],
  )
  return { log, add, addRecording, problem, setProblem, busy }
}
