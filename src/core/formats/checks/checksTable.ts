import { good, type Outcome } from '@/core/outcome'
import { readCsvTable, type CsvTable } from '../csvTable'
import { unfolded } from './wideTable'

/** A table of checks, a line each. */
export interface ChecksTable extends CsvTable {
  /** Whether the file has a line a stop and a column for each rig and direction. */
  wide: boolean
}

/** Reads a file of checks; a wide table becomes one with a line a check. */
export function readChecksTable(text: string): Outcome<ChecksTable> {
  const table = readCsvTable(text)
  if (!table.ok) return table
  const long = unfolded(table.value)
  return good({ ...(long ?? table.value), wide: long !== null })
}
