'use server'

import { dayOfFiles } from '@/core/exchange'
import { v7 } from 'uuid'
import type { InferType } from 'yup'
import {
  DISTANCE_UNITS,
  MAX_FILE_BYTES,
  type DistanceUnit,
  readCheckRows,
  readChecksTable,
  readGpx,
  readKitJson,
  tableOfBase,
} from '@/core/formats'
import { bad, good, problem, type Outcome } from '@/core/outcome'
import { scaleRecord } from '@/core/reports/scaleRecord'
import { checkReader } from '@/core/trial'
import { flag, MAX_LETTERS, oneOf, record, text } from '@/core/schema'
import { checksHash, db, importDay, importedBefore } from '@/data'
import { act } from '@/server/act'
import { columnMatchRecord } from './columnMatch'

const file = () => text(MAX_FILE_BYTES)

const importRecord = record({
  name: text(MAX_LETTERS.trialName).default(''),
  checksName: text(MAX_LETTERS.fileName).required(),
  checks: file().required(),
  gpx: file().nullable().defined(),
  kit: file().required(),
  match: columnMatchRecord.required(),
  /** Which base of the file's; null where it names none. */
  base: text(MAX_LETTERS.name).nullable().default(null),
  /** What distances are in; null where there are none. */
  distancesIn: oneOf(Object.keys(DISTANCE_UNITS) as DistanceUnit[])
    .nullable()
    .defined(),
  scales: record({ base: scaleRecord, out: scaleRecord }).required(),
  fixedBeforehand: flag().required(),
  /** Rows that cannot be read are left out, and reports that cannot be read come in as text, because the user said so. */
  withoutBadRows: flag().required(),
})
type ImportRequest = InferType<typeof importRecord>

/** What came of an import: the trial it made, or the one that holds the same day already. */
export interface Imported {
  trialId: string
  knownBefore: boolean
}

/** Reads everything again on the server and brings it in, all or nothing. */
export async function bringIn(request: ImportRequest): Promise<Outcome<Imported>> {
  return act(importRecord, request, imported)
}

function imported(request: ImportRequest): Outcome<Imported> {
  const table = readChecksTable(request.checks)
  const kit = readKitJson(request.kit)
  const gpx = request.gpx === null ? null : readGpx(request.gpx)
  const problems = [table, kit, gpx].flatMap((r) => (r && !r.ok ? r.problems : []))
  if (!table.ok || !kit.ok || (gpx && !gpx.ok)) return bad(...problems)
  const names = kit.value.rigs.map((r) => r.name)
  const { rows, problems: badRows } = readCheckRows(
    tableOfBase(table.value, request.match, request.base),
    request.match,
    names,
    request.distancesIn,
  )
  const readingOf = checkReader(request.scales)
  const unread = rows.filter(
    (r) => readingOf({ text: r.report, direction: r.direction }).state === 'not read',
  )
  if (!request.withoutBadRows && badRows.length + unread.length > 0)
    return bad(
      ...badRows,
      ...unread.map((r) =>
        problem('report', `line ${r.line}`, `"${r.report}" cannot be read in the scale declared`),
      ),
    )
  if (rows.length === 0) return bad(...badRows)
  const hash = checksHash(rows, kit.value)
  const before = importedBefore(db(), hash)
  if (before) return good({ trialId: before.trialId, knownBefore: true })
  const ids = new Map<string, string>()
  const day = dayOfFiles(rows, kit.value, gpx?.ok ? gpx.value : null, {
    scales: request.scales,
    name: request.name || 'Imported day',
    makeId: (what, name) => {
      const key = `${what} ${name}`
      if (!ids.has(key)) ids.set(key, v7())
      return ids.get(key)!
    },
  })
  if (!day.ok) return day
  const trialId = importDay(db(), day.value, hash, request.checksName, request.fixedBeforehand)
  return good({ trialId, knownBefore: false })
}
