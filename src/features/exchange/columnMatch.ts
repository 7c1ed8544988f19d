import { CHECK_COLUMNS, type CheckColumn } from '@/core/formats/checks/checksCsv'
import { figure, record } from '@/core/schema'

const column = () => figure().integer().min(0).max(1000).nullable().defined()

/** Which column of the file holds what; null where none does. */
export const columnMatchRecord = record(
  Object.fromEntries(CHECK_COLUMNS.map((c) => [c, column()])) as Record<
    CheckColumn,
    ReturnType<typeof column>
  >,
)
