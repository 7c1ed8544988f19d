import { bad, good, problem, type Outcome } from '@/core/outcome'
import { checked } from '@/core/schema'
import type { Entry } from './entry'
import { batchRecord, runFileRecord, type RunFile } from './runFileRecord'

/** What was read, or that an entry in it is not of this run. */
function ofRun<T>(read: T, entries: readonly Entry[], runId: string): Outcome<T> {
  const strange = entries.find((e) => e.runId !== runId)
  return strange
    ? bad(problem('run', `entry ${strange.id}`, `Entry ${strange.id} belongs to another run.`))
    : good(read)
}

/** A run that was written to a file. */
export function readRunFile(raw: unknown): Outcome<RunFile> {
  if ((raw as { format?: unknown } | null)?.format !== 'even-reach-run')
    return bad(problem('format', 'file', 'This is no run written by the field screen.'))
  const file = checked(runFileRecord, raw)
  return file.ok ? ofRun(file.value, file.value.entries, file.value.pack.runId) : file
}

/** Entries of a run as a device posts them. What is answered is what is stored. */
export function readEntries(raw: unknown, runId: string): Outcome<Entry[]> {
  const batch = checked(batchRecord, raw)
  return batch.ok ? ofRun(batch.value.entries, batch.value.entries, runId) : batch
}
