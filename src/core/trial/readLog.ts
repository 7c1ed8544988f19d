import type { DeviceStatus } from '@/core/crew/statusRecord'
import { bad, good, messageOf, problem, type Outcome } from '@/core/outcome'
import { checked } from '@/core/schema'
import type { Entry } from './entry'
import { entryRecord } from './entryRecord'
import { batchRecord, runFileRecord, type RunFile } from './runFileRecord'

/** An entry that cannot be taken, and why; the others of its batch are. */
export interface RefusedEntry {
  /** As it names itself; its place in the batch where it does not. */
  id: string
  why: string
}

/** What of a batch can be stored, and what cannot. */
interface ReadEntries {
  entries: Entry[]
  refused: RefusedEntry[]
}

/** A batch as a device posts it. */
export interface ReadBatch extends ReadEntries {
  status: DeviceStatus | null
}

/** Reads entries one by one, so that one that cannot be taken holds up none of the others. */
function oneByOne(raw: readonly unknown[], runId: string): ReadEntries {
  const read: ReadEntries = { entries: [], refused: [] }
  raw.forEach((one, i) => {
    const named = (one as { id?: unknown } | null)?.id
    const refuse = (why: string) =>
      read.refused.push({ id: typeof named === 'string' ? named : `entry ${i + 1}`, why })
    const entry = checked(entryRecord, one)
    if (!entry.ok) refuse(messageOf(entry))
    else if (entry.value.runId !== runId) refuse(`Entry ${entry.value.id} belongs to another run.`)
    else read.entries.push(entry.value)
  })
  return read
}

/** A run that was written to a file: what of it can be taken, and the entries that cannot. */
export function readRunFile(raw: unknown): Outcome<RunFile & { refused: RefusedEntry[] }> {
  if ((raw as { format?: unknown } | null)?.format !== 'even-reach-run')
    return bad(problem('format', 'file', 'This is no run written by the field screen.'))
  const file = checked(runFileRecord, raw)
  return file.ok ? good({ ...file.value, ...oneByOne(file.value.entries, file.value.pack.runId) }) : file
}

/** Entries of a run as a device posts them. What is answered is what is stored. */
export function readEntries(raw: unknown, runId: string): Outcome<ReadBatch> {
  const batch = checked(batchRecord, raw)
  if (!batch.ok) return batch
  return good({ ...oneByOne(batch.value.entries, runId), status: batch.value.status ?? null })
}
