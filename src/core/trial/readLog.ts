import { bad, good, problem, type Outcome } from '@/core/outcome'
import { checked } from '@/core/schema'
import type { Entry } from './entry'
import { batchRecord, runFileRecord, type RunFile } from './runFileRecord'

/** A run that was written to a file. */
export function readRunFile(raw: unknown): Outcome<RunFile> {
  if ((raw as { format?: unknown } | null)?.format !== 'even-reach-run')
    return bad(problem('format', 'file', 'This is no run written by the field screen.'))
  const file = checked(runFileRecord, raw)
  if (!file.ok) return file
  const strange = file.value.entries.find((e) => e.runId !== file.value.pack.runId)
  return strange
    ? bad(problem('run', `entry ${strange.id}`, `Entry ${strange.id} belongs to another run.`))
    : file
}

/** Entries of a run as a device posts them. What is answered is what is stored. */
export function readEntries(raw: unknown, runId: string): Outcome<Entry[]> {
  const batch = checked(batchRecord, raw)
  if (!batch.ok) return batch
  const strange = batch.value.entries.find((e) => e.runId !== runId)
  return strange
    ? bad(problem('run', `entry ${strange.id}`, `Entry ${strange.id} belongs to another run.`))
    : good(batch.value.entries)
}
